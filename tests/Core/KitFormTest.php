<?php

declare(strict_types=1);

use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\Condition;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\FactCatalog;
use Unanimus\Requirements\Group;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\Rule;
use Unanimus\Requirements\TaskRule;
use Unanimus\Terms\Facts;

const STAGES = ['agency', 'offer'];

/** Refused, with those words. */
function unreadable(callable $does, string $words): void
{
    expect($does)->toThrow(ConditionUnreadable::class, $words);
}

it('reads a condition as it is written, and says what is wrong with it', function () {
    unreadable(fn () => new Condition('x', 'is', ' '), 'x is … what? Give a value.');
    unreadable(fn () => new Condition('X', 'is', '1'), '“X” is no name of a fact.');
    unreadable(fn () => new Condition('x', 'like', '1'), '“like” is not an operator of conditions.');
    expect((new Condition(str_repeat('a', 80), 'known'))->words())
        ->toBe(str_repeat('a', 80).' is known')
        ->and((new Condition('price', 'at_least', '250000'))->words())
        ->toBe('Price is at least $250,000')
        ->and((new Condition('price', 'at_least', '250000'))->toArray())
        ->toBe(['price', 'at_least', '250000'])
        ->and((new Condition('price', 'known', 'x'))->toArray())
        ->toBe(['price', 'known'])
        ->and((new Condition('price', 'known'))->facts())
        ->toBe(['price']);
    unreadable(fn () => new Condition(str_repeat('a', 81), 'known'), 'no name of a fact');
});

it('compares at the edges', function (string $operator, string $known, string $value, bool $holds) {
    expect((new Condition('x', $operator, $value))->holds(Facts::from(['x' => $known])))->toBe($holds);
})->with([
    ['at_most', '3', ' 3 ', true],
    ['at_most', '3', '3.01', true],
    ['at_most', 'three', '3', false],
    ['at_least', 'three', '3', false],
    ['above', '2', '2', false],
    ['above', 'three', '3', false],
    ['is', 'a', ' A ', true],
    ['is', '5', 'five', false],
    ['one_of', 'a', 'b , a ', true],
    ['contains', 'abc', ' b ', true],
    ['contains', 'abc', 'a', true],
    ['contains', 'abc', 'x', false],
    ['unknown', '1', '1', false],
    ['above', '2026-12-18', '2026-12-17', true],
    ['above', '2026-12-18', '5', false],
]);

it('reads groups, refuses what is none, and says them in words', function () {
    $two = Group::fromArray([['a', 'is', '1'], ['b', 'known']]);
    expect($two->words())
        ->toBe('a is 1 and b is known')
        ->and($two->facts())
        ->toBe(['a', 'b'])
        ->and(Group::fromArray(['any' => [['a', 'known'], ['a', 'is', '2']]])->facts())
        ->toBe(['a'])
        ->and(Group::fromArray(['any' => []])->words())
        ->toBe('never')
        ->and(Group::always()->words())
        ->toBe('always')
        ->and(Group::always()->isEmpty())
        ->toBeTrue()
        ->and(Group::fromArray(['none' => [['a', 'known']]])->words())
        ->toBe('not: a is known')
        ->and(Group::fromArray(['none' => [['a', 'known'], ['b', 'known']]])->words())
        ->toBe('neither a is known nor b is known')
        ->and(
            Group::fromArray(
                ['all' => [['a', 'known'], ['any' => [['b', 'known'], ['c', 'known']]], ['any' => [['d', 'known']]]]],
            )->words(),
        )
        ->toBe('a is known and (b is known or c is known) and d is known')
        ->and(Group::fromArray([['a', 'is', 7]])->toArray())
        ->toBe(['all' => [['a', 'is', '7']]]);
    $nested = fn (int $depth) => array_reduce(range(1, $depth), fn (array $in) => ['all' => [$in]], ['all' => [['a', 'known']]]);
    expect(Group::fromArray($nested(5))->words())->toBe('a is known');
    unreadable(fn () => Group::fromArray($nested(6)), 'too deep');
    foreach ([['all' => [], 'any' => []], ['some' => []], ['all' => 'x'], ['all' => ['k' => ['a', 'known']]]] as $wrong) {
        unreadable(fn () => Group::fromArray($wrong), '“all”, “any” or “none” with a list');
    }
    unreadable(fn () => Group::fromArray(['all' => ['x']]), 'a fact, an operator and a value');
    unreadable(fn () => Group::fromArray(['all' => [[]]]), 'a fact, an operator and a value');
    unreadable(fn () => Group::fromArray([['a']]), '“” is not an operator');
    unreadable(fn () => Group::fromArray([['a', 'is']]), 'Give a value');
});

it('reads papers of a kit with their defaults, and writes them as they were read', function () {
    $item = KitItem::fromArray(['title' => '  Survey ', 'reason' => '  because  ', 'form' => '', 'side' => 'nobody'], STAGES);
    expect([$item->title, $item->form, $item->stage, $item->reason, $item->required, $item->side])
        ->toBe(['Survey', null, 'agency', 'because', true, null])
        ->and($item->identity())
        ->toBe('survey')
        ->and($item->toArray())
        ->toBe(['title' => 'Survey', 'stage' => 'agency', 'reason' => 'because', 'required' => true]);
    $full = [
        'title' => 'Deed',
        'form' => 'M-1',
        'stage' => 'offer',
        'when' => ['all' => [['a', 'known']]],
        'reason' => 'r',
        'side' => 'seller',
        'required' => false,
    ];
    expect(KitItem::fromArray($full, STAGES)->toArray())
        ->toBe($full)
        ->and(KitItem::fromArray($full, STAGES)->identity())
        ->toBe('M-1')
        ->and(KitItem::fromArray(['title' => 'x', 'reason' => ' '], STAGES)->reason)
        ->toBe('part of the kit')
        ->and(KitItem::fromArray(['title' => 'x', 'when' => [['a', 'known']]], STAGES)->reason)
        ->toBe('a is known')
        ->and(KitItem::fromArray(['title' => 'x', 'required' => 0], STAGES)->required)
        ->toBeFalse()
        ->and(KitItem::fromArray(['title' => str_repeat('é', 120)], STAGES)->title)
        ->toHaveLength(120);
    foreach (['buyer', 'seller', 'tenant', 'landlord'] as $side) {
        expect(KitItem::fromArray(['title' => 'x', 'side' => $side], STAGES)->side?->value)->toBe($side);
    }
    unreadable(fn () => KitItem::fromArray(['title' => str_repeat('é', 121)], STAGES), 'title of up to 120 letters');
    unreadable(fn () => KitItem::fromArray(['title' => ' '], STAGES), 'title of up to 120 letters');
    unreadable(fn () => KitItem::fromArray(['title' => 7], STAGES), 'title of up to 120 letters');
    unreadable(fn () => KitItem::fromArray(['title' => 'x', 'stage' => 'nowhere'], STAGES), '“x” stands in no stage: choose agency, '.
        'offer.');
});

it('says a reason with the deal’s facts in it', function () {
    $item = KitItem::fromArray(['title' => 'x', 'reason' => 'built {property.year_built}, {financing}, {price}, {nothing}'], STAGES);
    expect($item->reasonFor(Facts::from(['property.year_built' => '1962', 'financing' => 'cash', 'price' => '412500.00'])))->toBe(
        'built 1962, cash, $412,500, …',
    );
    expect(FactCatalog::shows('represents', 'buyer, both'))
        ->toBe('the buyer or both sides')
        ->and(FactCatalog::shows('represents', 'nobody'))
        ->toBe('nobody')
        ->and(FactCatalog::shows('price', 'about 5'))
        ->toBe('about 5')
        ->and(FactCatalog::label('nothing.at_all'))
        ->toBe('nothing.at_all')
        ->and(FactCatalog::choices('nothing.at_all'))
        ->toBeNull()
        ->and(FactCatalog::choices('kind'))
        ->toBe(['sale' => 'sale', 'lease' => 'lease', 'referral' => 'referral']);
    $sorted = FactCatalog::all();
    asort($sorted);
    expect(FactCatalog::all())->toHaveKeys(['represents', 'price', 'property.year_built', 'buyers.count'])->toBe($sorted);
});

it('reads tasks of a kit with their defaults, and writes them as they were read', function () {
    expect(TaskRule::fromArray(['title' => ' Call ', 'anchor' => 'Not A Name', 'for' => 'nobody', 'unit' => 'weeks'])->toArray())
        ->toBe(['title' => 'Call', 'anchor' => 'opened', 'days' => 0, 'unit' => 'calendar', 'for' => 'agent']);
    $full = ['title' => 'Call', 'anchor' => 'closing', 'days' => -3660, 'unit' => 'business', 'for' => 'broker'];
    expect(TaskRule::fromArray($full)->toArray())
        ->toBe($full)
        ->and(TaskRule::fromArray([...$full, 'days' => 3660, 'for' => 'coordinator'])->for)
        ->toBe('coordinator')
        ->and(TaskRule::fromArray(['title' => str_repeat('é', 200), 'anchor' => str_repeat('a', 60)])->anchor)
        ->toBe(str_repeat('a', 60))
        ->and(TaskRule::fromArray(['title' => 'x', 'anchor' => str_repeat('a', 61)])->anchor)
        ->toBe('opened');
    unreadable(fn () => TaskRule::fromArray(['title' => str_repeat('é', 201)]), 'up to 200 letters');
    unreadable(fn () => TaskRule::fromArray(['title' => ' ']), 'up to 200 letters');
    unreadable(fn () => TaskRule::fromArray(['title' => 'x', 'days' => 3661]), '“x”: the days are a whole number.');
    unreadable(fn () => TaskRule::fromArray(['title' => 'x', 'days' => -3661]), 'whole number');
    unreadable(fn () => TaskRule::fromArray(['title' => 'x', 'days' => '3']), 'whole number');
});

it('reads a rule of the office, and refuses one that asks always', function () {
    $rule = [
        'name' => 'Old',
        'when' => ['all' => [['a', 'known']]],
        'asks' => ['title' => 'x', 'stage' => 'agency', 'reason' => 'r', 'required' => true],
    ];
    expect(Rule::fromArray($rule)->toArray())
        ->toBe($rule)
        ->and(Rule::fromArray([...$rule, 'name' => ' '.str_repeat('é', 80).' '])->name)
        ->toHaveLength(80);
    unreadable(fn () => Rule::fromArray([...$rule, 'name' => str_repeat('é', 81)]), 'up to 80 letters');
    unreadable(fn () => Rule::fromArray([...$rule, 'name' => '  ']), 'up to 80 letters');
    unreadable(fn () => Rule::fromArray([...$rule, 'when' => []]), 'at least one condition');
});

it('reads contacts and fees of a kit, and nothing that belongs to a deal', function () {
    $kit = fn (array $more) => Kit::fromArray('k', ['name' => 'Kit', ...$more]);
    expect($kit(['contacts' => [['role' => 'escrow', 'name' => ' Nadia ', 'firm' => str_repeat('f', 201), 'email' => 7]]])->contacts)
        ->toBe([['role' => 'escrow', 'name' => 'Nadia', 'firm' => str_repeat('f', 200), 'email' => '', 'phone' => '']])
        ->and($kit(['fees' => [['label' => ' ', 'amount' => '$1,395.5'], ['label' => 'Open', 'amount' => ''], ['amount' => 12]]])->fees)
        ->toBe([['label' => 'Fee', 'amount' => '1395.5'], ['label' => 'Open', 'amount' => null], ['label' => 'Fee', 'amount' => '12']]);
    unreadable(fn () => $kit(['contacts' => [['role' => 'buyer', 'name' => 'x']]]), 'Clients belong to a deal');
    unreadable(fn () => $kit(['contacts' => [['role' => 'escrow', 'name' => ' ']]]), 'needs a name');
    unreadable(fn () => $kit(['fees' => [['amount' => 'about 5']]]), 'A fee is an amount');
    unreadable(fn () => $kit(['fees' => [['amount' => '12345678']]]), 'A fee is an amount');
    unreadable(fn () => $kit(['items' => [['title' => 'Survey'], ['title' => 'SURVEY']]]), '“SURVEY” stands in the kit twice.');
    unreadable(fn () => Kit::fromArray('k', ['name' => str_repeat('é', 81)]), 'up to 80 letters');
    unreadable(fn () => Kit::fromArray('k', ['name' => ' ']), 'up to 80 letters');
    $read = $kit([
        'name' => ' Kit ',
        'note' => ' a note ',
        'answers' => ['M-1' => ['a' => 'x', 'b' => '', 'c' => ['no'], 'd' => 5, 'e' => str_repeat('é', 4001)], 'M-2' => 'no'],
        'items' => ['no', ['title' => 'x']],
        'when' => ['all' => [['kind', 'is', 'sale']]],
    ]);
    expect([$read->name, $read->note, count($read->items)])
        ->toBe(['Kit', 'a note', 1])
        ->and(array_keys($read->answers))
        ->toBe(['M-1'])
        ->and(array_map(mb_strlen(...), $read->answers['M-1']))
        ->toBe(['a' => 1, 'd' => 1, 'e' => 4000])
        ->and($read->appliesTo(Facts::from(['kind' => 'sale'])))
        ->toBeTrue()
        ->and($read->appliesTo(Facts::from(['kind' => 'lease'])))
        ->toBeFalse()
        ->and($kit([])->appliesTo(Facts::from([])))
        ->toBeFalse()
        ->and($kit(['when' => []])->appliesTo(Facts::from([])))
        ->toBeFalse()
        ->and(Kit::fromArray('k', $read->toArray()))
        ->toEqual($read)
        ->and($kit([])->toArray()['when'])
        ->toBeNull();
});

it('puts kits and rules together: each paper once, required if one asks for it, with every reason once', function () {
    $kit = fn (array $items) => Kit::fromArray('k', ['name' => 'Kit', 'items' => $items]);
    $facts = Facts::from(['a' => '1']);
    $sheet = CallSheet::of(
        [
            $kit([['title' => 'One', 'reason' => 'r1', 'required' => false], ['title' => 'Idle', 'when' => [['b', 'known']]]]),
            $kit([['title' => 'ONE', 'reason' => 'r2'], ['title' => 'Two', 'reason' => 'r3', 'when' => [['b', 'known']]]]),
        ],
        [
            KitItem::fromArray(['title' => 'one', 'reason' => 'r1', 'required' => false], STAGES),
            KitItem::fromArray(['title' => 'Two', 'reason' => 'r4', 'when' => [['a', 'known']]], STAGES),
            KitItem::fromArray(['title' => 'idle', 'reason' => 'later', 'when' => [['b', 'known']]], STAGES),
        ],
        $facts,
    );
    expect(array_map(fn (array $one) => [$one['item']->title, $one['item']->required, $one['reasons']], $sheet->called))
        ->toBe([['ONE', true, ['r1', 'r2']], ['Two', true, ['r4']]])
        ->and(array_map(fn (KitItem $item) => $item->title, $sheet->idle))
        ->toBe(['Idle'])
        ->and($sheet->order)
        ->toBe(['one', 'idle', 'two'])
        ->and(array_is_list($sheet->called) && array_is_list($sheet->idle))
        ->toBeTrue();
    expect(CallSheet::of([], [], $facts)->called)->toBe([]);
});
