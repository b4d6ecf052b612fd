<?php

declare(strict_types=1);

use Tests\Support\OpensslStamps;
use Unanimus\Evidence\Der;
use Unanimus\Evidence\EvidenceRecord;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealBroken;
use Unanimus\Evidence\SealCheck;
use Unanimus\Evidence\SigningKey;
use Unanimus\Evidence\StampRequest;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Evidence\Vouchers;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;

function sealedSample(): string
{
    static $sealed = null;
    $pages = [(new Drawing(612, 792))->text(72, 100, 20, 'Signed paper'), (new Drawing(612, 792))->text(72, 100, 20, 'Second page')];

    return $sealed ??= (new Seal(
        SigningKey::fromPem((string) file_get_contents(authority().'/seal.pem')),
        new OpensslStamps(authority()),
        'Quillmark Realty',
    ))->over(press()->print($pages), new DateTimeImmutable());
}

function pdfsig(string $pdf): string
{
    $scratch = new Scratch();

    return (new NativeTool())->run(['pdfsig', $scratch->put('a.pdf', $pdf)], accept: [0, 1, 2]);
}

it('seals a PDF that pdfsig calls valid and whole', function () {
    expect(pdfsig(sealedSample()))
        ->toContain('Signature is Valid')
        ->toContain('Total document signed')
        ->toContain('ETSI.CAdES.detached')
        ->toContain('Quillmark Realty Document Seal')
        ->and(isClean(sealedSample()))
        ->toBeTrue()
        ->and(textOf(sealedSample()))
        ->toContain('Second page');
});

it('verifies its own seal and knows when it was made', function () {
    $check = SealCheck::of(sealedSample(), ourRoots());
    expect($check->answer)
        ->toBe(SealAnswer::Holds)
        ->and($check->sentence)
        ->toContain('Quillmark Realty Document Seal')
        ->toContain('Local Authority')
        ->and(abs(time() - (int) strtotime((string) $check->sealedAt)))
        ->toBeLessThan(600);
});

it('finds any changed byte, wherever it is', function () {
    mt_srand(23);
    $sealed = sealedSample();
    foreach ([20, 300, strlen($sealed) - 10, ...array_map(static fn () => mt_rand(10, strlen($sealed) - 1), range(1, 14))] as $at) {
        $changed = $sealed;
        $changed[$at] = chr((ord($changed[$at]) + 1) % 256);
        expect(SealCheck::of($changed, ourRoots())->answer->isOurs())->toBeFalse("byte {$at}");
    }
});

it('says no through pdfsig after one changed byte of the page', function () {
    $changed = sealedSample();
    $at = (int) strpos($changed, 'stream') + 20;
    $changed[$at] = chr((ord($changed[$at]) + 1) % 256);
    expect(pdfsig($changed))->not->toContain('Signature is Valid');
});

it('finds what is added after the seal', function () {
    expect(SealCheck::of(sealedSample()."\n", ourRoots())->answer)
        ->toBe(SealAnswer::AddedTo)
        ->and(SealCheck::of(sealedSample().sealedSample(), ourRoots())->answer->isOurs())
        ->toBeFalse();
});

it('finds what is hidden in the room of the signature', function () {
    $sealed = sealedSample();
    preg_match('~/ByteRange\s*\[\s*\d+\s+(\d+)\s+(\d+)~', $sealed, $m);
    $sealed[(int) $m[2] - 3] = '1';
    $check = SealCheck::of($sealed, ourRoots());
    expect($check->answer)->toBe(SealAnswer::Changed)->and($check->sentence)->toContain('hidden behind it');
});

it('says that an unsealed PDF has no seal', function () {
    expect(SealCheck::of(press()->print([new Drawing(612, 792)]), ourRoots()))->toMatchObject([
        'answer' => SealAnswer::NotSealed,
        'sentence' => 'There is no seal in this file.',
    ]);
});

it('makes no seal without a time stamp', function () {
    $none = new class implements TimeStamps
    {
        public function stamp(string $digest): string
        {
            throw new StampUnavailable('no authority');
        }
    };
    (new Seal(SigningKey::fromPem((string) file_get_contents(authority().'/seal.pem')), $none, 'X'))->over(
        press()->print([new Drawing(612, 792)]),
        new DateTimeImmutable(),
    );
})->throws(StampUnavailable::class);

it('takes only answers to its own time-stamp request', function (string $answer) {
    StampRequest::over(hash('sha256', 'x', true))->tokenIn($answer);
})
    ->with([
        'empty' => [''],
        'nonsense' => ['nonsense'],
        'a refusal' => ["\x30\x05\x30\x03\x02\x01\x02"],
        'cut off' => ["\x30\x03\x30\x01\x00"],
    ])
    ->throws(StampUnavailable::class);

it('refuses another document\'s time stamp', function () {
    $stamps = new OpensslStamps(authority());
    $token = $stamps->stamp(hash('sha256', 'one', true));
    $answer = Der::sequence(Der::sequence(Der::integer(0)), $token);
    StampRequest::over(hash('sha256', 'two', true))->tokenIn($answer);
})->throws(StampUnavailable::class, 'another request');

it('refuses a key file without a key', fn () => SigningKey::fromPem('nothing here'))->throws(SealBroken::class);

it('writes DER as the standard asks', function (string $der, string $hex) {
    expect(bin2hex($der))->toBe($hex);
})->with([
    [fn () => Der::integer(0), '020100'],
    [fn () => Der::integer(128), '02020080'],
    [fn () => Der::integer(65537), '0203010001'],
    [fn () => Der::oid('1.2.840.113549.1.7.2'), '06092a864886f70d010702'],
    [fn () => Der::octets(str_repeat('a', 200)), '0481c8'.str_repeat('61', 200)],
    [fn () => Der::set(Der::integer(2), Der::integer(1)), '3106020101020102'],
]);

it('reads no element past its end', fn () => Der::read("\x30\x82\xff\xffab"))->throws(SealBroken::class);

it('writes an evidence record of any length onto pages', function () {
    $events = array_map(
        static fn (int $n) => [
            'at' => '23 Nov 2026, 10:00:00',
            'who' => 'Sunniva Eide',
            'what' => "Made a mark: initials, page {$n}",
            'from' => '127.0.0.1',
        ],
        range(1, 150),
    );
    $record = new EvidenceRecord(
        '01TEST',
        '14 Lanternfish Lane: Purchase agreement',
        [['title' => 'Purchase agreement', 'pages' => 8, 'sha256' => str_repeat('ab', 32)]],
        [
            [
                'name' => 'José Nguyễn-Ortiz',
                'seat' => 'buyer 2',
                'known' => 'known by a link sent to jose@eide.example',
                'agreed' => 'now',
                'finished' => 'later',
            ],
        ],
        $events,
        'America/New_York',
    );
    $pages = $record->pages();
    $text = textOf(press()->print($pages));
    expect(count($pages))
        ->toBeGreaterThan(2)
        ->and($text)
        ->toContain('José Nguyễn-Ortiz')
        ->toContain('page 150')
        ->toContain(str_repeat('ab', 32));
});

it('leaves nothing of an event out of the record, however long its words are', function () {
    $where = 'Made a mark: signature, Addendum about the sale of the buyers’ own home and what comes before it, page 12';
    $record = new EvidenceRecord(
        '01TEST',
        'A file',
        [],
        [],
        array_fill(0, 90, [
            'at' => '23 Nov 2026, 18:05:36',
            'who' => 'Wilhelmina Mwamba-Wollstonecraft of Westworth',
            'what' => $where,
            'from' => '2001:0db8:85a3:0000:0000:8a2e:0370:7334',
        ]),
        'America/New_York',
    );
    $pages = $record->pages();
    $scratch = new Scratch();
    $text = (string) preg_replace(
        '/\s+/',
        ' ',
        (new NativeTool())->run(['pdftotext', '-raw', $scratch->put('record.pdf', press()->print($pages)), '-']),
    );
    preg_match_all('/ page 12\b/', $text, $ends);
    expect(count($ends[0]))
        ->toBe(90)
        ->and($text)
        ->not->toContain('…')
        ->and(str_replace(' ', '', $text))
        ->toContain('2001:0db8:85a3:0000:0000:8a2e:0370:7334')
        ->and(substr_count(str_replace(' ', '', $text), 'ofWestworth'))
        ->toBe(90);
});

it('carries what vouches for it under the seal: certificates and lists of revoked ones', function () {
    $own = (string) file_get_contents(authority().'/vouchers.pem');
    $vouchers = Vouchers::of([$own, 'nothing of use', "-----BEGIN X509 CRL-----\n\n-----END X509 CRL-----"]);
    expect($vouchers->certificates)->toHaveCount(2)->and($vouchers->revoked)->toHaveCount(1)->and($vouchers->isEmpty())->toBeFalse();
    $key = SigningKey::fromPem((string) file_get_contents(authority().'/seal.pem'));
    $sealed = (new Seal($key, new OpensslStamps(authority()), 'Quillmark Realty', $vouchers))->over(
        press()->print([(new Drawing(612, 792))->text(72, 100, 20, 'Signed paper')]),
        new DateTimeImmutable(),
    );
    expect(pdfsig($sealed))->toContain('Signature is Valid')->toContain('Total document signed')
        ->and(SealCheck::of($sealed, ourRoots())->answer)->toBe(SealAnswer::Holds);
    $scratch = new Scratch();
    $look = PdfLook::into($scratch->put('sealed.pdf', $sealed), gate: false);
    [, $root] = $look->catalog();
    $store = $look->resolve($root->{'/DSS'});
    // The seal's own, the root, the time stamp's.
    expect($store->{'/Certs'})->toHaveCount(3)->and($store->{'/CRLs'})->toHaveCount(1);
    $list = $scratch->put('list.crl', $vouchers->revoked[0]);
    $read = ['openssl', 'crl', '-inform', 'DER', '-in', $list, '-noout', '-issuer', '-CAfile', authority().'/root.crt'];
    expect((new NativeTool())->run($read))
        ->toContain('Local Authority');
    [, $bare] = PdfLook::into($scratch->put('bare.pdf', sealedSample()), gate: false)->catalog();
    expect(isset($bare->{'/DSS'}))->toBeFalse()->and(Vouchers::of([])->isEmpty())->toBeTrue();
});
