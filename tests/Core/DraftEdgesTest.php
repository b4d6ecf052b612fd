<?php

declare(strict_types=1);

use Unanimus\Forms\Blank;
use Unanimus\Forms\DraftFault;
use Unanimus\Forms\DraftItem;
use Unanimus\Forms\DraftRefused;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormDraft;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

$at = static fn (string $id, float $x, float $y, float $width = 100, float $height = 20, array $more = []) => DraftItem::fromArray([
    'id' => $id, 'kind' => 'text', 'name' => "n_{$id}", 'label' => "Blank {$id}", 'page' => 1,
    'place' => [$x, $y, $width, $height], ...$more,
]);
$draft = static fn (DraftItem ...$items): FormDraft => new FormDraft([[612.0, 792.0], [500.0, 300.0]], array_values($items));
$told = static fn (FormDraft $draft): array => array_map(static fn (DraftFault $fault) => [$fault->item, $fault->text, $fault->blocks],
    $draft->faults());
$ids = static fn (FormDraft $draft): array => array_map(static fn (DraftItem $item) => $item->id, $draft->items);

it('tells of places that cover more than a quarter of the smaller', function (DraftItem $other, bool $isTold) use ($at, $draft, $told) {
    $lies = ['b', '“Blank b” on page 1 lies over “Blank a” on page 1.', false];
    expect(in_array($lies, $told($draft($at('a', 100, 100), $other)), true))->toBe($isTold);
})->with([
    'a quarter to the right' => [$at('b', 175, 100), false],
    'a little more' => [$at('b', 174, 100), true],
    'a quarter below' => [$at('b', 100, 115), false],
    'a little more below' => [$at('b', 100, 114), true],
    'both ways: half by half' => [$at('b', 150, 110), false],
    'a small one within' => [$at('b', 120, 105, 10, 10), true],
    'a small one at its edge, by a fifth' => [$at('b', 198, 105, 10, 10), false],
    'a tall one, by a third of this one' => [$at('b', 160, 20, 100, 200), true],
    'on another page' => [$at('b', 100, 100, more: ['page' => 2]), false],
]);

it('tells first what keeps a form from use, and of what each is', function () use ($at, $draft, $told) {
    expect($told($draft()))->toBe([['', 'There is nothing to fill in or sign on it yet.', true]])
        ->and($told($draft($at('a', 1, 1, more: ['group' => 'g', 'kind' => 'tick']), $at('b', 1, 200, more: ['label' => '']))))->toBe([
            ['b', 'The blank n_b on page 1 has no words to be read by.', true],
            ['a', '“Blank a” on page 1 is the only one of its choice “g”.', false],
            ['', 'No one signs it. That may be fine.', false],
        ]);
    $marks = [$at('m', 1, 1, more: ['mark' => true, 'kind' => 'signature', 'seat' => 'buyer.1', 'name' => 'n_a']),
        $at('o', 1, 300, more: ['mark' => true, 'kind' => 'initials', 'seat' => 'nobody', 'name' => 'n_a'])];
    // Marks have no names: one that is called as a blank is in nobody's way.
    expect($told($draft($at('a', 1, 200), ...$marks)))->toBe([['o', 'Say whose The initials on page 1 is.', true]]);
});

it('says how many things are to fix, and the first', function () use ($at, $draft) {
    $form = static fn (FormDraft $one) => $one->form('Q-9', '2026-11', 'Sheet', 'Quillmark forms', 'offer', 'pages.pdf');
    $one = $at('a', 1, 1, more: ['label' => '']);
    $first = 'The blank n_a on page 1 has no words to be read by.';
    expect(fn () => $form($draft($one)))->toThrow(DraftRefused::class, "Fix this first: {$first}")
        ->and(fn () => $form($draft($one, $at('b', 1, 99, more: ['label' => '']))))
        ->toThrow(DraftRefused::class, "2 things to fix first. {$first}");
    $mark = $at('m', 1, 1, more: ['mark' => true, 'kind' => 'signature', 'seat' => 'buyer.1']);
    $made = $form($draft($mark, $at('a', 1, 99), $at('b', 1, 199)));
    expect(array_keys($made->blanks))->toBe([0, 1])
        ->and(array_keys($made->marks))->toBe([0])
        ->and((string) $made->marks[0]->seat)->toBe('buyer.1');
});

it('says what a sum cannot be computed from', function (string $formula, ?string $words) use ($at, $draft, $told) {
    $texts = array_column($told($draft($at('a', 1, 1, more: ['kind' => 'money', 'formula' => $formula]), $at('b', 1, 99))), 1);
    $computed = array_values(array_filter($texts, static fn (string $text) => str_contains($text, 'computed')));
    expect($computed)->toBe($words === null ? [] : ["“Blank a” on page 1 is computed from {$words}."]);
})->with([
    ['n_b + n_b', null],
    ['n_b * n_b', 'what cannot be read'],
    ['+', 'what cannot be read'],
    ['n_a + n_b', 'n_a, which it cannot use'],
    ['n_x + n_y', 'n_x, n_y, which it cannot use'],
]);

it('lets a blank count only with another one of the form', function (string $when, bool $isFault) use ($at, $draft, $told) {
    $texts = array_column($told($draft($at('a', 1, 1, more: ['when' => $when]), $at('b', 1, 99))), 1);
    expect(in_array("“Blank a” on page 1 counts only with “{$when}”, which is not on the form.", $texts, true))->toBe($isFault);
})->with([['n_b', false], ['n_a', true], ['n_z', true]]);

it('moves onto its page what stands off it, whatever the page’s shape', function (array $place, array $now) use ($at, $draft) {
    $item = $at('a', ...$place, more: ['page' => 2]);
    expect($draft()->with($item)->items[0]->place->toArray())->toBe($now);
})->with([
    [[490, 290, 100, 20], [400.0, 280.0, 100.0, 20.0]],
    [[-5, -9, 100, 20], [0.0, 0.0, 100.0, 20.0]],
    [[10, 10, 900, 900], [0.0, 0.0, 500.0, 300.0]],
    [[10, 10, 100, 20], [10.0, 10.0, 100.0, 20.0]],
]);

it('reads in rows from the left, and puts a new one after those of its own row', function () use ($at, $draft, $ids) {
    // 99 to 104 are one row, 106 is of the next.
    $rows = $draft($at('c', 300, 99), $at('a', 50, 104), $at('b', 200, 101), $at('d', 10, 106));
    expect($ids($rows->inReadingOrder()))->toBe(['a', 'b', 'c', 'd'])
        ->and($ids($draft($at('a', 50, 100), $at('b', 200, 100))->with($at('n', 50, 100))))->toBe(['a', 'n', 'b'])
        ->and($ids($draft($at('a', 50, 100), $at('b', 200, 100))->with($at('n', 1, 1), 1)))->toBe(['a', 'n', 'b'])
        ->and($ids($draft($at('a', 50, 100), $at('b', 200, 100))->without('a')->moved('b', -5)))->toBe(['b'])
        ->and($ids($rows->moved('d', 0)))->toBe(['d', 'c', 'a', 'b'])
        ->and($ids($rows->moved('d', -1)))->toBe(['d', 'c', 'a', 'b'])
        ->and($ids($rows->moved('c', 99)))->toBe(['a', 'b', 'd', 'c'])
        ->and(array_keys($rows->without('c')->items))->toBe([0, 1, 2])
        ->and($rows->moved('none', 0))->toBe($rows);
});

it('is full at its number of items, and takes the last', function () use ($at, $draft) {
    $items = array_map(static fn (int $n) => $at("i{$n}", 1, 1), range(1, FormDraft::MOST - 1));
    $full = $draft(...$items)->with($at('last', 1, 1));
    expect($full->items)->toHaveCount(FormDraft::MOST)
        ->and(fn () => $full->with($at('more', 1, 1)))->toThrow(DraftRefused::class, 'this one is full')
        ->and($full->with($at('last', 9, 9))->items)->toHaveCount(FormDraft::MOST);
});

it('begins the next revision with all that a form has, on its own pages or others', function () {
    $place = new Rect(1, 2, 30, 14);
    $blank = new Blank('fee', Kind::Money, 'Fee', 1, $place, true, 'price', 'a + b', 'g', 'other', []);
    $form = new Form('Q-9', '2026-11', 'Sheet', 'Quillmark forms', 'offer', [[612.0, 792.0]], [$blank],
        [new MarkPlace(MarkKind::Signature, Seat::of('buyer.1'), 1, $place)], 'pages.pdf');
    $next = FormDraft::after($form);
    expect(array_map(static fn (DraftItem $item) => $item->toArray(), $next->items))->toBe([
        ['id' => 'b0', 'mark' => false, 'kind' => 'money', 'name' => 'fee', 'label' => 'Fee', 'page' => 1,
            'place' => [1.0, 2.0, 30.0, 14.0], 'required' => true, 'binding' => 'price', 'formula' => 'a + b', 'group' => 'g',
            'when' => 'other', 'options' => [], 'seat' => ''],
        ['id' => 'm0', 'mark' => true, 'kind' => 'signature', 'name' => '', 'label' => '', 'page' => 1, 'place' => [1.0, 2.0, 30.0, 14.0],
            'required' => false, 'binding' => '', 'formula' => '', 'group' => '', 'when' => '', 'options' => [], 'seat' => 'buyer.1'],
    ])->and($next->pages)->toBe([[612.0, 792.0]])
        ->and(FormDraft::after($form, [[500.0, 500.0]])->pages)->toBe([[500.0, 500.0]]);
});
