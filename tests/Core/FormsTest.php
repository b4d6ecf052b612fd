<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Blank;
use Unanimus\Forms\ContractForms;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormText;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Forms\Questions;
use Unanimus\Pages\Rect;
use Unanimus\Parties\DealKind;
use Unanimus\Terms\Derived;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/** A small form: price, percent, loan, two ticks of a group, a dependent blank. */
function smallForm(): Form
{
    $at = static fn (int $row) => new Rect(50, 50 + $row * 20, 200, 14);

    return new Form(
        'T-1',
        '1',
        'Test',
        'Tests',
        'offer',
        [[612.0, 792.0]],
        [
            new Blank('price', Kind::Money, 'Price', 1, $at(0), true, 'price'),
            new Blank('pct', Kind::Percent, 'Percent', 1, $at(1), false, 'loan_percent'),
            new Blank('loan', Kind::Money, 'Loan', 1, $at(2), false, null, 'pct % price'),
            new Blank('rest', Kind::Money, 'Rest', 1, $at(3), false, null, 'price - loan'),
            new Blank('yes', Kind::Tick, 'Yes', 1, $at(4), true, null, null, 'answer'),
            new Blank('no', Kind::Tick, 'No', 1, $at(5), false, 'financing?cash', null, 'answer'),
            new Blank('why', Kind::Text, 'Why', 1, $at(6), true, null, null, null, 'yes'),
        ],
        [],
        '',
    );
}

it('reads entries of every kind as people type them', function (Kind $kind, string $typed, string $kept, string $printed) {
    $value = $kind->parse($typed, LocalDate::of('2026-11-23'));
    expect($value)->toBe($kept)->and($kind->show($value))->toBe($printed);
})->with([
    [Kind::Money, '450k', '450000.00', '450,000'],
    [Kind::Money, '398,062.50', '398062.50', '398,062.50'],
    [Kind::Money, '-12.5', '-12.50', '−12.50'],
    [Kind::Percent, '96.5%', '96.5', '96.5'],
    [Kind::Date, '12/18', '2026-12-18', 'December 18, 2026'],
    [Kind::Time, '3pm', '15:00', '3:00 pm'],
    [Kind::Time, '12 a.m.', '00:00', '12:00 am'],
    [Kind::Time, 'noon', '12:00', '12:00 pm'],
    [Kind::Time, '15:30', '15:30', '3:30 pm'],
    [Kind::Number, '1,962', '1962', '1962'],
    [Kind::Text, "José  Nguyễn\nOrtiz", 'José  Nguyễn Ortiz', 'José  Nguyễn Ortiz'],
    [Kind::Text, '山田 太郎', '山田 太郎', '山田 太郎'],
    [Kind::Text, 'أحمد', 'أحمد', 'أحمد'],
    [Kind::Tick, 'on', 'x', 'x'],
    [Kind::Tick, '0', '', ''],
    [Kind::Lines, "one\r\ntwo", "one\ntwo", "one\ntwo"],
    [Kind::Money, '  ', '', ''],
]);

it('takes out what cannot be seen', function () {
    expect(Kind::Text->parse("hidden\u{202E}turn\u{0}", LocalDate::of('2026-11-23')))->toBe('hiddenturn');
});

it('refuses entries that are not of the kind', function (Kind $kind, string $typed) {
    $kind->parse($typed, LocalDate::of('2026-11-23'));
})
    ->with([
        [Kind::Money, 'lots'],
        [Kind::Percent, '101'],
        [Kind::Date, 'tomorrowish'],
        [Kind::Time, '25:00'],
        [Kind::Time, '13pm'],
        [Kind::Number, '12a'],
        [Kind::Text, str_repeat('x', 4001)],
    ])
    ->throws(EntryUnreadable::class);

it('fills from terms, computes, and prefers what was entered', function () {
    $filling = Filling::of(smallForm(), ['pct' => '90'], Facts::from(['price' => '400000.00', 'loan_percent' => '80']));
    expect($filling->value('price'))
        ->toBe('400000.00')
        ->and($filling->value('loan'))
        ->toBe('360000.00')
        ->and($filling->value('rest'))
        ->toBe('40000.00')
        ->and($filling->blanks['pct']->departs)
        ->toBeTrue()
        ->and($filling->blanks['loan']->source)
        ->toBe('computed: percent % of price');
});

it('computes nothing from nothing', function () {
    $filling = Filling::of(smallForm(), [], Facts::from([]));
    expect($filling->value('loan'))->toBe('')->and($filling->value('rest'))->toBe('');
});

it('lists required blanks, one for a group, and dependent ones only when they count', function () {
    $names = static fn (array $entries, array $facts) => array_map(
        static fn (Blank $blank) => $blank->name,
        Filling::of(smallForm(), $entries, Facts::from($facts))->missing(),
    );
    expect($names([], []))
        ->toBe(['price', 'yes'])
        ->and($names(['yes' => 'x'], ['price' => '1.00']))
        ->toBe(['why'])
        ->and($names([], ['price' => '1.00', 'financing' => 'cash']))
        ->toBe([])
        ->and($names(['yes' => 'x', 'why' => 'because'], ['price' => '1.00']))
        ->toBe([]);
});

it('leaves a blank empty that was knowingly cleared', function () {
    expect(Filling::of(smallForm(), ['price' => ''], Facts::from(['price' => '5.00']))->value('price'))->toBe('');
});

it('derives loan, down payment and balance, each with its formula', function () {
    $facts = Derived::from(
        Facts::from(['price' => '412500.00', 'loan_percent' => '96.5', 'earnest_money' => '8000.00', 'financing' => 'government']),
    );
    expect($facts->value('loan_amount'))
        ->toBe('398062.50')
        ->and($facts->value('down_payment'))
        ->toBe('14437.50')
        ->and($facts->value('balance'))
        ->toBe('6437.50')
        ->and($facts->get('loan_amount')?->source)
        ->toBe('price $412,500 × 96.5%');
});

it('has no loan when bought with cash', function () {
    $facts = Derived::from(
        Facts::from(['price' => '100000.00', 'loan_percent' => '80', 'earnest_money' => '5000.00', 'financing' => 'cash']),
    );
    expect($facts->value('loan_amount'))->toBeNull()->and($facts->value('balance'))->toBe('95000.00');
});

it('tells contradictions', function (array $terms, int $count) {
    expect(Derived::contradictions(Derived::from(Facts::from($terms))))->toHaveCount($count);
})->with([
    [['acceptance' => '2026-12-01', 'closing' => '2026-11-01'], 1],
    [['price' => '100.00', 'loan_percent' => '100', 'earnest_money' => '5.00'], 1],
    [['acceptance' => '2026-11-01', 'closing' => '2026-12-01'], 0],
]);

dataset('library forms', fn () => array_map(static fn (Form $form) => [$form], (new Library(dirname(__DIR__, 2).'/library'))->all()));

it('prints a library form whose places all lie on its pages and do not overlap', function (Form $form) {
    foreach ([...$form->blanks, ...$form->marks] as $place) {
        [$width, $height] = $form->pages[$place->page - 1];
        expect($place->place->fitsOn($width, $height))->toBeTrue();
    }
    foreach ($form->blanks as $index => $blank) {
        foreach (array_slice($form->blanks, $index + 1) as $other) {
            expect($blank->page === $other->page && $blank->place->overlaps($other->place))->toBeFalse("{$blank->name} and {$other->name}");
        }
    }
})->with('library forms');

it('names only blanks that exist in formulas and conditions', function (Form $form) {
    expect($form->blanks)->not->toBe([]);
    foreach ($form->blanks as $blank) {
        preg_match_all('/[a-z_0-9]+/', (string) $blank->formula, $used);
        foreach ([...$used[0], ...$blank->when === null ? [] : [$blank->when]] as $name) {
            expect($form->blank($name))->not->toBeNull("{$blank->name} uses {$name}");
        }
    }
})->with('library forms');

it('has a purchase agreement of the length and detail of a real one', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
    $initials = array_filter(
        $form->marks,
        static fn (MarkPlace $mark) => $mark->kind->value === 'initials' && (string) $mark->seat === 'buyer.1',
    );
    expect(count($form->pages))
        ->toBeGreaterThanOrEqual(8)
        ->and(count($form->blanks))
        ->toBeGreaterThanOrEqual(110)
        ->and(array_values(array_map(static fn (MarkPlace $mark) => $mark->page, $initials)))
        ->toBe(range(1, count($form->pages) - 1));
});

it('refuses a number that is no form', function (string $number) {
    (new Library(dirname(__DIR__, 2).'/library'))->form($number);
})
    ->with(['M-999', '../m-201', '', 'kits'])
    ->throws(FormUnknown::class);

it('draws each filled blank at its place', function () {
    $drawings = FilledPages::draw(
        smallForm(),
        Filling::of(smallForm(), ['yes' => 'x', 'why' => 'A < B & "C"'], Facts::from(['price' => '400000.00'])),
    );
    $svg = $drawings[1]->svg();
    expect($svg)
        ->toContain('>400,000</text>')
        ->toContain('A &lt; B &amp; &quot;C&quot;')
        ->toContain('<path')
        ->and(simplexml_load_string($svg))
        ->not->toBeFalse();
});

it('refuses a form text that names a blank twice or is not complete', function (string $text) {
    FormText::read($text)->html();
})
    ->with([
        ["number: X-1\nrevision: 1\ntitle: T\nset: S\nstage: offer\n---\n[[a text]] [[a text]]"],
        ["number: X-1\n---\nbody"],
        ["number: X-1\nrevision: 1\ntitle: T\nset: S\nstage: offer\n---\n[[a nonsense]]"],
    ])
    ->throws(UnexpectedValueException::class);

it('reads drafts against each other and the terms', function () {
    $form = fn (string $number) => (new Library(dirname(__DIR__, 2).'/library'))->form($number);
    $facts = Facts::from(['price' => '412500.00', 'acceptance' => '2026-11-20', 'closing' => '2026-12-18']);
    $check = fn (array $contract, array $cover) => CrossCheck::of([
        'c' => ['title' => 'Purchase agreement', 'filling' => Filling::of($form('M-201'), $contract, $facts)],
        'o' => ['title' => 'Offer cover', 'filling' => Filling::of($form('M-205'), $cover, $facts)],
    ]);
    $texts = fn (array $found) => array_map(fn (array $list) => array_map(fn ($one) => "{$one->blank}: {$one->text}", $list), $found);
    expect($check([], []))
        ->toBe([])
        ->and($texts($check(['price' => '399000.00'], [])))
        ->toBe(['c' => ['price: Price says 399,000; the terms say 412,500.']])
        ->and($texts($check(['earnest_money' => '8000.00'], ['earnest_money' => '9000.00'])))
        ->toBe(['o' => ['earnest_money: Earnest money says 9,000 here and 8,000 on Purchase agreement.']])
        ->and($texts($check(['earnest_money' => '8000.00'], ['earnest_money' => '8000.00'])))
        ->toBe([]);
    expect(implode(' ', $texts($check(['concessions' => '500000.00'], []))['c']))->toContain(
        'On this paper: The concessions are more than the price.',
    );
});

it('turns an answer into entries: a choice made, changed and taken back, a text left as it is', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-217');
    $entries = fn (array $stands, string $choice, string $typed = '') => array_merge(
        [],
        ...array_map(
            fn (array $question) => Questions::entries($question, $choice, $typed),
            Questions::of(Filling::of($form, $stands, Facts::from([])), ['unlisted', 'listed', 'sold']),
        ),
    );
    expect($entries([], 'listed'))
        ->toBe(['listed' => 'x'])
        ->and($entries(['listed' => 'x'], 'listed'))
        ->toBe([])
        ->and($entries(['listed' => 'x'], 'sold'))
        ->toBe(['sold' => 'x'])
        ->and($entries(['listed' => 'x'], ''))
        ->toBe(['listed' => '']);
    $hours = Questions::of(Filling::of($form, ['hours' => '48'], Facts::from([])), ['hours'])[0];
    expect(Questions::entries($hours, '', '48'))
        ->toBe([])
        ->and(Questions::entries($hours, '', '24'))
        ->toBe(['hours' => '24']);
});

it('waits for every party that a contract asks and the file has, and for no licensee', function () {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
    $taken = ['buyer.1', 'seller.1', 'agent.1', 'escrow.1'];
    expect(ContractForms::has('M-201'))
        ->toBeTrue()
        ->and(ContractForms::has('M-207'))
        ->toBeFalse()
        ->and(ContractForms::has(null))
        ->toBeFalse()
        ->and(ContractForms::unsigned($form, DealKind::Sale, $taken, []))
        ->toEqualCanonicalizing(['buyer.1', 'seller.1'])
        ->and(ContractForms::unsigned($form, DealKind::Sale, $taken, ['buyer.1', 'agent.1']))
        ->toBe(['seller.1'])
        ->and(ContractForms::unsigned($form, DealKind::Sale, $taken, ['seller.1', 'buyer.1']))
        ->toBe([]);
});

it('knows whose answers a form takes', function (string $number, ?string $role) {
    expect((new Library(dirname(__DIR__, 2).'/library'))->form($number)->answeredBy())->toBe($role);
})->with([['M-231', 'seller'], ['M-103', 'buyer'], ['M-101', 'seller'], ['M-201', null], ['M-230', null], ['Q-05', 'seller']]);

it('matches blanks of two forms by name, by what they follow, and by label', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $here = $library->form('M-201');
    $found = Unanimus\Forms\Matching::of(
        $here,
        ['price' => '400000.00', 'street' => '14 Lanternfish Lane'],
        $library->form('M-214'),
        ['price' => '408000.00', 'offer_date' => '2026-11-20', 'loan_years' => '30', 'buyers' => ''],
    );
    expect(array_map(fn (array $one) => [$one['blank']->name, $one['value'], $one['here']], $found))->toBe([
        ['offer_date', '2026-11-20', ''],
        ['price', '408000.00', '400000.00'],
    ]);
    expect(Unanimus\Forms\Matching::of($here, ['price' => '1.00'], $here, ['price' => '1.00']))->toBe([]);
});
