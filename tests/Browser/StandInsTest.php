<?php

declare(strict_types=1);

use App\Signing\HttpTimeStamps;
use Illuminate\Container\Container;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Facade;
use Unanimus\Evidence\StampUnavailable;

/** @return array<string, string> the test copy's settings */
function settings(): array
{
    return parse_ini_file(testState().'/.env', false, INI_SCANNER_RAW) ?: [];
}

/** @param  list<string>  $headers @return array{int, string} */
function ask(string $url, array $headers = [], ?string $body = null): array
{
    $handle = curl_init($url);
    curl_setopt_array($handle, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HTTPHEADER => $headers,
        CURLOPT_TIMEOUT => 20,
        ...$body === null ? [] : [CURLOPT_POSTFIELDS => $body],
    ]);
    $answer = (string) curl_exec($handle);

    return [(int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $answer];
}

it('answers as a RESO Web API does, to those with a token', function (string $query, int $count) {
    $env = settings();
    [$status, $body] = ask($env['UNANIMUS_EXCHANGE_URL'].'/odata/Property?'.$query, [
        'Authorization: Bearer '.$env['UNANIMUS_EXCHANGE_TOKEN'],
    ]);
    expect($status)->toBe(200)->and(json_decode($body, true)['value'])->toHaveCount($count);
})->with([
    'by number' => ['$filter='.rawurlencode("ListingId eq 'TR-26-04182'"), 1],
    'no such number' => ['$filter='.rawurlencode("ListingId eq 'TR-0'"), 0],
    'a quote in the number' => ['$filter='.rawurlencode("ListingId eq 'O''Hara'"), 0],
    'by part of the address' => ['$filter='.rawurlencode("contains(tolower(UnparsedAddress),'upper quoin')"), 2],
    'the first three' => ['$top=3', 3],
]);

it('answers nobody without a token, and nothing it does not understand', function (string $path, bool $withToken, int $expected) {
    $env = settings();
    [$status] = ask($env['UNANIMUS_EXCHANGE_URL'].$path, $withToken ? ['Authorization: Bearer '.$env['UNANIMUS_EXCHANGE_TOKEN']] : []);
    expect($status)->toBe($expected);
})->with([['/odata/Property', false, 401], ['/odata/Member', true, 404], ['/odata/Property?$filter=nonsense', true, 400]]);

it('stamps a digest over HTTP, and refuses what is no request', function () {
    $app = new Container();
    $app->instance(Factory::class, new Factory());
    Facade::setFacadeApplication($app);
    $url = settings()['UNANIMUS_STAMPS_URL'];
    $digest = hash('sha256', 'a document', true);
    expect((new HttpTimeStamps($url))->stamp($digest))
        ->toContain($digest)
        ->and(ask($url, ['Content-Type: text/plain'], 'hello')[0])
        ->toBe(400)
        ->and(fn () => (new HttpTimeStamps('http://127.0.0.1:9'))->stamp($digest))
        ->toThrow(StampUnavailable::class, 'does not answer');
});

it('shows every letter as its recipient sees it, and never runs what stands in one', function () {
    $room = settings()['UNANIMUS_POST_ROOM_URL'];
    $folder = testState().'/mail/out';
    file_put_contents(
        "{$folder}/20260101000000.000000-00000001.eml",
        "From: a@b.example\r\nTo: mallory@client.example\r\nSubject: <script>alert(1)</script>\r\n\r\n<script>alert(2)</script> ".
            "http://127.0.0.1/x\r\n",
    );
    [, $list] = ask("{$room}/?to=mallory");
    [, $letter] = ask("{$room}/letters/20260101000000.000000-00000001");
    unlink("{$folder}/20260101000000.000000-00000001.eml");
    expect($list)
        ->toContain('&lt;script&gt;')
        ->not->toContain('<script>')
        ->and($letter)
        ->not->toContain('<script>')
        ->toContain('href="http://127.0.0.1/x"')
        ->and(ask("{$room}/letters/../../../secrets/app_key")[0])
        ->toBe(404)
        ->and(ask("{$room}/letters/20260101000000.000000-00000001/0")[0])
        ->toBe(404);
});

it('sends a letter in with its attachment, to the inbox', function () {
    $room = settings()['UNANIMUS_POST_ROOM_URL'];
    $subject = 'Survey '.bin2hex(random_bytes(4));
    $file = (string) tempnam(sys_get_temp_dir(), 'survey');
    file_put_contents($file, '%PDF-1.4 sample');
    $handle = curl_init("{$room}/send");
    curl_setopt_array($handle, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_POSTFIELDS => [
            'from' => 'nadia.petrov@anchorfield.example',
            'subject' => $subject,
            'text' => 'Attached.',
            'attachment' => new CURLFile($file, 'application/pdf', 'survey.pdf'),
        ],
    ]);
    expect((string) curl_exec($handle))->toContain('The letter is in the inbox.');
    unlink($file);
    $this->signIn('fenna')->visit('/office/inbox')->seeText($subject)->seeText('survey.pdf');
});
