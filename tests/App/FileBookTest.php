<?php

declare(strict_types=1);

use App\Assembly\FileBook;
use Unanimus\Files\Bag;
use Unanimus\Pages\DiskFull;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Review\RecordPages;

it('makes of a file one PDF with bookmarks, the record of review in front', function () {
    $file = aSignedFile();
    $requirement = requirement($file, 'Agency disclosure');
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $this->as('ines')->post("/requirements/{$requirement->key}/send-back", ['remark' => 'Whose pen is that?']);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('File book');
    $this->as('tomas')->post("/files/{$file->key}/notes", ['note' => 'The mason comes on Friday.']);
    $scratch = new Scratch();
    $pdf = $scratch->put('book.pdf', (string) $this->as('tomas')->get("/files/{$file->key}/book.pdf")->assertOk()->getContent());
    $text = (new NativeTool())->run(['pdftotext', '-layout', $pdf, '-']);
    expect($text)->toContain('Note by Tomás')->toContain('The mason comes on Friday.');
    expect($text)->toContain('Record of review')->toContain('Whose pen is that?')->toContain('Sent back');
    $json = json_decode((new NativeTool())->run(['qpdf', '--json', '--json-key=outlines', $pdf]), true);
    $titles = array_column($json['outlines'], 'title');
    expect($titles[0])->toBe('Record of review')->and($titles)->toContain('M-102 Agency disclosure');
});

it('makes of a file a folder that proves itself', function () {
    $file = aSignedFile();
    $answer = $this->as('tomas')->get("/files/{$file->key}/book.zip")->assertOk();
    $scratch = new Scratch();
    $path = $scratch->put('book.zip', (string) $answer->streamedContent());
    $zip = new ZipArchive();
    expect($zip->open($path))->toBeTrue();
    $root = strtok((string) $zip->getNameIndex(0), '/');
    $manifest = (string) $zip->getFromName("{$root}/manifest-sha256.txt");
    $listed = [];
    foreach (array_filter(explode("\n", $manifest)) as $line) {
        [$sha256, $name] = explode('  ', $line, 2);
        expect(hash('sha256', (string) $zip->getFromName("{$root}/{$name}")))->toBe($sha256, $name);
        $listed[] = "{$root}/{$name}";
    }
    $names = array_map($zip->getNameIndex(...), range(0, $zip->numFiles - 1));
    $there = array_filter($names, static fn ($name) => str_contains((string) $name, '/data/'));
    sort($there);
    sort($listed);
    expect($listed)->toBe(array_values($there));
    foreach (array_filter(explode("\n", (string) $zip->getFromName("{$root}/tagmanifest-sha256.txt"))) as $line) {
        [$sha256, $name] = explode('  ', $line, 2);
        expect(hash('sha256', (string) $zip->getFromName("{$root}/{$name}")))->toBe($sha256, $name);
    }
    expect($zip->getFromName("{$root}/bagit.txt"))->toBe("BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n");
    expect($zip->getFromName("{$root}/data/messages.json"))->toBe('[]');
    $people = json_decode((string) $zip->getFromName("{$root}/data/people.json"), true);
    expect(array_column($people, 'seat'))->toContain('buyer.1');
    $history = json_decode((string) $zip->getFromName("{$root}/data/history.json"), true);
    expect(count($history))->toBeGreaterThan(3);
});

it('names what every system can keep, and writes line ends in paths as codes', function () {
    expect(Bag::name('a/b\\c:*?"<>| d%'))->toBe('a b c d')->and(Bag::name(' .. '))->toBe('paper');
    $bag = new Bag();
    $bag->add("odd%\nname", 'abc');
    expect($bag->tags(['Title' => "two\nlines"])['manifest-sha256.txt'])->toBe(hash('sha256', 'abc')."  data/odd%25%0Aname\n")
        ->and($bag->tags(['Title' => "two\nlines"])['bag-info.txt'])->toBe("Title: two lines\nPayload-Oxum: 3.1\n");
    $many = array_fill(0, 60, ['title' => 'Paper', 'stands' => 'Accepted', 'lines' => [str_repeat('word ', 60)]]);
    expect(count(RecordPages::of('File', $many)))->toBeGreaterThan(3)->toBeLessThan(12)->and(RecordPages::of('File', []))->toHaveCount(1);
});

it('hands out no folder that could not be written in full', function () {
    $file = aSignedFile()->load(['office', 'knownFacts', 'parties.contact', 'papers.latest', 'papers.values', 'requirements.remarks']);
    expect(fn () => app(FileBook::class)->folder($file, '/nowhere/at/all/book.zip'))->toThrow(DiskFull::class);
});
