<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Bindings;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Carryover;
use Unanimus\Forms\DraftFault;
use Unanimus\Forms\DraftItem;
use Unanimus\Forms\DraftRefused;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormDraft;
use Unanimus\Forms\FormShelf;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\FoundItems;
use Unanimus\Forms\Library;
use Unanimus\Forms\Proposal;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

$item = static fn (string $id, array $more = []): DraftItem => DraftItem::fromArray([
    'id' => $id,
    'kind' => 'text',
    'name' => "blank_{$id}",
    'label' => "Blank {$id}",
    'page' => 1,
    'place' => [72, 72 + ((20 * ord($id[0])) % 400), 100, 14],
    ...$more,
]);
$draft = static fn (DraftItem ...$items): FormDraft => new FormDraft([[612.0, 792.0], [612.0, 792.0]], array_values($items));
$texts = static fn (FormDraft $draft, bool $blocking = true): array => array_values(
    array_map(
        static fn (DraftFault $fault) => $fault->text,
        array_filter($draft->faults(), static fn (DraftFault $fault) => $fault->blocks === $blocking),
    ),
);
$form = static fn (array $blanks, string $revision = '1'): Form => new Form(
    'X-1',
    $revision,
    'Form',
    'Set',
    'offer',
    [[612.0, 792.0]],
    $blanks,
    [],
    '/none',
);
$blank = static fn (
    string $name,
    Kind $kind = Kind::Text,
    ?string $binding = null,
    ?string $label = null,
    array $options = [],
): Blank => new Blank($name, $kind, $label ?? $name, 1, new Rect(10, 10, 80, 12), binding: $binding, options: $options);

it('puts a new item where it is read, and one of the same id in its place', function () use ($item, $draft) {
    $made = $draft(
        $item('a', ['place' => [72, 100, 90, 14]]),
        $item('b', ['place' => [72, 300, 90, 14]]),
        $item('c', ['page' => 2, 'place' => [72, 50, 90, 14]]),
    );
    expect(array_map(fn (DraftItem $one) => $one->id, $made->with($item('d', ['place' => [72, 200, 90, 14]]))->items))
        ->toBe(['a', 'd', 'b', 'c'])
        ->and(array_map(fn (DraftItem $one) => $one->id, $made->with($item('d', ['page' => 2, 'place' => [300, 700, 90, 14]]))->items))
        ->toBe(['a', 'b', 'c', 'd'])
        ->and($made->with($item('b', ['label' => 'Other']))->item('b')?->label)
        ->toBe('Other')
        ->and($made->with($item('b', ['label' => 'Other']))->items)
        ->toHaveCount(3);
});

it('keeps the order it is given, takes one out, and goes back to reading order', function () use ($item, $draft) {
    $made = $draft(
        $item('a', ['place' => [72, 100, 90, 14]]),
        $item('b', ['place' => [72, 300, 90, 14]]),
        $item('c', ['place' => [72, 500, 90, 14]]),
    );
    $order = fn (FormDraft $of) => implode(array_map(fn (DraftItem $one) => $one->id, $of->items));
    expect($order($made->moved('c', 0)))
        ->toBe('cab')
        ->and($order($made->moved('a', 99)))
        ->toBe('bca')
        ->and($order($made->moved('z', 0)))
        ->toBe('abc')
        ->and($order($made->moved('c', 0)->inReadingOrder()))
        ->toBe('abc')
        ->and($order($made->without('b')))
        ->toBe('ac');
});

it('holds every item on its page, whatever is asked', function () use ($draft) {
    mt_srand(7);
    for ($round = 0; $round < 300; $round++) {
        $place = [mt_rand(-900, 1500), mt_rand(-900, 1500), mt_rand(-50, 2000), mt_rand(-50, 2000)];
        $made = $draft()->with(
            DraftItem::fromArray([
                'id' => 'x',
                'kind' => 'text',
                'name' => 'x',
                'label' => 'X',
                'page' => mt_rand(1, 2),
                'place' => $place,
            ]),
        );
        expect($made->items[0]->place->fitsOn(612, 792))
            ->toBeTrue(json_encode($place))
            ->and($made->items[0]->place->width)
            ->toBeGreaterThanOrEqual(DraftItem::LEAST);
    }
    $draft()->with(
        DraftItem::fromArray(['id' => 'x', 'kind' => 'text', 'name' => 'x', 'label' => 'X', 'page' => 3, 'place' => [1, 1, 9, 9]]),
    );
})->throws(DraftRefused::class, 'has no page 3');

it('refuses what is no item', function (array $data) {
    DraftItem::fromArray($data);
})
    ->with([
        'no id' => [['kind' => 'text', 'place' => [1, 1, 9, 9]]],
        'no place' => [['id' => 'a', 'kind' => 'text']],
        'three corners' => [['id' => 'a', 'kind' => 'text', 'place' => [1, 2, 3]]],
        'words as a place' => [['id' => 'a', 'kind' => 'text', 'place' => ['left', 1, 9, 9]]],
        'no kind' => [['id' => 'a', 'kind' => 'magic', 'place' => [1, 1, 9, 9]]],
        'a blank’s kind for a mark' => [['id' => 'a', 'mark' => true, 'kind' => 'money', 'place' => [1, 1, 9, 9]]],
        'a script as id' => [['id' => '"><script>', 'kind' => 'text', 'place' => [1, 1, 9, 9]]],
        'lists everywhere' => [['id' => ['a'], 'kind' => ['text'], 'place' => [[1], 1, 9, 9]]],
    ])
    ->throws(DraftRefused::class);

it('says what is to be put right', function (array $more, string $words) use ($item, $draft, $texts) {
    expect(
        implode(' ', $texts($draft($item('a', $more), $item('b', ['name' => 'other', 'kind' => 'money', 'place' => [300, 600, 90, 14]])))),
    )->toContain($words);
})->with([
    'no name' => [['name' => ''], 'needs a name'],
    'a name with blanks' => [['name' => 'My blank'], 'needs a name'],
    'a name twice' => [['name' => 'other'], 'the same name as another'],
    'no words' => [['label' => ''], 'has no words'],
    'an unknown fact' => [['binding' => 'weather'], 'which no deal has'],
    'a tick without a value' => [['kind' => 'tick', 'binding' => 'financing'], 'Say which value checks it'],
    'no tick with a value' => [['binding' => 'financing?cash'], 'is not a check box and cannot follow'],
    'computed from nothing there' => [['kind' => 'money', 'formula' => 'other - gone'], 'gone'],
    'computed from itself' => [['kind' => 'money', 'formula' => 'blank_a + other'], 'blank_a'],
    'computed but text' => [['formula' => 'other + other'], 'must be an amount'],
    'computed by a script' => [['kind' => 'money', 'formula' => 'other; drop'], 'is computed from'],
    'depends on nothing there' => [['when' => 'gone'], 'counts only with'],
    'a choice of texts' => [['group' => 'g'], 'cannot be one of a choice'],
    'a list of one' => [['kind' => 'choice', 'options' => ['only']], 'at least two'],
    'nobody’s mark' => [['mark' => true, 'kind' => 'signature'], 'Say whose'],
    'a mark of no seat' => [['mark' => true, 'kind' => 'signature', 'seat' => 'cat.1'], 'Say whose'],
]);

it('warns of what may be meant so', function () use ($item, $draft, $texts) {
    $made = $draft(
        $item('a', ['kind' => 'tick', 'group' => 'alone', 'place' => [72, 100, 90, 14]]),
        $item('b', ['place' => [80, 102, 90, 14]]),
    );
    expect($texts($made))
        ->toBe([])
        ->and(implode(' ', $texts($made, false)))
        ->toContain('only one of its choice')
        ->toContain('lies over')
        ->toContain('No one signs it');
});

it('becomes a form, and a form becomes the draft of its next revision', function () use ($item, $draft) {
    $made = $draft(
        $item('a', ['kind' => 'choice', 'options' => ['yes', 'no'], 'required' => true]),
        $item('b', ['kind' => 'money', 'name' => 'sum', 'formula' => '', 'binding' => 'price', 'place' => [300, 90, 80, 14]]),
        $item('s', ['mark' => true, 'kind' => 'signature', 'seat' => 'buyer.1', 'place' => [72, 600, 200, 24]]),
    );
    $form = $made->form('QR-12', '2026-11', 'Intake', 'Our forms', 'agency', '/some.pdf');
    expect($form->blank('blank_a')?->options)
        ->toBe(['yes', 'no'])
        ->and($form->blank('sum')?->binding)
        ->toBe('price')
        ->and($form->marks[0]->kind)
        ->toBe(MarkKind::Signature)
        ->and($form->seats())
        ->toBe(['buyer.1']);
    $next = FormDraft::after($form);
    expect($next->faults())
        ->toBe([])
        ->and($next->form('QR-12', '2026-12', 'Intake', 'Our forms', 'agency', '/some.pdf')->blanks)
        ->toEqual($form->blanks);
    $made
        ->with(DraftItem::fromArray(['id' => 'z', 'kind' => 'text', 'name' => 'sum', 'label' => 'Z', 'page' => 1, 'place' => [1, 1, 9, 9]]))
        ->form('QR-12', '2', 'x', 'x', 'offer', '/x');
})->throws(DraftRefused::class, 'to fix first');

it('takes over the fields of a fillable PDF: kinds, options, what is required, turned pages', function () {
    $scratch = new Scratch();
    $found = FoundItems::ofFields(PdfFields::of(PdfLook::into($scratch->put('form.pdf', MadePdf::form()))));
    $by = array_column(array_map(fn (DraftItem $one) => ['name' => $one->name, 'item' => $one], $found->items), 'item', 'name');
    expect($by['name']->label)
        ->toBe('Full name')
        ->and($by['name']->required)
        ->toBeTrue()
        ->and($by['notes']->kind)
        ->toBe(Kind::Lines)
        ->and($by['agree']->kind)
        ->toBe(Kind::Tick)
        ->and($by['pay_by_cash']->group)
        ->toBe('pay')
        ->and($by['pay_by_loan']->label)
        ->toBe('Pay: By loan')
        ->and($by['state']->kind)
        ->toBe(Kind::Choice)
        ->and($by['state']->options)
        ->toBe(['Merrow', 'Quoin'])
        ->and($by)
        ->toHaveKey('orphan')
        ->and(implode(' ', $found->notes))
        ->toContain('order of its own');
    $emptied = $scratch->put('emptied.pdf', FieldFill::emptied($scratch->path('form.pdf'), press()));
    expect((new NativeTool())->run(['pdftotext', $emptied, '-']))
        ->not->toContain('old')
        ->and(PdfFields::of(PdfLook::into($emptied))->all())
        ->toBe([])
        ->and((new NativeTool())->run(['qpdf', '--check', $emptied]))
        ->toContain('No syntax');
    $pages = PdfLook::into($emptied)->pages();
    foreach ($found->items as $one) {
        expect($one->place->fitsOn(...$pages[$one->page - 1]))->toBeTrue("{$one->name} stands off its page");
    }
});

it('takes over what is proposed for a flat page, as a form that can be put in force', function () {
    $found = FoundItems::ofProposal(Proposal::of((new Library(dirname(__DIR__, 2).'/library'))->form('M-222')->pdf));
    $made = new FormDraft([[612.0, 792.0]], $found->items);
    expect(count($made->items))
        ->toBeGreaterThan(20)
        ->and(array_filter($made->faults(), fn (DraftFault $fault) => $fault->blocks))
        ->toBe([]);
    $seats = array_map(
        fn (DraftItem $one) => $one->seat,
        array_filter($made->items, fn (DraftItem $one) => $one->kind === MarkKind::Signature),
    );
    expect(array_values($seats))->toBe(['buyer.1', 'buyer.2', 'seller.1', 'agent.1']);
});

it('knows the facts a blank may follow', function () {
    foreach (
        [
            'price',
            'property.address',
            'buyers.names',
            'buyer.2.name',
            'agent.1.email',
            'financing?cash',
            'attached.m-201',
            'loan_amount',
            'other.2.name',
        ] as $known
    ) {
        expect(Bindings::isKnown($known))->toBeTrue($known);
    }
    foreach (['', 'weather', 'buyer.name', 'buyer.2.shoe', 'cat.1.name', 'financing?', 'attached.', 'price; drop'] as $strange) {
        expect(Bindings::isKnown($strange))->toBeFalse($strange);
    }
    foreach ((new Library(dirname(__DIR__, 2).'/library'))->all() as $form) {
        foreach ($form->blanks as $blank) {
            expect($blank->binding === null || Bindings::isKnown($blank->binding))->toBeTrue(
                "{$form->number} {$blank->name} follows {$blank->binding}",
            );
        }
    }
    expect(Bindings::label('buyer.2.name'))->toBe('Buyer 2, name')->and(Bindings::label('financing?cash'))->toBe('Financing is cash');
});

it('takes a choice by its beginning, whatever the capitals', function (string $typed, ?string $kept) use ($blank) {
    $of = $blank('by', Kind::Choice, options: ['the buyer', 'the seller', 'both']);
    $kept === null
        ? expect(fn () => $of->parse($typed, LocalDate::of('2026-11-23')))->toThrow(EntryUnreadable::class, 'the buyer, the seller, both')
        : expect($of->parse($typed, LocalDate::of('2026-11-23')))->toBe($kept);
})->with([['both', 'both'], ['BO', 'both'], ['The Seller', 'the seller'], ['', ''], ['the', null], ['neither', null]]);

it('carries entries over by name, by what they follow, by their words; the rest stays', function () use ($form, $blank) {
    $old = $form([
        $blank('same'),
        $blank('sum', Kind::Money, 'price'),
        $blank('out', label: 'Party taken out'),
        $blank('changed'),
        $blank('gone'),
        $blank('empty'),
    ]);
    $new = $form(
        [
            $blank('same'),
            $blank('price_now', Kind::Money, 'price'),
            $blank('party_out', label: 'party taken out'),
            $blank('changed', Kind::Money),
            $blank('empty'),
            $blank('fresh'),
        ],
        '2',
    );
    $plan = Carryover::between($old, $new, [
        'same' => 'a',
        'sum' => '5.00',
        'out' => 'Ada',
        'changed' => 'words',
        'gone' => 'g',
        'empty' => '',
    ]);
    expect(array_map(fn (array $pair) => $pair['to']->name, $plan->goes))
        ->toBe(['same' => 'same', 'sum' => 'price_now', 'out' => 'party_out', 'empty' => 'empty'])
        ->and(array_keys($plan->stays))
        ->toBe(['changed', 'gone'])
        ->and(array_map(fn (Blank $one) => $one->name, $plan->fresh))
        ->toBe(['changed', 'fresh']);
    $narrow = Carryover::between(
        $form([$blank('c', Kind::Choice, options: ['a', 'b'])]),
        $form([$blank('c', Kind::Choice, options: ['a', 'z'])]),
        ['c' => 'b'],
    );
    expect(array_keys($narrow->stays))
        ->toBe(['c'])
        ->and($narrow->goes)
        ->toBe([]);
});

it('keeps earlier revisions and retired forms readable, and begins nothing on them', function () use ($form) {
    $own = new class($form([])) implements FormShelf
    {
        public function __construct(private readonly Form $form)
        {
        }

        public function find(string $number, ?string $revision = null): ?Form
        {
            return $number === 'X-1' && in_array($revision, [null, '1'], true) ? $this->form : null;
        }

        public function all(): array
        {
            return [$this->form];
        }
    };
    $library = new Library(dirname(__DIR__, 2).'/library', $own);
    $numbers = array_map(fn (Form $one) => $one->number, $library->all());
    expect($library->form('M-207', '2026-08')->blank('taken'))
        ->not->toBeNull()
        ->and($library->form('M-207')->blank('taken'))
        ->toBeNull()
        ->and($library->form('M-207')->blank('asked_by')?->kind)
        ->toBe(Kind::Choice)
        ->and($library->form('M-219')->retired)
        ->toBeTrue()
        ->and($numbers)
        ->not->toContain('M-219')
        ->toContain('X-1')
        ->and($library->has('X-1'))
        ->toBeTrue()
        ->and($library->isBuiltIn('X-1'))
        ->toBeFalse();
    foreach ([['M-207', '1999-01'], ['X-1', '2'], ['X-2', null], ['../m-207', null], ['M-207', '../../fonts']] as [$number, $revision]) {
        expect(fn () => $library->form($number, $revision))->toThrow(FormUnknown::class);
    }
});
