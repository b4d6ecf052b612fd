<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\ColumnMatch;
use Unanimus\Exchange\ImportRow;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Moving\EarlierReview;
use Unanimus\Moving\FolderMatch;
use Unanimus\Moving\FolderParcel;
use Unanimus\Moving\ListKind;
use Unanimus\Moving\MovedList;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Moving\ParcelContents;
use Unanimus\Moving\ParcelEntry;
use Unanimus\Moving\RowSigns;
use Unanimus\Moving\ZipParcel;
use Unanimus\Pages\Scratch;
use Unanimus\Steps\StepRefused;

/** @param  array<string, string>  $files */
function zipOf(Scratch $scratch, array $files, string $password = ''): ZipParcel
{
    $zip = new ZipArchive();
    $path = $scratch->path('parcel.zip');
    $zip->open($path, ZipArchive::CREATE);
    $password === '' || $zip->setPassword($password);
    foreach ($files as $name => $bytes) {
        $zip->addFromString($name, $bytes);
        $password === '' || $zip->setEncryptionName($name, ZipArchive::EM_AES_256);
    }
    $zip->close();

    return new ZipParcel($path, 'parcel.zip');
}

/** @param  list<string>  $headings @param  list<list<string>>  $rows */
function matchOf(array $headings, array $rows): FolderMatch
{
    $signs = [];
    foreach ($rows as $number => $cells) {
        $signs[$number + 2] = RowSigns::of(ImportRow::read($cells, ColumnMatch::propose($headings), LocalDate::of('2026-11-29')));
    }

    return new FolderMatch($signs);
}

function moveReason(Closure $try): ?string
{
    try {
        $try();
    } catch (StepRefused $refused) {
        return $refused->reason->value;
    }

    return null;
}

it('tells the list of files, the lists beside it and documents from each other', function () {
    $scratch = new Scratch();
    $parcel = zipOf($scratch, [
        'Old records/files.csv' => 'a',
        'Old records/Tasks.xlsx' => 'b',
        'Old records/address book.csv' => 'c',
        'Old records/1 Ropewalk Lane/Contract/Purchase agreement.pdf' => 'd',
        'Old records/1 Ropewalk Lane/list.csv' => 'e',
        'Old records/loose.pdf' => 'f',
        'Old records/1 Ropewalk Lane/~$note.docx' => 'g',
        '__MACOSX/Old records/._files.csv' => 'h',
        'Old records/.DS_Store' => 'i',
    ]);
    $contents = ParcelContents::of($parcel->entries(), 'parcel.zip');
    expect($contents->root)->toBe('Old records')
        ->and($contents->files->name())->toBe('files.csv')
        ->and(array_map(fn (ParcelEntry $one) => $one->name(), $contents->lists))
        ->toBe(['contacts' => 'address book.csv', 'tasks' => 'Tasks.xlsx'])
        ->and(array_map(fn (ParcelEntry $one) => $contents->within($one->path), $contents->documents))
        ->toBe(['1 Ropewalk Lane/Contract/Purchase agreement.pdf', '1 Ropewalk Lane/list.csv', 'loose.pdf'])
        ->and($parcel->read($contents->files, 10))->toBe('a');
});

it('says what is missing where no list of files is there, or several could be it', function () {
    $entry = fn (string $path) => new ParcelEntry($path, 1);
    $refused = fn (string ...$paths) => moveReason(fn () => ParcelContents::of(array_map($entry, $paths), 'x.zip'));
    expect($refused('a/b.pdf', 'c/d.pdf'))->toBe(MovingRefusal::NoListOfFiles->value)
        ->and($refused('one.csv', 'two.csv', 'a/b.pdf'))->toBe(MovingRefusal::SeveralLists->value)
        ->and($refused('tasks.csv', 'a/b.pdf'))->toBe(MovingRefusal::NoListOfFiles->value)
        ->and($refused('one.csv', 'Deals.csv', 'a/b.pdf'))->toBeNull()
        ->and($refused('2019 export.csv', 'a/b.pdf'))->toBeNull();
});

it('reads names as people wrote them, leads out of no folder, and believes no size', function () {
    $scratch = new Scratch();
    $old = (string) mb_convert_encoding('Müller/Brücke.pdf', 'CP850', 'UTF-8');
    $parcel = zipOf($scratch, ['../../etc/x.pdf' => 'x', '/root/y.pdf' => 'y', 'a\\b\\c.pdf' => 'z', $old => str_repeat('q', 5000)]);
    $entries = array_column(array_map(fn (ParcelEntry $one) => ['path' => $one->path, 'one' => $one], $parcel->entries()), 'one', 'path');
    expect(array_keys($entries))->toEqualCanonicalizing(['etc/x.pdf', 'root/y.pdf', 'a/b/c.pdf', 'Müller/Brücke.pdf'])
        ->and(strlen($parcel->read($entries['Müller/Brücke.pdf'], 100)))->toBe(101);
});

it('takes two of one name as two, and the end of a name that never ends', function () {
    $scratch = new Scratch();
    $parcel = zipOf($scratch, ['a/b.pdf' => '1', 'a\\b.pdf' => '2', './a/b.pdf' => '3', 'x/'.str_repeat('é', 3000).'.pdf' => '4']);
    $read = [];
    foreach ($parcel->entries() as $entry) {
        $read[$entry->path] = $parcel->read($entry, 10);
    }
    expect(array_slice($read, 0, 3))->toEqualCanonicalizing(['a/b.pdf' => '1', 'a/b (2).pdf' => '2', 'a/b (3).pdf' => '3'])
        ->and(max(array_map(mb_strlen(...), array_keys($read))))->toBe(500);
});

it('refuses what is no ZIP, or is locked', function () {
    $scratch = new Scratch();
    $scratch->put('parcel.zip', 'no zip at all');
    expect(moveReason(fn () => (new ZipParcel($scratch->path('parcel.zip'), 'x'))->entries()))->toBe(MovingRefusal::NotAnArchive->value);
    $locked = new Scratch();
    expect(moveReason(fn () => zipOf($locked, ['files.csv' => 'a'], 'secret')->entries()))->toBe(MovingRefusal::Locked->value)
        ->and(moveReason(fn () => (new FolderParcel('/nowhere/at/all'))->entries()))->toBe(MovingRefusal::NoSuchFolder->value);
});

it('reads a folder of the server without following links out of it', function () {
    $scratch = new Scratch();
    mkdir($scratch->path('in'));
    mkdir($scratch->path('in/a'));
    file_put_contents($scratch->path('in/files.csv'), 'x');
    file_put_contents($scratch->path('in/a/b.pdf'), 'bytes');
    file_put_contents($scratch->path('in/a')."/Br\xFCcke.pdf", 'old letters');
    symlink('/etc/passwd', $scratch->path('in/a/link.pdf'));
    $parcel = new FolderParcel($scratch->path('in'));
    expect(array_map(fn (ParcelEntry $one) => $one->path, $parcel->entries()))->toBe(['a/b.pdf', 'a/Brücke.pdf', 'files.csv'])
        ->and($parcel->read(new ParcelEntry('a/Brücke.pdf', 5), 50))->toBe('old letters')
        ->and($parcel->read(new ParcelEntry('a/b.pdf', 5), 10))->toBe('bytes')
        ->and(moveReason(fn () => $parcel->read(new ParcelEntry('a/link.pdf', 5), 10)))->toBe(MovingRefusal::CannotRead->value)
        ->and(moveReason(fn () => $parcel->read(new ParcelEntry('a/gone.pdf', 5), 10)))->toBe(MovingRefusal::CannotRead->value);
});

it('finds the row a folder is about, and says where several could be it', function () {
    $match = matchOf(['Address', 'Listing #', 'Folder'], [
        ['1 Ropewalk Lane, Pellingford', 'TR-26-7001', ''],
        ['11 Ropewalk Lane, Pellingford', '', ''],
        ['2 Harbor Row Unit 4, Tidewick', '', ''],
        ['2 Harbor Row Unit 5, Tidewick', '', ''],
        ['9 Cooper Court', '', 'Ashdown\\2024'],
        ['77 Millrace Court', 'TR-26-7001', ''],
    ]);
    expect($match->rows('1 Ropewalk Ln.'))->toBe([2])
        ->and($match->rows('Closed - 11 Ropewalk Lane (Ashdown)'))->toBe([3])
        ->and($match->rows('2024/1 ropewalk lane'))->toBe([2])
        ->and($match->rows('2 Harbor Row #4'))->toBe([4])
        ->and($match->rows('2 Harbor Row'))->toBe([4, 5])
        ->and($match->rows('ashdown/2024'))->toBe([6])
        ->and($match->rows('TR-26-7001 buyer'))->toBe([2, 7])
        ->and($match->rows('Ropewalk'))->toBe([])
        ->and($match->rows(''))->toBe([]);
});

it('gives a folder the row of the folder it lies in, unless a person said otherwise', function () {
    $match = matchOf(['Address'], [['1 Ropewalk Lane'], ['5 Ropewalk Lane']]);
    $folders = ['Closed/1 Ropewalk Lane/Contract', 'Closed/1 Ropewalk Lane', 'Closed/other', '5 Ropewalk Lane', ''];
    expect($match->folders($folders, ['5 Ropewalk Lane' => 0, 'Closed/other' => 3]))->toBe([
        'Closed/1 Ropewalk Lane/Contract' => [2],
        'Closed/1 Ropewalk Lane' => [2],
        'Closed/other' => [3],
        '5 Ropewalk Lane' => [],
        '' => [],
    ]);
});

it('knows the columns of the lists by what they are called, and says which is missing', function () {
    $tasks = MovedList::read(
        ListKind::Tasks,
        "Property;Task;Due Date;Completed on;Colour\n1 Ropewalk Lane;Order survey;12/1/2026;;red\n;;;;\n",
    );
    expect($tasks->rows)
        ->toBe([2 => ['file' => '1 Ropewalk Lane', 'task' => 'Order survey', 'due' => '12/1/2026', 'done' => '', 'for' => '']])
        ->and(fn () => MovedList::read(ListKind::People, "Name;Role\nA;agent\n"))->toThrow(SheetUnreadable::class, '“email”');
    $list = "File Name,Checklist item,Approved on,Approved by\na.pdf,Purchase agreement,8/1/2026,R. Ostrow\n";
    expect(MovedList::read(ListKind::Documents, $list)->rows[2])
        ->toMatchArray(['path' => 'a.pdf', 'line' => 'Purchase agreement', 'accepted' => '8/1/2026', 'by' => 'R. Ostrow']);
});

it('reads what was accepted or done before, and believes no day to come', function (string $cell, bool $was, ?string $on, bool $isFault) {
    $review = EarlierReview::read($cell, LocalDate::of('2026-11-29'));
    expect([$review->was, $review->on?->iso(), $review->fault !== ''])->toBe([$was, $on, $isFault]);
})->with([
    ['8/1/2026', true, '2026-08-01', false],
    ['yes', true, null, false],
    ['Approved', true, null, false],
    ['', false, null, false],
    ['No', false, null, false],
    ['2026-12-24', false, null, true],
    ['2026-11-29', true, '2026-11-29', false],
    ['blue', false, null, true],
]);

it('words what stood before so that nobody takes it for a decision made here', function () {
    expect(EarlierReview::words('R. Ostrow', LocalDate::of('2026-08-01')))->toBe('by R. Ostrow on Aug 1, 2026, before you moved in')
        ->and(EarlierReview::words('', null))->toBe('before you moved in');
});
