<?php

declare(strict_types=1);

use Unanimus\Intake\LmtpAnswer;
use Unanimus\Intake\LmtpSession;

/** @return array{string, list<array{string, list<string>, string}>} all that was answered, and what was kept */
function lmtpTalk(string $said, ?Closure $keep = null, ?Closure $knows = null): array
{
    $kept = [];
    $session = new LmtpSession('papers.example', $knows ?? fn () => true, function (...$message) use (&$kept, $keep): LmtpAnswer {
        $kept[] = $message;

        return $keep === null ? LmtpAnswer::Kept : $keep(...$message);
    });
    $answers = $session->greeting();
    foreach (preg_split('/(?<=\n)/', $said, -1, PREG_SPLIT_NO_EMPTY) as $line) {
        $session->isOver() || ($answers .= $session->hear($line));
    }

    return [$answers, $kept];
}

/** @return list<string> the codes that were answered */
function lmtpCodes(string $answers): array
{
    preg_match_all('/^(\d{3}) (?:\d\.\d\.\d)?/m', $answers, $codes);

    return $codes[1];
}

it('takes a message and answers once for each it is for', function () {
    [$answers, $kept] = lmtpTalk("LHLO mx\r\nMAIL FROM:<nadia@anchorfield.example> SIZE=40\r\nRCPT TO:<one@papers.example>\r\n".
        "RCPT TO:<two@papers.example>\r\nDATA\r\nSubject: Survey\r\n\r\n..a dot\r\n.\r\nQUIT\r\n");
    expect($answers)
        ->toContain('250-PIPELINING')
        ->and(lmtpCodes($answers))
        ->toBe(['220', '250', '250', '250', '250', '354', '250', '250', '221'])
        ->and($kept)
        ->toBe([['nadia@anchorfield.example', ['one@papers.example', 'two@papers.example'], "Subject: Survey\r\n\r\n.a dot\r\n"]]);
});

it('says on top who sent it and whom it was for', function () {
    expect(LmtpSession::withEnvelope('', ['one@papers.example', 'two@papers.example'], "Subject: x\r\n"))
        ->toBe("Return-Path: <>\r\nDelivered-To: one@papers.example\r\nDelivered-To: two@papers.example\r\nSubject: x\r\n");
});

it('is told later what it could not keep, and takes the next', function (LmtpAnswer $answer, string $code) {
    $one = "MAIL FROM:<>\r\nRCPT TO:<one@papers.example>\r\nDATA\r\nSubject: x\r\n\r\nx\r\n.\r\n";
    [$answers, $kept] = lmtpTalk("LHLO mx\r\n{$one}{$one}", fn () => $answer);
    expect(lmtpCodes($answers))->toBe(['220', '250', '250', '250', '354', $code, '250', '250', '354', $code])->and($kept)->toHaveCount(2);
})->with([
    'kept' => [LmtpAnswer::Kept, '250'],
    'later' => [LmtpAnswer::Later, '451'],
    'full' => [LmtpAnswer::Full, '452'],
]);

it('refuses what is out of order or not meant for anybody here', function (string $said, array $codes) {
    [$answers, $kept] = lmtpTalk($said, knows: fn (string $address) => $address === 'one@papers.example');
    expect(lmtpCodes($answers))->toBe(['220', ...$codes])->and($kept)->toBe([]);
})->with([
    'SMTP' => ["EHLO mx\r\nHELO mx\r\n", ['500', '500']],
    'nobody greeted' => ["MAIL FROM:<a@b.example>\r\n", ['503']],
    'a greeting without a name' => ["LHLO \r\nMAIL FROM:<a@b.example>\r\n", ['501', '503']],
    'no sender' => ["LHLO mx\r\nRCPT TO:<one@papers.example>\r\n", ['250', '503']],
    'a sender that is none' => ["LHLO mx\r\nMAIL FROM: a@b.example\r\n", ['250', '501']],
    'two senders' => ["LHLO mx\r\nMAIL FROM:<a@b.example>\r\nMAIL FROM:<a@b.example>\r\n", ['250', '250', '503']],
    'nobody known' => ["LHLO mx\r\nMAIL FROM:<>\r\nRCPT TO:<two@papers.example>\r\nDATA\r\n", ['250', '250', '550', '503']],
    'an address that is none' => ["LHLO mx\r\nMAIL FROM:<>\r\nRCPT TO:<two>\r\n", ['250', '250', '501']],
    'too large' => ["LHLO mx\r\nMAIL FROM:<> SIZE=62914561\r\n", ['250', '552']],
    'as large as may be' => ["LHLO mx\r\nMAIL FROM:<> SIZE=62914560\r\n", ['250', '250']],
    'a size without end' => ["LHLO mx\r\nMAIL FROM:<> SIZE=9999999999999999999999\r\n", ['250', '552']],
    'no message' => ["LHLO mx\r\nMAIL FROM:<>\r\nRCPT TO:<one@papers.example>\r\nDATA\r\n\r\n.\r\n", ['250', '250', '250', '354', '554']],
    'begun anew' => ["LHLO mx\r\nMAIL FROM:<>\r\nRCPT TO:<one@papers.example>\r\nRSET\r\nDATA\r\n", ['250', '250', '250', '250', '503']],
    'noise' => ["\r\nWHAT\r\nNOOP\r\nVRFY x\r\n".str_repeat('x', 3000)."\r\n", ['500', '500', '250', '252', '500']],
]);

it('hears a message that is too large to its end, and does not keep it', function () {
    $line = str_repeat('x', 1022)."\r\n";
    $session = new LmtpSession('papers.example', fn () => true, fn () => throw new LogicException('It is not kept.'));
    foreach (["LHLO mx\r\n", "MAIL FROM:<>\r\n", "RCPT TO:<one@papers.example>\r\n", "DATA\r\n"] as $one) {
        $session->hear($one);
    }
    for ($i = 0; $i <= LmtpSession::LARGEST / 1024 + 1; $i++) {
        $session->hear($line);
    }
    expect($session->isReceiving())->toBeTrue()
        ->and($session->hear(".\r\n"))->toStartWith('552')
        ->and($session->isReceiving())->toBeFalse()
        ->and($session->hear("NOOP\r\n"))->toStartWith('250');
});

it('takes no more than a hundred at once', function () {
    $said = "LHLO mx\r\nMAIL FROM:<>\r\n".str_repeat("RCPT TO:<one@papers.example>\r\n", 101);
    expect(array_count_values(lmtpCodes(lmtpTalk($said)[0])))->toBe([220 => 1, 250 => 102, 452 => 1]);
});
