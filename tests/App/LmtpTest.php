<?php

declare(strict_types=1);

use App\Files\MailAddress;
use App\Intake\LmtpServer;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** What a mail server says in one go (RFC 2920), and what is answered to it. */
function bringByLmtp(string $said, string $token = ''): string
{
    $listening = stream_socket_server('tcp://127.0.0.1:0');
    $client = stream_socket_client('tcp://'.stream_socket_get_name($listening, false));
    stream_set_blocking($client, false);
    fwrite($client, $said);
    $heard = '';
    app(LmtpServer::class)->serve($listening, function () use ($client, &$heard): bool {
        $heard .= (string) stream_get_contents($client);

        return ! str_contains($heard, '221 ') && ! feof($client);
    }, $token);
    fclose($client);

    return $heard;
}

function lmtpLetter(string $id, string ...$to): string
{
    $for = implode('', array_map(fn (string $one) => "RCPT TO:<{$one}>\r\n", $to));

    return "MAIL FROM:<nadia@anchorfield.example>\r\n{$for}DATA\r\nFrom: nadia@anchorfield.example\r\nSubject: Title commitment\r\n".
        "Message-ID: <{$id}>\r\n\r\nAttached.\r\n.\r\n";
}

it('takes mail from a mail server, knows whose file it is for, and takes the same message once', function () {
    $this->as('tomas');
    $file = $this->aFile();
    $address = MailAddress::of($file);
    $twice = lmtpLetter('lmtp-1@x', $address).lmtpLetter('lmtp-1@x', $address);
    $answers = bringByLmtp("LHLO mx.example\r\n{$twice}QUIT\r\n");
    expect(preg_match_all('/^250 2\.0\.0 Kept/m', $answers))->toBe(2);
    $this->seeAll();
    $item = InboundItem::query()->sole();
    expect($item->subject)->toBe('Title commitment')
        ->and($item->guessed_file)->toBe($file->id)
        ->and($item->brokerage_id)->toBe($file->brokerage_id);
});

it('gives each brokerage its own letter, and tells none of the other’s addresses', function () {
    $this->as('tomas');
    $file = $this->aFile();
    $this->seeAll();
    $stranger = anotherOne();
    $theirs = DB::table('users')->where('id', $stranger->id)->value('mail_code');
    $answers = bringByLmtp("LHLO mx.example\r\n".lmtpLetter('lmtp-2@x', MailAddress::of($file), "them.{$theirs}@papers.example").
        "MAIL FROM:<>\r\nRCPT TO:<papers@papers.example>\r\nQUIT\r\n");
    expect(preg_match_all('/^250 2\.0\.0 Kept/m', $answers))->toBe(2)
        // With several brokerages an address that ends in no code is nobody's.
        ->and($answers)->toContain('550 5.1.1');
    $sent = fn (int $brokerage): string => Sight::within($brokerage, fn () => implode(' ', InboundItem::query()->sole()->recipients));
    expect($sent($file->brokerage_id))
        ->toContain((string) $file->mail_code)
        ->not->toContain((string) $theirs)
        ->and($sent($stranger->brokerage_id))
        ->toContain((string) $theirs)
        ->not->toContain((string) $file->mail_code);
});

it('has the mail server keep what could not be kept', function () {
    $this->as('tomas');
    $address = MailAddress::of($this->aFile());
    config(['unanimus.bytes.folder' => '/proc/nowhere']);
    app()->forgetInstance(Bytes::class);
    $answers = bringByLmtp("LHLO mx.example\r\n".lmtpLetter('lmtp-3@x', $address)."QUIT\r\n");
    expect($answers)->toMatch('/^45[12] 4/m')->not->toContain('Kept');
});

it('needs a place to listen', function () {
    config(['unanimus.intake.lmtp' => '']);
    expect(Artisan::call('mail:lmtp'))->toBe(1)->and(Artisan::call('mail:lmtp', ['--listen' => 'unix:/nowhere/at/all']))->toBe(1);
});
