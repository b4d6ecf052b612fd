<?php

declare(strict_types=1);

use Unanimus\Intake\MailPart;
use Unanimus\Intake\MailReader;
use Unanimus\Intake\ReceivedMail;
use Unanimus\Intake\SenderProof;
use Unanimus\Pages\Scratch;

/** A letter from headers and parts; each part its headers and what stands in it. @param  list<array{string, string}>  $parts */
function letterOf(string $head, array $parts, string $kind = 'mixed'): string
{
    // Each letter has an edge of its own, also one inside another.
    $edge = 'edge-'.hash('crc32b', $head.json_encode($parts, JSON_INVALID_UTF8_SUBSTITUTE));
    $body = implode('', array_map(static fn (array $part) => "--{$edge}\r\n{$part[0]}\r\n\r\n{$part[1]}\r\n", $parts));

    return "{$head}\r\nMIME-Version: 1.0\r\nContent-Type: multipart/{$kind}; boundary={$edge}\r\n\r\nbefore\r\n{$body}--{$edge}--\r\nafter";
}

/** @return array{string, string} a file that comes along */
function along(string $bytes, string $type, string $disposition, string $more = ''): array
{
    return [
        "Content-Type: {$type}\r\nContent-Disposition: {$disposition}\r\nContent-Transfer-Encoding: base64{$more}",
        chunk_split(base64_encode($bytes)),
    ];
}

function picture(int $width, int $height, bool $isBusy = true): string
{
    $image = imagecreatetruecolor($width, $height);
    mt_srand(7);
    for ($n = 0; $isBusy && $n < $width * $height / 12; $n++) {
        imagesetpixel($image, mt_rand(0, $width - 1), mt_rand(0, $height - 1), mt_rand(0, 0xFFFFFF));
    }
    ob_start();
    imagepng($image);

    return (string) ob_get_clean();
}

/** @return list<string> */
function told(ReceivedMail $mail): array
{
    return array_map(static fn (MailPart $one) => "{$one->name} {$one->type}".($one->paper ? ' paper' : ''), $mail->attachments);
}

const PDF = "%PDF-1.4\n%âãÏÓ\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n";

it('reads who wrote to whom, when and what, in any charset', function () {
    $mail = MailReader::read(
        "From: =?iso-8859-1?Q?J=F6rg?= =?iso-8859-1?Q?_Falk?= <joerg@escrow.example>\r\nTo: files@quillmark.example,\r\n ".
            "\"Reyes, Tomas\" <tomas@quillmark.example>\r\nCc: =?utf-8?B?SnVuZSDDhQ==?= <june@a.example>\r\n".
            "Subject: =?utf-8?Q?T=C3=ADtle?=\r\n  commitment\r\n".
            "Date: Fri, 27 Nov 2026 16:05:00 -0500 (EST)\r\nMessage-ID: <a.1@escrow.example>\r\n".
            "Content-Type: text/plain; charset=windows-1252\r\nContent-Transfer-Encoding: quoted-printable\r\n\r\ncaf=E9 =80=\r\n 5\r\n",
    );
    expect($mail->sender)->toBe('Jörg Falk <joerg@escrow.example>')
        ->and($mail->to)->toBe(['files@quillmark.example', 'Reyes, Tomas <tomas@quillmark.example>'])
        ->and($mail->cc)->toBe(['June Å <june@a.example>'])
        ->and($mail->subject)->toBe('Títle commitment')
        ->and($mail->date?->format('c'))->toBe('2026-11-27T16:05:00-05:00')
        ->and($mail->messageId)->toBe('a.1@escrow.example')
        ->and($mail->text)->toBe('café € 5')
        ->and($mail->auto)->toBeFalse()
        ->and($mail->report)->toBeNull()
        ->and(array_keys($mail->toArray()))->toBe(
            ['messageId', 'from', 'to', 'cc', 'delivered', 'subject', 'date', 'text', 'attachments', 'answers', 'auto', 'bounce', 'sender',
                'wiring'],
        );
});

it('tells papers from logos, pixels, calendar entries and cards', function () {
    $html = '<p>Here it is</p><img src="cid:logo@x"><img src=cid:photo@x><img src="cid:small@x">';
    $mail = MailReader::read(letterOf("From: a@b.example\r\nSubject: x", [
        ['Content-Type: text/html; charset=utf-8', $html],
        along(picture(400, 120), 'image/png; name=logo.png', 'inline', "\r\nContent-ID: <logo@x>"),
        along(picture(900, 1200), 'image/png; name=IMG_1.png', 'inline; filename=IMG_1.png', "\r\nContent-ID: <photo@x>"),
        along(picture(640, 640, false), 'image/png; name=portrait.png', 'inline', "\r\nContent-ID: <small@x>"),
        along(picture(400, 300), 'image/png', 'attachment; filename=page.png'),
        along(picture(900, 250), 'image/png', 'attachment; filename=banner.png'),
        along(picture(299, 299), 'image/png', 'attachment; filename=stamp.png'),
        along(PDF, 'application/octet-stream', 'attachment; filename=contract.pdf'),
        along(PDF, 'application/pdf', 'inline; filename=shown.pdf'),
        along("BEGIN:VCALENDAR\r\nEND:VCALENDAR", 'text/calendar; method=REQUEST', 'attachment; filename=invite.ics'),
        along('BEGIN:VCARD', 'text/x-vcard', 'attachment; filename=joerg.vcf'),
        along('{\rtf1 x}', 'application/rtf', 'attachment; filename=letter.rtf'),
        along('<html>', 'text/html', 'attachment; filename=page.html'),
        along('GIF89a', 'image/gif', 'attachment; filename=pixel.gif'),
        along('MZ', 'application/x-msdownload', 'attachment; filename=setup.pdf'),
    ]));
    expect(told($mail))->toBe([
        'logo.png image/png',
        'IMG_1.png image/png paper',
        'portrait.png image/png',
        'page.png image/png paper',
        'banner.png image/png',
        'stamp.png image/png',
        'contract.pdf application/octet-stream paper',
        'shown.pdf application/pdf paper',
        'invite.ics text/calendar',
        'joerg.vcf text/x-vcard',
        'letter.rtf application/rtf paper',
        'page.html text/html',
        'pixel.gif image/gif',
        'setup.pdf application/x-msdownload',
    ])
        ->and($mail->text)->toBe('Here it is')
        ->and(array_map(static fn (MailPart $one) => $one->name, $mail->papers()))->toBe(
            ['IMG_1.png', 'page.png', 'contract.pdf', 'shown.pdf', 'letter.rtf'],
        )
        ->and($mail->attachments[6]->toArray())->toBe([
            'name' => 'contract.pdf',
            'type' => 'application/octet-stream',
            'bytes' => strlen(PDF),
            'sha256' => hash('sha256', PDF),
            'paper' => true,
        ]);
});

it('reads names however they were written', function (string $disposition, string $type, string $name) {
    $mail = MailReader::read(letterOf("From: a@b.example\r\nSubject: x", [along(PDF, $type, $disposition)]));
    expect($mail->attachments[0]->name)->toBe($name)->and($mail->attachments[0]->bytes)->toBe(PDF);
})->with([
    'RFC 2231' => ["attachment; filename*=utf-8''%C3%9Cber%20uns.pdf", 'application/pdf', 'Über uns.pdf'],
    'RFC 2231 in pieces' => ["attachment; filename*0*=utf-8''%C3%9Cber; filename*1=uns.pdf", 'application/pdf', 'Überuns.pdf'],
    'encoded where it may not be' => ['attachment; filename="=?utf-8?B?w5xiZXIucGRm?="', 'application/pdf', 'Über.pdf'],
    'only with the type' => ['attachment', 'application/pdf; name="deed.pdf"', 'deed.pdf'],
    'bytes of no charset' => ["attachment; filename=\"\xDCber.pdf\"", 'application/pdf', 'Über.pdf'],
    'a path' => ['attachment; filename="../../etc/deed.pdf"', 'application/pdf', 'deed.pdf'],
    'a path of Windows' => ['attachment; filename=C:\\Users\\x\\deed.pdf', 'application/pdf', 'deed.pdf'],
    'none' => ['attachment', 'application/pdf', 'attachment-1.pdf'],
    'none, of no known type' => ['attachment', 'application/x-strange', 'attachment-1.bin'],
    'a long one' => ['attachment; filename="'.str_repeat('a', 200).'.pdf"', 'application/pdf', str_repeat('a', 115).'….pdf'],
]);

it('opens letters inside letters, and winmail.dat', function () {
    $inner = letterOf("From: x@y.example\r\nSubject: The contract", [
        ['Content-Type: text/plain', 'inner words'],
        along(PDF, 'application/pdf', 'attachment; filename=inner.pdf'),
    ]);
    $attribute = static fn (int $level, int $id, string $data): string => pack('CVV', $level, $id, strlen($data)).$data.
        pack('v', array_sum(array_map(ord(...), str_split($data))) & 0xFFFF);
    $winmail = pack('Vv', 0x223E9F78, 1).$attribute(1, 0x00089006, pack('V', 0x00010000)).$attribute(2, 0x00069002, str_repeat("\0", 14)).
        $attribute(2, 0x00018010, "deed.pdf\0").$attribute(2, 0x0006800F, PDF);
    $mail = MailReader::read(letterOf("From: a@b.example\r\nSubject: Fwd", [
        ['Content-Type: text/plain', 'see below'],
        ["Content-Type: message/rfc822\r\nContent-Disposition: attachment", $inner],
        along($winmail, 'application/ms-tnef; name=winmail.dat', 'attachment; filename=winmail.dat'),
        along('no tnef', 'application/ms-tnef', 'attachment; filename=winmail2.dat'),
    ]));
    expect(told($mail))->toBe([
        'The contract.eml message/rfc822',
        'inner.pdf application/pdf paper',
        'winmail.dat application/ms-tnef',
        'deed.pdf application/pdf paper',
        'winmail2.dat application/ms-tnef',
    ])->and($mail->text)->toBe('see below');
    // However deep they go, reading ends.
    $deep = $inner;
    for ($n = 0; $n < 12; $n++) {
        $deep = letterOf("Subject: level {$n}", [['Content-Type: message/rfc822', $deep]]);
    }
    expect(count(MailReader::read($deep)->attachments))->toBe(7);
});

/** @param  array<string, string>  $files  by name */
function packed(array $files, string $password = ''): string
{
    $scratch = new Scratch();
    $path = $scratch->path('packed.zip');
    $zip = new ZipArchive();
    $zip->open($path, ZipArchive::CREATE);
    foreach ($files as $name => $bytes) {
        $zip->addFromString($name, $bytes);
        $password === '' || $zip->setEncryptionName($name, ZipArchive::EM_AES_256, $password);
    }
    $zip->close();

    return (string) file_get_contents($path);
}

it('unpacks a ZIP, and nothing that was made to do harm or is a file of its own', function () {
    $of = fn (string $zip, string $name = 'closing.zip') => told(MailReader::read(letterOf("From: a@b.example\r\nSubject: Closing", [
        ['Content-Type: text/plain', 'packed'],
        along($zip, 'application/zip', "attachment; filename={$name}"),
    ])));
    $papers = packed([
        'Deed.pdf' => PDF, 'sub/Title search.pdf' => PDF, '__MACOSX/._Deed.pdf' => PDF, 'more.zip' => packed(['x.pdf' => PDF]),
        '../../up.pdf' => PDF, 'notes.txt' => 'see the deed', 'empty.pdf' => '',
    ]);
    expect($of($papers))->toBe([
        'closing.zip application/zip', 'Deed.pdf application/pdf paper', 'Title search.pdf application/pdf paper',
        'up.pdf application/pdf paper', 'notes.txt text/plain',
    ])
        ->and($of(packed(['Deed.pdf' => PDF], 'secret')))->toBe(['closing.zip application/zip'])
        ->and($of(substr($papers, 0, 60)))->toBe(['closing.zip application/zip'])
        ->and($of(packed(['bomb.pdf' => str_repeat(' ', 41_000_000), 'Deed.pdf' => PDF])))
        ->toBe(['closing.zip application/zip', 'Deed.pdf application/pdf paper'])
        ->and($of(packed(['[Content_Types].xml' => '<x/>', 'xl/media/a.pdf' => PDF]), 'table.xlsx'))->toBe(['table.xlsx application/zip']);
});

it('knows what a program wrote, and what came back', function (string $head, bool $auto) {
    expect(MailReader::read("From: a@b.example\r\n{$head}\r\n\r\nbody")->auto)->toBe($auto);
})->with([
    ['Subject: hello', false],
    ['Auto-Submitted: no', false],
    ['Auto-Submitted: auto-replied', true],
    ['Auto-Submitted: auto-generated; x=y', true],
    ['Precedence: bulk', false],
    ['Precedence: auto_reply', true],
    ['X-Autoreply: yes', true],
    ['X-Autorespond: away', true],
    ['X-Auto-Response-Suppress: OOF', false],
    ['X-Auto-Response-Suppress: All', true],
    ['Subject: Automatic reply: your offer', true],
    ['Subject: Out of office until Monday', true],
    ['Subject: Out of the ordinary', false],
]);

it('reads a report of what could not be delivered', function () {
    $mail = MailReader::read(letterOf("From: MAILER-DAEMON@mx.example\r\nSubject: Undelivered", [
        ['Content-Type: text/plain', 'Sorry.'],
        ['Content-Type: message/delivery-status', "Reporting-MTA: dns; mx\r\n\r\nFinal-Recipient: rfc822; jose@eide.example\r\n".
            "Action: failed\r\nStatus: 5.1.1\r\n"],
        ['Content-Type: message/rfc822', "Message-ID: <letter-1@quillmark.example>\r\nSubject: x\r\n\r\nbody"],
    ], 'report; report-type=delivery-status'));
    expect($mail->toArray()['bounce'])->toBe([
        'recipient' => 'jose@eide.example',
        'because' => 'there is no such mailbox',
        'messageId' => 'letter-1@quillmark.example',
    ])->and($mail->auto)->toBeTrue()->and($mail->attachments)->toBe([]);
});

it('asks whether the sender was proved of the receiving server alone', function (string $header, array $proof) {
    expect(SenderProof::of($header, ['mx'])->toArray())->toBe(array_combine(['spf', 'dkim', 'dmarc', 'proved'], $proof));
})->with([
    ['', ['', '', '', false]],
    ['mx; spf=pass smtp.mailfrom=x; dkim=pass header.d=x; dmarc=pass header.from=x', ['pass', 'pass', 'pass', true]],
    ['mx; spf=softfail; dkim=none (dmarc=pass); dmarc=fail', ['softfail', 'none', 'fail', false]],
    ['mx; dkim=fail header.d=a; dkim=pass header.d=b; SPF=Pass', ['pass', 'pass', '', false]],
    ['mx; none', ['', '', '', false]],
]);

it('takes only the results on top for those of the receiving server', function () {
    $results = "Authentication-Results: mx.own; dmarc=fail\r\nAuthentication-Results: mx.own; dmarc=pass\r\n";
    expect(MailReader::read("{$results}From: a@b.example\r\n\r\nx", ['mx.own'])->proof->isProved())->toBeFalse();
    // What the sender may have written is not believed, whatever it says.
    $own = "Authentication-Results: mx.own; dmarc=pass\r\nFrom: a@b.example\r\n\r\nx";
    expect(MailReader::read($own)->proof->isProved())->toBeFalse()
        ->and(MailReader::read($own, ['other'])->proof->isProved())->toBeFalse()
        ->and(MailReader::read($own, ['mx.own'])->proof->isProved())->toBeTrue();
});

it('hears when a letter speaks of another account', function (string $text, bool $speaks) {
    expect(MailReader::read("From: a@b.example\r\nSubject: x\r\n\r\n{$text}")->speaksOfWiring())->toBe($speaks);
})->with([
    ['Our wiring instructions have changed, see below.', true],
    ['Please use the updated bank details for the closing.', true],
    ['Here is the new account number for the wire.', true],
    ['The wire instructions are attached.', true],
    ['The wiring in the house was changed in 1990.', false],
    ['Nuestras instrucciones de transferencia han cambiado.', true],
    ['Use la nueva cuenta bancaria para el cierre.', true],
    ['La cuenta del agua va adjunta.', false],
    ['Thank you for the payment.', false],
]);

it('reads whatever is broken as far as it goes', function () {
    mt_srand(3);
    $whole = letterOf("From: a@b.example\r\nSubject: =?utf-8?B?w5w=?=", [
        ['Content-Type: text/plain; charset=no-such', "caf\xE9"],
        along(PDF, 'application/pdf', 'attachment; filename=a.pdf'),
    ]);
    for ($n = 0; $n < 150; $n++) {
        $broken = $whole;
        for ($cut = 0; $cut < 6; $cut++) {
            $at = mt_rand(0, strlen($broken) - 2);
            $broken = substr($broken, 0, $at).chr(mt_rand(0, 255)).substr($broken, $at + mt_rand(0, 30));
        }
        $mail = MailReader::read(mt_rand(0, 3) === 0 ? substr($broken, 0, (int) (strlen($broken) / 2)) : $broken);
        expect(json_encode($mail->toArray()))->toBeString()->and(strlen($mail->messageId))->toBeGreaterThan(0);
    }
    $noEdge = "Content-Type: multipart/mixed; boundary=\r\n\r\n--\r\n";
    foreach (['', "\r\n\r\n", "\0\0", 'From:', str_repeat("a\r\n", 4000), $noEdge] as $odd) {
        expect(MailReader::read($odd)->attachments)->toBe([]);
    }
});

it('knows a blind copy by what the servers on the way wrote', function () {
    $mail = MailReader::read(
        "Return-Path: <tomas@quillmark.example>\r\nDelivered-To: 14-lanternfish.k7mq2xpa@papers.example\r\n".
            "X-Original-To: <14-Lanternfish.k7mq2xpa@papers.example>\r\nDelivered-To: no one in particular\r\n".
            "Received: from a by b\r\nFrom: tomas@quillmark.example\r\nTo: June Falk <june@a.example>\r\n".
            "Envelope-To: june@a.example\r\n\r\nHere it is.\r\n",
    );
    expect($mail->to)->toBe(['June Falk <june@a.example>'])
        ->and($mail->delivered)->toBe(['14-lanternfish.k7mq2xpa@papers.example', 'june@a.example'])
        ->and($mail->recipients())->toBe(['June Falk <june@a.example>', '14-lanternfish.k7mq2xpa@papers.example'])
        ->and($mail->codes())->toBe(['k7mq2xpa']);
});

it('knows what came back also where a mail system says so in words alone', function () {
    $raw = fn (string $from, string $said) => str_replace("\n", "\r\n", <<<MAIL
        Return-Path: <>
        From: {$from}
        To: files@quillmark.example
        Subject: failure notice
        Content-Type: text/plain

        I was not able to deliver your message to the following addresses.
        {$said}

        --- Below this line is a copy of the message.

        Message-Id: <abc@files.example>
        Subject: Please sign
        MAIL);
    $gone = MailReader::read($raw('MAILER-DAEMON@mx.example', "<ilse@eide.example>:\n550 5.1.1 no such user"));
    expect($gone->auto)->toBeTrue()->and($gone->report?->toArray())->toBe([
        'recipient' => 'ilse@eide.example', 'because' => 'there is no such mailbox', 'messageId' => 'abc@files.example',
    ]);
    $told = MailReader::read($raw('MAILER-DAEMON@mx.example', "<ilse@eide.example>:\n552 mailbox over quota"));
    expect($told->report?->because)->toBe('mailbox over quota');
    $later = MailReader::read($raw('MAILER-DAEMON@mx.example', "<ilse@eide.example>:\n451 try again later"));
    expect($later->report)->toBeNull()->and($later->auto)->toBeTrue();
});

it('reads words whose way of writing is not said as what they can only be', function () {
    $mail = MailReader::read("From: a@b.example\r\nSubject: A\u{F1}o\r\n\r\nSe\u{F1}ora, hasta ma\u{F1}ana.\r\n");
    $older = MailReader::read("From: a@b.example\r\nContent-Type: text/plain; charset=windows-1252\r\n\r\nSe\xF1ora\r\n");
    expect($mail->text)->toBe("Se\u{F1}ora, hasta ma\u{F1}ana.")->and($older->text)->toBe("Se\u{F1}ora");
});

it('knows what came back by headers under a name of their own', function () {
    $mail = MailReader::read(str_replace("\n", "\r\n", <<<'MAIL'
        From: MAILER-DAEMON@mx.example
        Subject: Undelivered
        MIME-Version: 1.0
        Content-Type: multipart/report; report-type=delivery-status; boundary=b

        --b
        Content-Type: message/delivery-status

        Reporting-MTA: dns; mx.example

        Final-Recipient: rfc822; ilse@eide.example
        Action: failed
        Status: 5.1.1
        --b
        Content-Type: message/rfc822-headers

        Message-ID: <abc@files.example>
        --b--
        MAIL));
    expect($mail->report?->recipient)->toBe('ilse@eide.example')->and($mail->report?->messageId)->toBe('abc@files.example');
});

it('takes files out of the words that older mail programs wrote them into', function () {
    $pdf = "%PDF-1.4\n".str_repeat("a paper of some length \0\xFF\n", 40).'%%EOF';
    $coded = rtrim(convert_uuencode($pdf));
    $read = fn (string $said) => MailReader::read(str_replace("\n", "\r\n", "From: a@b.example\nMIME-Version: 1.0\n"
        ."Content-Type: text/plain; charset=us-ascii\n\n{$said}\n"));
    $mail = $read("Attached.\n\nbegin 644 deed.pdf\n{$coded}\nend\n\nRegards");
    expect($mail->text)->toBe("Attached.\n\n\nRegards")->and($mail->attachments)->toHaveCount(1)
        ->and($mail->attachments[0]->name)->toBe('deed.pdf')->and($mail->attachments[0]->bytes)->toBe($pdf)
        ->and($mail->attachments[0]->paper)->toBeTrue();
    // Words that only look so stay words.
    $said = "begin 644 things to do\nCall escrow today, before they close.\nend";
    expect($read($said)->text)->toBe($said)->and($read($said)->attachments)->toBe([]);
    $open = "begin 644 deed.pdf\n{$coded}";
    expect($read($open)->attachments)->toBe([])->and($read($open)->text)->toStartWith('begin 644 deed.pdf');
});
