<?php

declare(strict_types=1);

use Unanimus\Intake\IntakeRefusal;
use Unanimus\Intake\SortingTable;
use Unanimus\Intake\TablePage;
use Unanimus\Intake\TablePart;
use Unanimus\Intake\TablePencil;
use Unanimus\Pages\PageSkew;
use Unanimus\Pages\Word;
use Unanimus\Steps\StepRefused;

/** As "1.1 1.2 | 1.3@90 // 1.4": parts, and what lies aside. */
function lies(SortingTable $table): string
{
    $page = static fn (TablePage $page) => $page->id().($page->turn === 0 ? '' : "@{$page->turn}").($page->straight ? '=' : '');
    $parts = array_map(static fn (TablePart $part) => implode(' ', array_map($page, $part->pages)), $table->parts);

    return implode(' | ', $parts).($table->aside === [] ? '' : ' // '.implode(' ', array_map($page, $table->aside)));
}

it('cuts, joins, moves, turns and puts aside', function () {
    $table = SortingTable::laid([4, 2]);
    expect(lies($table))->toBe('1.1 1.2 1.3 1.4 | 2.1 2.2');
    $cut = $table->cut('1.3');
    expect(lies($cut))->toBe('1.1 1.2 | 1.3 1.4 | 2.1 2.2')
        ->and($cut->cut('1.3'))->toBe($cut)
        ->and(lies($cut->join($cut->parts[1]->key)))->toBe('1.1 1.2 1.3 1.4 | 2.1 2.2')
        ->and($cut->join($cut->parts[0]->key))->toBe($cut);
    expect(lies($cut->move(['2.2', '1.1'], '1.4')))->toBe('1.2 | 1.3 2.2 1.1 1.4 | 2.1')
        ->and(lies($cut->move(['1.3', '1.4'], 'p1')))->toBe('1.1 1.2 1.3 1.4 | 2.1 2.2')
        ->and(lies($cut->move(['2.1'], 'new')))->toBe('1.1 1.2 | 1.3 1.4 | 2.2 | 2.1')
        ->and($cut->move(['1.3'], '1.3'))->toBe($cut)
        ->and($cut->move(['1.3'], '1.4'))->toBe($cut);
    expect(lies($table->turn(['1.2', '2.1'], 270)->turn(['1.2'], 180)))->toBe('1.1 1.2@90 1.3 1.4 | 2.1@270 2.2')
        ->and(lies($table->turn(['1.2'], -90)))->toBe('1.1 1.2@270 1.3 1.4 | 2.1 2.2')
        ->and(lies($table->straighten(['1.4'], true)))->toBe('1.1 1.2 1.3 1.4= | 2.1 2.2');
    $aside = $cut->aside(['2.1', '1.2', '2.2']);
    expect(lies($aside))->toBe('1.1 | 1.3 1.4 // 1.2 2.1 2.2')
        ->and(lies($aside->back(['1.2'])))->toBe('1.1 1.2 | 1.3 1.4 // 2.1 2.2')
        ->and(lies($aside->back(['2.2', '2.1'])))->toBe('1.1 | 1.3 1.4 2.1 2.2 // 1.2')
        ->and(lies($aside->move(['2.2'], 'new')))->toBe('1.1 | 1.3 1.4 | 2.2 // 1.2 2.1')
        ->and($aside->back(['1.1']))->toBe($aside);
    $none = $table->aside(['1.1', '1.2', '1.3', '1.4', '2.1', '2.2']);
    expect($none->parts)->toBe([])->and(lies($none->back(['2.1'])))->toBe('2.1 // 1.1 1.2 1.3 1.4 2.2');
    expect(lies($table->with(3, 2)))->toBe('1.1 1.2 1.3 1.4 | 2.1 2.2 | 3.1 3.2');
});

it('says what a part is and where it goes, and drops the row with the file', function () {
    $table = SortingTable::laid([2])->say('p1', title: ' Survey ', file: 'f1', row: 'r1');
    $part = $table->parts[0];
    expect([$part->title, $part->file, $part->row])->toBe(['Survey', 'f1', 'r1'])
        ->and($table->say('p1'))->toBe($table)
        ->and($table->say('p1', file: 'f2')->parts[0]->row)->toBe('')
        ->and($table->cut('1.2')->parts[1]->file)->toBe('f1');
});

it('refuses what is not there', function (Closure $step) {
    $step(SortingTable::laid([2])->aside(['1.2']));
})->throws(StepRefused::class, IntakeRefusal::NotOnTheTable->words())->with([
    'a page that never was' => fn (SortingTable $table) => $table->cut('1.9'),
    'cut before one aside' => fn (SortingTable $table) => $table->cut('1.2'),
    'a part' => fn (SortingTable $table) => $table->join('p9'),
    'to a part' => fn (SortingTable $table) => $table->move(['1.1'], 'p9'),
    'a page among others' => fn (SortingTable $table) => $table->turn(['1.1', 'x'], 90),
    'a name' => fn (SortingTable $table) => $table->say('p2', title: 'x'),
    'nothing' => fn (SortingTable $table) => $table->back(['']),
]);

it('never loses or doubles a page, and is kept as it lies', function (int $seed) {
    mt_srand($seed);
    $table = SortingTable::laid([mt_rand(1, 9), mt_rand(1, 5)]);
    $all = explode(' ', str_replace(' |', '', lies($table)));
    sort($all);
    for ($step = 0; $step < 60; $step++) {
        $some = array_map(static fn (int $n) => $all[$n], (array) array_rand($all, mt_rand(1, min(3, count($all)))));
        shuffle($some);
        $part = $table->parts === [] ? 'new' : $table->parts[array_rand($table->parts)]->key;
        $to = [$part, 'new', $all[array_rand($all)]][mt_rand(0, 2)];
        $lying = $table->partOf($to) !== null || ! str_contains($to, '.');
        $table = match (mt_rand(0, 6)) {
            0 => $table->partOf($some[0]) === null ? $table : $table->cut($some[0]),
            1 => $part === 'new' ? $table : $table->join($part),
            2, 3 => $lying ? $table->move($some, $to) : $table,
            4 => $table->aside($some),
            5 => $table->back($some),
            default => $table->turn($some, 90)->turn($some, 270),
        };
        $ids = [];
        foreach ([...array_merge(...array_column($table->parts, 'pages')), ...$table->aside] as $page) {
            $ids[] = $page->id();
        }
        sort($ids);
        expect($ids)->toBe($all);
        foreach ($table->parts as $one) {
            expect($one->pages)->not->toBe([]);
        }
        expect(array_unique(array_column($table->parts, 'key')))->toHaveCount(count($table->parts));
    }
    expect(SortingTable::fromArray(json_decode((string) json_encode($table->toArray()), true))->toArray())->toBe($table->toArray());
})->with(range(1, 40));

it('shows in pencil what is read and not yet done, and takes what is sure', function () {
    $read = [
        'parts' => [
            ['first' => 1, 'last' => 2, 'form' => 'M-201', 'heading' => 'Purchase agreement', 'sure' => 0.95],
            ['first' => 3, 'last' => 5, 'form' => null, 'heading' => 'Survey', 'sure' => 0.9, 'order' => [5, 3]],
            ['first' => 6, 'last' => 6, 'form' => null, 'heading' => 'Fax', 'sure' => 0.6, 'copyOf' => 1],
        ],
        'turns' => [2 => 180],
        'blanks' => [4],
        'skews' => [5 => 1.2, 6 => 0.1],
    ];
    $table = SortingTable::laid([6, 1]);
    $pencil = TablePencil::of($table, [$read, null]);
    expect($pencil->cuts)->toBe(['1.3' => 0.9, '1.6' => 0.6])
        ->and($pencil->turns)->toBe(['1.2' => 180])
        ->and($pencil->blanks)->toBe(['1.4'])
        ->and($pencil->askew)->toBe(['1.5'])
        ->and($pencil->title($table->parts[0], 'scan.pdf'))->toBe('Purchase agreement')
        ->and($pencil->title($table->parts[1], 'scan.pdf'))->toBe('scan.pdf')
        ->and($pencil->sure())->toBe(4);
    $taken = $pencil->taken($table);
    expect(lies($taken))->toBe('1.1 1.2@180 | 1.3 1.5= 1.6 | 2.1 // 1.4');
    $then = TablePencil::of($taken, [$read, null]);
    expect($then->cuts)->toBe(['1.6' => 0.6])
        ->and($then->askew)->toBe([])
        ->and($taken->settled)->toContain('askew:1.5')
        ->and($then->turns)->toBe([])
        ->and($then->blanks)->toBe([])
        ->and($then->names[$taken->parts[1]->key]['title'])->toBe('Survey')
        ->and($then->orders[$taken->parts[1]->key])->toBe(['1.5', '1.3']);
    $ordered = $then->taken($taken);
    expect(lies($ordered))->toBe('1.1 1.2@180 | 1.5= 1.6 1.3 | 2.1 // 1.4');
    $all = $then->take($ordered, 'cut:1.6');
    expect($all->settled)->toContain('cut:1.6', 'order:1.3', 'blank:1.4', 'turn:1.2');
    $end = TablePencil::of($all, [$read, null]);
    expect($end->sure())->toBe(0)
        // What was turned by hand after it is not proposed again, nor what was left.
        ->and(TablePencil::of($all->turn(['1.2'], 180), [$read, null])->turns)->toBe([])
        ->and(TablePencil::of($table->settle(['cut:1.3']), [$read, null])->cuts)->toBe(['1.6' => 0.6])
        ->and($then->take($ordered, 'cut:1.99'))->toBe($ordered);
    expect($end->names[$all->partOf('1.6')[0]->key]['copy'])->toBeTrue();
});

it('measures how a page lies from its lines, and says nothing where there are too few', function (float $fall, float $degrees) {
    $words = [];
    foreach ([100, 130, 160, 190] as $y) {
        foreach ([80, 180, 280, 380] as $x) {
            $words[] = new Word('word', $x, $y + $x * $fall, 40, 10);
        }
    }
    expect(PageSkew::ofWords($words))->toBe($degrees)->and(PageSkew::ofWords(array_slice($words, 0, 8)))->toBe(0.0);
})->with([[0.0, 0.0], [0.02, 1.15], [-0.02, -1.15], [0.5, 0.0]]);

it('sets a page straight without drawing it anew', function () {
    $pdf = tempnam(sys_get_temp_dir(), 'skew');
    file_put_contents($pdf, Tests\Support\MadePdf::page(Tests\Support\MadePdf::text(72, 700, 'Falling line')));
    $straight = tempnam(sys_get_temp_dir(), 'skew');
    file_put_contents($straight, PageSkew::straighten($pdf, [1 => 3.0]));
    $box = static function (string $path): array {
        preg_match_all('/<word xMin="([\d.]+)" yMin="([\d.]+)"/', (string) shell_exec('pdftotext -bbox '.escapeshellarg($path).' -'), $m);

        return [(float) $m[1][0], (float) $m[2][0]];
    };
    [$before, $after] = [$box($pdf), $box($straight)];
    // Left of the middle a page whose lines fall goes down as it is turned against them.
    expect($after[1])->toBeGreaterThan($before[1] + 5)->and(abs($after[0] - $before[0]))->toBeLessThan(40.0);
    array_map(unlink(...), [$pdf, $straight]);
});
