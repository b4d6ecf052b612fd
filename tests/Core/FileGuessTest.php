<?php

declare(strict_types=1);

use Unanimus\Intake\FileGuess;
use Unanimus\Intake\FileSigns;
use Unanimus\Intake\MailReader;

/** @return list<FileSigns> */
function openFiles(): array
{
    return [
        new FileSigns(1, 'wx9', 'TR-26-04182', '14 Lanternfish Lane', ['jose@eide.example'], [
            'José Nguyễn-Ortiz',
            'Sunniva Eide',
            'Quillmark',
        ]),
        new FileSigns(2, 'ab7', '', '114 Lanternfish Lane', ['beatrix@palomar.example'], ['Beatrix Palomar']),
        new FileSigns(3, '', '', '', [], []),
    ];
}

it('guesses the file from what the letter names, and says by what', function (string $letter, ?int $file, string $why, string $pages = '') {
    $guess = FileGuess::of(MailReader::read($letter), openFiles(), $pages);
    expect($guess?->file)->toBe($file)->and($guess->why ?? '')->toBe($why);
})->with([
    ["To: 14-lanternfish-lane.wx9@papers.example\r\n\r\nx", 1, 'sent to its own address'],
    ["Cc: <any.ab7@papers.example>\r\n\r\nx", 2, 'sent to its own address'],
    ["To: xwx9@papers.example\r\n\r\nx", null, ''],
    ["Subject: Your file tr 26 04182\r\n\r\nx", 1, 'names listing TR-26-04182'],
    ["Subject: 14 LANTERNFISH LANE, closing\r\n\r\nx", 1, 'names 14 Lanternfish Lane'],
    ["Subject: 114 Lanternfish Lane\r\n\r\nx", 2, 'names 114 Lanternfish Lane'],
    ["Subject: x\r\n\r\nFor Jose Nguyen-Ortiz and Sunniva Eide", 1, 'names José Nguyễn-Ortiz and Sunniva Eide'],
    ["Subject: x\r\n\r\nQuillmark", null, ''],
    ["From: Beatrix <Beatrix@palomar.example>\r\n\r\nhello", 2, 'beatrix@palomar.example is in the file'],
    ["From: x@y.example\r\n\r\nhello", 2, 'names Beatrix Palomar', 'Seller: Beatrix Palomar'],
    ["Subject: 14 Lanternfish Lane and 114 Lanternfish Lane\r\n\r\nx", null, ''],
    ["Subject: 14 Lanternfish Lane and 114 Lanternfish Lane\r\n\r\nBeatrix Palomar", 2, 'names 114 Lanternfish Lane'],
    ["Subject: nothing\r\n\r\nat all", null, ''],
]);

it('is the surer the more a letter names', function () {
    $sure = static fn (string $letter) => FileGuess::of(MailReader::read($letter), openFiles())?->sure;
    expect($sure("Subject: Sunniva Eide\r\n\r\nx"))->toBe(0.75)
        ->and($sure("Subject: Sunniva Eide, 14 Lanternfish Lane\r\n\r\nx"))->toBe(0.975)
        ->and($sure("To: a.wx9@p.example\r\n\r\nx"))->toBe(1.0)
        ->and($sure("From: jose@eide.example\r\n\r\nx"))->toBe(0.7);
});
