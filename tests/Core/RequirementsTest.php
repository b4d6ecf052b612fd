<?php

declare(strict_types=1);

use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\Condition;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\FactCatalog;
use Unanimus\Requirements\Group;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\Rule;
use Unanimus\Terms\Facts;

$kitsPath = dirname(__DIR__, 2).'/library/kits/';
$rules = static fn () => array_map(static fn (Rule $rule) => $rule->asks, Rule::fromFile(dirname(__DIR__, 2).'/library/rules/office.json'));
$called = static fn (CallSheet $sheet) => array_map(static fn (array $one) => $one['item']->title, $sheet->called);

it('compares facts by what they are', function (string $operator, string $known, string $value, bool $holds) {
    expect((new Condition('x', $operator, $value))->holds(Facts::from(['x' => $known])))->toBe($holds);
})->with([
    ['is', 'Condo', 'condo', true],
    ['is', '1962', '1962.0', true],
    ['is', 'condo', 'condo hotel', false],
    ['is_not', 'land', 'condo', true],
    ['one_of', 'land', 'condo, land', true],
    ['one_of', 'landing', 'condo,land', false],
    ['contains', 'FHA Conventional', 'fha', true],
    ['below', '1977', '1978', true],
    ['below', '1978', '1978', false],
    ['below', '412500.00', '412500.01', true],
    ['above', '3', '2', true],
    ['above', '10', '9', true],
    ['at_least', '2', '2', true],
    ['at_most', '3', '2', false],
    ['below', '2026-12-01', '2026-12-18', true],
    ['below', '2026-12-18', '20261218', false],
    ['below', 'old', '1978', false],
    ['known', 'x', '', true],
    ['unknown', 'x', '', false],
    ['below', '1e3', '1978', false],
]);

it('answers no about what is not known, but for that it is not known', function (string $operator, bool $holds) {
    expect((new Condition('x', $operator, '1'))->holds(Facts::from([])))->toBe($holds);
})->with([['is', false], ['is_not', false], ['below', false], ['known', false], ['unknown', true]]);

it('puts conditions together like a naive second reckoning', function () {
    mt_srand(5);
    $make = static function (int $depth) use (&$make): array {
        if ($depth === 0 || mt_rand(0, 2) === 0) {
            return ['f'.mt_rand(0, 4), 'is', (string) mt_rand(0, 2)];
        }

        return [['all', 'any', 'none'][mt_rand(0, 2)] => array_map(static fn () => $make($depth - 1), range(1, mt_rand(1, 3)))];
    };
    $naive = static function (array $data, array $facts) use (&$naive): bool {
        if (array_is_list($data)) {
            return ($facts[$data[0]] ?? null) === $data[2];
        }
        $found = array_map(static fn (array $one) => $naive($one, $facts), current($data));

        return match (key($data)) {
            'all' => ! in_array(false, $found, true),
            'any' => in_array(true, $found, true),
            default => ! in_array(true, $found, true),
        };
    };
    for ($i = 0; $i < 400; $i++) {
        $data = ['any' => [$make(3), $make(2)]];
        $facts = array_filter(
            [
                'f0' => (string) mt_rand(0, 2),
                'f1' => (string) mt_rand(0, 2),
                'f2' => mt_rand(0, 1) ? '1' : null,
                'f3' => (string) mt_rand(0, 2),
            ],
            static fn ($value) => $value !== null,
        );
        $group = Group::fromArray($data);
        expect($group->holds(Facts::from($facts)))->toBe($naive($data, $facts), json_encode([$data, $facts]));
        expect(Group::fromArray($group->toArray())->toArray())->toBe($group->toArray());
    }
});

it('reads conditions aloud', function () {
    $group = Group::fromArray([
        'all' => [
            ['property.year_built', 'below', '1978'],
            ['any' => [['kind', 'is', 'sale'], ['financing', 'one_of', 'cash,government']]],
            ['property.association', 'known'],
        ],
    ]);
    expect($group->words())
        ->toBe(
            'Year built is below 1978 and (Kind of deal is sale or Financing is one of cash or government-insured loan) and Association '.
                'is known',
        )
        ->and($group->facts())
        ->toBe(['property.year_built', 'kind', 'financing', 'property.association']);
});

it('refuses what is no condition, in words', function (array $data, string $told) {
    expect(fn () => Group::fromArray($data))->toThrow(ConditionUnreadable::class, $told);
})->with([
    [['all' => [['price', 'like', '1']]], 'not an operator'],
    [['all' => [['price', 'is']]], 'Give a value'],
    [['all' => 'x'], '“all”, “any” or “none”'],
    [['some' => []], '“all”, “any” or “none”'],
    [['all' => [[]]], 'A condition is'],
    [['all' => [['DROP TABLE', 'known']]], 'no name of a fact'],
    [['all' => [['any' => [['all' => [['any' => [['all' => [['any' => [['all' => []]]]]]]]]]]]]], 'too deep'],
]);

it('asks by the brokerage\'s rules for what each thing calls for', function (array $facts, array $papers) use ($rules, $called) {
    $sheet = CallSheet::of([], $rules(), Facts::from(['kind' => 'sale', 'represents' => 'buyer', ...$facts]));
    expect($called($sheet))->toEqualCanonicalizing($papers);
})->with([
    'nothing' => [[], []],
    'built before 1978' => [['property.year_built' => '1977'], ['Lead-based paint disclosure']],
    'built before 1978, but land' => [['property.year_built' => '1900', 'property.kind' => 'land'], ['Survey']],
    'association' => [['property.association' => 'Cove'], ['Association addendum']],
    'condo' => [['property.kind' => 'condo'], ['Condominium declaration and bylaws']],
    'septic and well' => [
        ['property.septic' => 'yes', 'property.well' => 'yes'],
        ['Septic inspection report', 'Well water test', 'Septic system and well addendum'],
    ],
    'flood zone' => [['property.flood_zone' => 'AE'], ['Flood zone statement and insurance quote']],
    'outside the flood' => [['property.flood_zone' => 'X'], []],
    'government loan' => [['financing' => 'government'], ['Financing addendum, government-insured loan']],
    'cash' => [['financing' => 'cash'], ['Proof of funds']],
    'three buyers' => [['buyers.count' => '3'], ['Additional parties']],
    'two buyers' => [['buyers.count' => '2'], []],
    'trust' => [['entity.party' => 'yes'], ['Authority to sign for the entity']],
    'attorney' => [['attorney.party' => 'yes'], ['Power of attorney']],
    'lease' => [['kind' => 'lease', 'property.year_built' => '1950'], ['Lease of a dwelling', 'Lead-based paint disclosure']],
    'referral' => [['kind' => 'referral', 'represents' => 'buyer'], ['Referral agreement']],
    'dual agency' => [['represents' => 'both'], ['Agency confirmation and consent to act for both sides', 'Agency disclosure']],
    'a designated agent for each side' => [['agency' => 'designated'], ['Agency confirmation and consent to act for both sides']],
    'our clients only' => [['agency' => 'client'], []],
    'new construction' => [['property.new_construction' => 'yes'], ['Builder’s warranty']],
]);

it('asks for a paper once, with every reason', function () use ($kitsPath, $rules) {
    $facts = Facts::from([
        'kind' => 'sale',
        'represents' => 'buyer',
        'property.kind' => 'condo',
        'property.association' => 'Millrace Court Owners',
        'financing' => 'government',
    ]);
    $sheet = CallSheet::of([Kit::fromFile($kitsPath.'condo-buyer.json')], $rules(), $facts);
    $association = array_values(array_filter($sheet->called, static fn (array $one) => $one['item']->form === 'M-222'));
    expect($association)
        ->toHaveCount(1)
        ->and($association[0]['reasons'])
        ->toBe(['a condominium always has an association', 'belongs to Millrace Court Owners']);
});

it('holds every shipped kit to its own form, with conditions that choose between them', function (string $key, array $facts) use (
    $kitsPath,
) {
    $chosen = [];
    foreach (glob($kitsPath.'*.json') ?: [] as $path) {
        $kit = Kit::fromFile($path);
        expect(Kit::fromArray($kit->key, $kit->toArray()))->toEqual($kit)->and($kit->when)->not->toBeNull();
        $kit->appliesTo(Facts::from($facts)) && ($chosen[] = $kit->key);
    }
    expect($chosen)->toBe(explode(' ', $key));
})->with([
    ['purchase-buyer', ['kind' => 'sale', 'represents' => 'buyer']],
    ['condo-buyer', ['kind' => 'sale', 'represents' => 'buyer', 'property.kind' => 'condo']],
    ['land-buyer', ['kind' => 'sale', 'represents' => 'buyer', 'property.kind' => 'land']],
    ['listing-seller', ['kind' => 'sale', 'represents' => 'seller']],
    ['listing-seller', ['kind' => 'sale', 'represents' => 'both']],
    ['lease', ['kind' => 'lease', 'represents' => 'landlord']],
    ['referral', ['kind' => 'referral', 'represents' => 'buyer']],
    ['new-construction purchase-buyer', ['kind' => 'sale', 'represents' => 'buyer', 'property.new_construction' => 'yes']],
]);

it('refuses a kit with a deal\'s own data, and says which', function (string $fact) {
    $kit = Kit::fromArray('own', ['name' => 'Mine', 'items' => [], 'answers' => ['M-201' => ['a blank' => 'something']]]);
    expect($kit->ofTheDeal(static fn (string $form, string $blank) => "{$form}/{$blank}" === 'M-201/a blank' ? $fact : null)[0] ?? '')
        ->toContain('M-201, “a blank”')
        ->toContain('belongs to a deal');
})->with(['buyers.names', 'seller.1.name', 'property.address', 'price', 'list_price', 'closing', 'loan_amount']);

it('lets a kit answer what is no deal\'s own', function (?string $fact) {
    $kit = Kit::fromArray('own', ['name' => 'Mine', 'answers' => ['M-201' => ['a' => 'x']]]);
    expect($kit->ofTheDeal(static fn () => $fact))->toBe([]);
})->with([[null], ['brokerage.name'], ['inspection_days'], ['financing?cash'], ['escrow_holder']]);

it('refuses what is no kit or rule, in words', function (callable $make, string $told) {
    expect($make)->toThrow(ConditionUnreadable::class, $told);
})->with([
    [fn () => Kit::fromArray('k', []), 'needs a name'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'items' => [['title' => '']]]), 'needs a title'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'items' => [['title' => 'a', 'stage' => 'later']]]), 'stands in no stage'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'items' => [['title' => 'a'], ['title' => 'A']]]), 'twice'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'contacts' => [['role' => 'buyer', 'name' => 'y']]]), 'Clients belong to a deal'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'fees' => [['amount' => 'much']]]), 'A fee is'],
    [fn () => Kit::fromArray('k', ['name' => 'x', 'tasks' => [['title' => '']]]), 'needs a title'],
    [
        fn () => Kit::fromArray('k', [
            'name' => 'x',
            'deadlines' => [['name' => 'a', 'anchor' => 'b', 'days' => 1], ['name' => 'b', 'anchor' => 'a', 'days' => 1]],
        ]),
        'counts from itself',
    ],
    [fn () => Rule::fromArray(['name' => 'x', 'when' => [], 'asks' => ['title' => 'y']]), 'at least one condition'],
    [fn () => Rule::fromArray(['when' => [['kind', 'known']], 'asks' => ['title' => 'y']]), 'needs a name'],
]);

it('names every fact it offers', function () {
    foreach (FactCatalog::all() as $name => $label) {
        expect(FactCatalog::label($name))->toBe($label)->and($label)->not->toBe('');
    }
    expect(FactCatalog::shows('price', '412500'))->toBe('$412,500')->and(FactCatalog::choices('represents'))->toHaveKey('both');
});
