<?php

declare(strict_types=1);

use Unanimus\Forms\Blank;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\ReadBack;
use Unanimus\Forms\ReadTerms;
use Unanimus\Pages\Rect;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/** @param  list<Blank>  $blanks */
function edgesForm(array $blanks): Form
{
    return new Form('Q-9', '2026-11', 'Sheet', 'Quillmark forms', 'offer', [[612.0, 792.0]], $blanks, [], 'pages.pdf');
}

/** @param  array<string, mixed>  $more */
function edgesBlank(string $name, ?string $formula = null, Kind $kind = Kind::Money, array $more = []): Blank
{
    return new Blank($name, $kind, ucfirst($name), 1, new Rect(0, 0, 60, 14), ...['formula' => $formula, ...$more]);
}

it('computes what is computed of what is computed, in whatever order the blanks stand', function () {
    $form = edgesForm([
        edgesBlank('d', 'c + one'), edgesBlank('c', 'b + one'), edgesBlank('b', 'a - one'), edgesBlank('a', 'rate % price'),
        edgesBlank('price'), edgesBlank('rate', kind: Kind::Percent), edgesBlank('one'),
    ]);
    $filling = Filling::of($form, ['price' => '400000.00', 'rate' => '2.5', 'one' => '1.00'], Facts::from([]));
    expect(array_map($filling->value(...), ['a', 'b', 'c', 'd']))->toBe(['10000.00', '9999.00', '10000.00', '10001.00'])
        ->and($filling->blanks['b']->source)->toBe('computed: a − one')
        ->and($filling->blanks['a']->source)->toBe('computed: rate % of price')
        ->and($filling->blanks['a']->entered)->toBeFalse();
    // Entered over what is computed, it counts as entered, and the rest follows it.
    $over = Filling::of($form, ['price' => '400000.00', 'rate' => '2.5', 'one' => '1.00', 'b' => '5.00'], Facts::from([]));
    expect(array_map($over->value(...), ['a', 'b', 'c', 'd']))->toBe(['10000.00', '5.00', '6.00', '7.00'])
        ->and($over->blanks['b']->source)->toBe('entered here');
});

it('leaves empty what cannot be computed, and takes an empty part for nothing', function (array $entries, string $value) {
    $form = edgesForm([edgesBlank('sum', 'rate % price + fee - credit'), edgesBlank('price'), edgesBlank('rate', kind: Kind::Percent),
        edgesBlank('fee', kind: Kind::Text), edgesBlank('credit')]);
    $filling = Filling::of($form, $entries, Facts::from([]));
    expect($filling->value('sum'))->toBe($value)
        ->and($filling->blanks['sum']->source)->toBe($value === '' ? 'empty' : 'computed: rate % of price + fee − credit')
        ->and(isset($filling->printed()['sum']))->toBe($value !== '');
})->with([
    [[], ''],
    [['price' => '100.00'], ''],
    [['rate' => '50'], ''],
    [['rate' => '50', 'price' => '100.00'], '50.00'],
    [['rate' => '50', 'fee' => '7.00'], '7.00'],
    [['rate' => '50', 'price' => '100.00', 'fee' => '7.00', 'credit' => '60.00'], '-3.00'],
    [['rate' => '50', 'price' => '100.00', 'fee' => 'as agreed'], ''],
]);

it('computes from a blank that the form does not have as from an empty one', function () {
    $form = edgesForm([edgesBlank('sum', 'one + gone'), edgesBlank('part', 'gone % one'), edgesBlank('one')]);
    $filling = Filling::of($form, ['one' => '3.00'], Facts::from([]));
    expect($filling->value('sum'))->toBe('3.00')->and($filling->value('part'))->toBe('')->and($filling->value('nothing'))->toBe('');
});

it('misses what is required and empty: of a choice one, and what counts only with another when that is filled', function (
    array $entries,
    array $missing,
) {
    $form = edgesForm([
        edgesBlank('yes', kind: Kind::Tick, more: ['required' => true, 'group' => 'g']),
        edgesBlank('no', kind: Kind::Tick, more: ['required' => true, 'group' => 'g']),
        edgesBlank('why', kind: Kind::Text, more: ['required' => true, 'when' => 'no']),
        edgesBlank('name', kind: Kind::Text, more: ['required' => true]),
        edgesBlank('note', kind: Kind::Text),
    ]);
    $names = array_map(static fn (Blank $one) => $one->name, Filling::of($form, $entries, Facts::from([]))->missing());
    expect($names)->toBe($missing);
})->with([
    [[], ['yes', 'no', 'name']],
    [['yes' => 'x', 'name' => 'A'], []],
    [['no' => 'x', 'name' => 'A'], ['why']],
    [['no' => 'x', 'why' => 'w', 'name' => ''], ['name']],
]);

it('reads of a paper each fact once, as the form has it first, and no more people than a deal has', function () {
    $form = edgesForm([
        edgesBlank('first', more: ['binding' => 'price']), edgesBlank('again', more: ['binding' => 'price']),
        edgesBlank('tick', kind: Kind::Tick, more: ['binding' => 'financing?cash']), edgesBlank('loose', kind: Kind::Text),
        edgesBlank('empty', more: ['binding' => 'earnest_money']),
        edgesBlank('strange', kind: Kind::Text, more: ['binding' => 'brokerage.name']),
        edgesBlank('who', kind: Kind::Text, more: ['binding' => 'buyers.names']),
        edgesBlank('more', kind: Kind::Text, more: ['binding' => 'buyers.names']),
    ]);
    $names = ' Ann Lund ,Bo Lund;  Cy Roe & Dee Vo and Eli Poe, Fay Moe, Gil Noe, LLC';
    $read = new ReadBack('Q-9', '2026-11', ['first' => '100.00', 'again' => '200.00', 'tick' => 'x', 'loose' => 'words',
        'strange' => 'Quillmark', 'who' => $names, 'more' => 'Zoe Last'], [1 => 3]);
    $terms = ReadTerms::of($read, $form, Facts::from([]), []);
    expect(array_keys($terms))->toBe(range(0, 6))
        ->and(array_map(static fn (ReadTerms $one) => "{$one->name}: {$one->typed}", $terms))->toBe([
            'price: 100', 'buyer.1: Ann Lund', 'buyer.2: Bo Lund', 'buyer.3: Cy Roe', 'buyer.4: Dee Vo', 'buyer.5: Eli Poe',
            'buyer.6: Fay Moe',
        ])
        ->and(array_unique(array_map(static fn (ReadTerms $one) => $one->page, $terms)))->toBe([3]);
    $known = ReadTerms::of($read, $form, Facts::from(['price' => '1']), ['buyer.1', 'buyer.2', 'buyer.3', 'buyer.4', 'buyer.5', 'buyer.6']);
    expect($known)->toBe([]);
});
