<?php

declare(strict_types=1);

use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\DueRule;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\Rule;
use Unanimus\Requirements\Stage;
use Unanimus\Requirements\TaskRule;
use Unanimus\Terms\Facts;

/** Why something cannot be read; null: it can. */
function notReadable(callable $read): ?string
{
    try {
        $read();
    } catch (ConditionUnreadable $unreadable) {
        return $unreadable->getMessage();
    }

    return null;
}

/** A kit with everything in it. @return array<string, mixed> */
function fullKit(): array
{
    return [
        'name' => '  Everything ',
        'note' => ' Read first. ',
        'when' => ['all' => [['represents', 'is', 'buyer']]],
        'items' => [
            ['title' => ' Purchase agreement ', 'form' => 'M-201', 'stage' => 'offer', 'reason' => ' every purchase ', 'side' => 'buyer',
                'due' => ['anchor' => 'acceptance', 'days' => ' − 2 ']],
            ['title' => 'Sign placed', 'action' => true, 'required' => false],
            ['title' => 'Lock box', 'form' => 'action'],
            'no item at all',
            ['title' => 'Survey', 'form' => '', 'when' => ['all' => [['price', 'above', '100000']]], 'side' => 'nobody', 'required' => 0],
        ],
        'answers' => ['M-201' => ['a' => 'x', 'b' => '', 'c' => 5, 'd' => ['no']], 'M-9' => 'no'],
        'tasks' => [
            ['title' => ' Order the sign ', 'anchor' => 'listed_on', 'days' => -3, 'unit' => 'business', 'for' => 'broker'],
            ['title' => 'Call', 'anchor' => 'Not One', 'for' => 'nobody', 'unit' => 'x'],
        ],
        'contacts' => [['role' => ' escrow ', 'name' => ' Nadia ', 'firm' => 'Anchorfield', 'email' => 'n@a.example', 'phone' => 7]],
        'fees' => [['label' => ' Transaction ', 'amount' => '$1,395.5'], ['label' => '', 'amount' => ''], ['amount' => 20]],
    ];
}

it('reads a kit in full, and gives it out as it was understood', function () {
    $kit = Kit::fromArray('everything', fullKit());
    $out = $kit->toArray();
    expect($kit->key)->toBe('everything')
        ->and($out['name'])->toBe('Everything')
        ->and($out['note'])->toBe('Read first.')
        ->and($out['when'])->toBe(['all' => [['represents', 'is', 'buyer']]])
        ->and($out['answers'])->toBe(['M-201' => ['a' => 'x', 'c' => '5']])
        ->and($out['deadlines'])->toBe([])
        ->and($out['items'])->toBe([
            ['title' => 'Purchase agreement', 'form' => 'M-201', 'stage' => 'offer', 'reason' => 'every purchase', 'side' => 'buyer',
                'due' => ['anchor' => 'acceptance', 'days' => -2], 'required' => true],
            ['title' => 'Sign placed', 'stage' => Stage::keys()[0], 'reason' => 'part of the kit', 'action' => true, 'required' => false],
            ['title' => 'Lock box', 'stage' => Stage::keys()[0], 'reason' => 'part of the kit', 'action' => true, 'required' => true],
            ['title' => 'Survey', 'stage' => Stage::keys()[0], 'when' => ['all' => [['price', 'above', '100000']]],
                'reason' => $kit->items[3]->when->words(), 'required' => false],
        ])
        ->and($out['tasks'])->toBe([
            ['title' => 'Order the sign', 'anchor' => 'listed_on', 'days' => -3, 'unit' => 'business', 'for' => 'broker'],
            ['title' => 'Call', 'anchor' => 'opened', 'days' => 0, 'unit' => 'calendar', 'for' => 'agent'],
        ])
        ->and($out['contacts'])->toBe([['role' => 'escrow', 'name' => 'Nadia', 'firm' => 'Anchorfield', 'email' => 'n@a.example',
            'phone' => '']])
        ->and($out['fees'])->toBe([
            ['label' => 'Transaction', 'amount' => '1395.5'],
            ['label' => 'Fee', 'amount' => null],
            ['label' => 'Fee', 'amount' => '20'],
        ])
        ->and(Kit::fromArray('everything', $out)->toArray())->toBe($out);
});

it('applies itself where its conditions hold, and never without any', function () {
    $buyer = Facts::from(['represents' => 'buyer', 'price' => '150000']);
    $kit = Kit::fromArray('k', fullKit());
    expect($kit->appliesTo($buyer))->toBeTrue()
        ->and($kit->appliesTo(Facts::from(['represents' => 'seller'])))->toBeFalse()
        ->and(Kit::fromArray('k', [...fullKit(), 'when' => null])->appliesTo($buyer))->toBeFalse()
        ->and(Kit::fromArray('k', [...fullKit(), 'when' => []])->appliesTo($buyer))->toBeFalse()
        ->and(array_map(static fn (KitItem $one) => $one->title, $kit->itemsFor(Facts::from(['price' => '90000']))))
        ->toBe(['Purchase agreement', 'Sign placed', 'Lock box'])
        ->and($kit->itemsFor($buyer))->toHaveCount(4);
});

it('refuses what cannot be read in it, each in its own words', function (string $where, mixed $with, string $says) {
    $kit = fullKit();
    data_set($kit, $where, $with);
    expect(notReadable(fn () => Kit::fromArray('k', $kit)))->toContain($says);
})->with([
    'no name' => ['name', ' ', 'needs a name'],
    'a number for a name' => ['name', 5, 'needs a name'],
    'a long name' => ['name', str_repeat('x', 81), 'needs a name'],
    'no title' => ['items.0.title', '', 'needs a title'],
    'a long title' => ['items.0.title', str_repeat('x', 121), 'needs a title'],
    'no such stage' => ['items.0.stage', 'nowhere', '“Purchase agreement” stands in no stage: choose '.Stage::keys()[0]],
    'twice' => ['items.1', ['title' => 'Again', 'form' => 'M-201'], 'stands in the kit twice'],
    'due from nothing' => ['items.0.due.anchor', 'No Day', 'from which day'],
    'due in words' => ['items.0.due.days', 'soon', 'whole number'],
    'due far away' => ['items.0.due.days', 3661, 'whole number'],
    'a task without title' => ['tasks.0.title', null, 'A task needs a title'],
    'a long task' => ['tasks.0.title', str_repeat('x', 201), 'A task needs a title'],
    'a task far away' => ['tasks.0.days', 3661, '“Order the sign”: the days'],
    'a task in words' => ['tasks.0.days', '3', 'whole number'],
    'a client' => ['contacts.0.role', 'buyer', 'escrow, lender or other'],
    'a contact without name' => ['contacts.0.name', '', 'needs a name'],
    'a fee in words' => ['fees.0.amount', 'much', 'A fee is an amount'],
    'a fee in mills' => ['fees.0.amount', '1.234', 'A fee is an amount'],
]);

it('takes names, titles and days up to their limit', function () {
    $kit = fullKit();
    $kit['name'] = str_repeat('ü', 80);
    $kit['items'][0]['title'] = str_repeat('ü', 120);
    $kit['tasks'][0]['title'] = str_repeat('ü', 200);
    $kit['tasks'][0]['days'] = -3660;
    $kit['items'][0]['due']['days'] = 3660;
    expect(notReadable(fn () => Kit::fromArray('k', $kit)))->toBeNull();
});

it('says which answers belong to a deal and not to a kit', function () {
    $kit = Kit::fromArray('k', fullKit());
    $told = $kit->ofTheDeal(static fn (string $form, string $blank): ?string => ['M-201 a' => 'price', 'M-201 c' => 'office'][
        "{$form} {$blank}"] ?? null);
    expect($told)->toHaveCount(1)
        ->and($told[0])->toStartWith('M-201, “a”, holds ')->toEndWith(': that belongs to a deal, not to a kit.');
});

it('says when a paper is due', function () {
    $due = static fn (int $days) => DueRule::from(['anchor' => 'closing', 'days' => $days])?->words('Closing');
    expect($due(0))->toBe('at closing')
        ->and($due(-1))->toBe('1 day before closing')
        ->and($due(-3))->toBe('3 days before closing')
        ->and($due(1))->toBe('1 day after closing')
        ->and(DueRule::from(null))->toBeNull()
        ->and(DueRule::from(['days' => 3]))->toBeNull()
        ->and(DueRule::from(['anchor' => '']))->toBeNull()
        ->and(DueRule::from(['anchor' => 'closing'])?->toArray())->toBe(['anchor' => 'closing', 'days' => 0])
        ->and(DueRule::from(['anchor' => 'closing', 'days' => '-14'])?->days)->toBe(-14)
        ->and(TaskRule::fromArray(['title' => 'x', 'days' => 3660])->days)->toBe(3660);
});

it('calls for a paper once, for all its reasons, and knows what stays idle', function () {
    $item = static fn (array $data) => KitItem::fromArray($data, Stage::keys());
    $kit = static fn (array $items) => Kit::fromArray('k', ['name' => 'K', 'items' => $items]);
    $old = ['all' => [['property.year_built', 'below', '1978']]];
    $sheet = CallSheet::of(
        [
            $kit([['title' => 'Lead paint', 'form' => 'M-210', 'when' => $old, 'reason' => 'built in {property.year_built}, {nothing}']]),
            $kit([
                ['title' => 'Survey', 'required' => false, 'reason' => 'a kit'],
                ['title' => 'Well', 'when' => ['all' => [['price', 'above', '999999999']]]],
            ]),
        ],
        [
            $item(['title' => 'SURVEY', 'reason' => 'the office']),
            $item(['title' => 'Lead paint', 'form' => 'M-210', 'reason' => 'a kit']),
            $item(['title' => 'Survey', 'reason' => 'a kit']),
        ],
        Facts::from(['property.year_built' => '1931']),
    );
    expect(array_map(static fn (array $one) => [$one['item']->title, $one['item']->required, $one['reasons']], $sheet->called))->toBe([
        ['Lead paint', true, ['built in 1931, …', 'a kit']],
        ['SURVEY', true, ['a kit', 'the office']],
    ])
        ->and(array_map(static fn (KitItem $one) => $one->title, $sheet->idle))->toBe(['Well'])
        ->and($sheet->order)->toBe(['M-210', 'survey', 'well']);
    // Called for by one kit and idle in another, it is called for.
    $both = CallSheet::of([$kit([['title' => 'Lead paint', 'form' => 'M-210', 'when' => $old]])], [$item(['title' => 'x',
        'form' => 'M-210'])],
        Facts::from(['property.year_built' => '2001']));
    expect($both->idle)->toBe([])->and($both->called)->toHaveCount(1);
});

it('reads a rule of the office, which asks for something and not always', function () {
    $data = ['name' => ' Old houses ', 'when' => ['all' => [['property.year_built', 'below', '1978']]],
        'asks' => ['title' => 'Lead paint']];
    $rule = Rule::fromArray($data);
    expect($rule->toArray())->toBe([
        'name' => 'Old houses',
        'when' => $data['when'],
        'asks' => ['title' => 'Lead paint', 'stage' => Stage::keys()[0], 'reason' => $rule->asks->reason, 'required' => true],
    ])
        ->and(Rule::fromArray($rule->toArray())->toArray())->toBe($rule->toArray())
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'name' => ''])))->toContain('needs a name')
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'name' => str_repeat('x', 81)])))->toContain('needs a name')
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'name' => str_repeat('x', 80)])))->toBeNull()
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'when' => []])))->toContain('at least one condition')
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'when' => 'always'])))->toContain('at least one condition')
        ->and(notReadable(fn () => Rule::fromArray([...$data, 'asks' => null])))->toContain('needs a title');
});
