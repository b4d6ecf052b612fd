<?php

declare(strict_types=1);

use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Carryover;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\DraftItem;
use Unanimus\Forms\DraftRefused;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Finding;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormShelf;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\Matching;
use Unanimus\Forms\ReadBack;
use Unanimus\Forms\Xfdf;
use Unanimus\Forms\XfdfUnreadable;
use Unanimus\Pages\Bookmark;
use Unanimus\Pages\Scratch;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/** A form of blanks given by name and kind, each with more. @param  array<string, string|array<string, mixed>>  $blanks */
function formOf(array $blanks, string $number = 'X-1', string $revision = '1'): Form
{
    $made = [];
    foreach ($blanks as $name => $more) {
        $more = is_string($more) ? ['kind' => $more] : $more;
        $made[] = Blank::fromArray(['name' => $name, 'label' => ucfirst($name), 'page' => 1, 'place' => [1, 2, 3, 4], ...$more]);
    }

    return new Form($number, $revision, 'T', 'S', 'offer', [[612.0, 792.0]], $made, [], 'none.pdf');
}

it('fills from what was entered, what the deal says, and what is computed of both, and says which', function () {
    $form = formOf([
        'price' => ['kind' => 'money', 'binding' => 'price'],
        'paid' => ['kind' => 'money'],
        'rest' => ['kind' => 'money', 'formula' => 'price - paid', 'label' => 'The Rest'],
        'half' => ['kind' => 'money', 'formula' => 'share % rest'],
        'share' => ['kind' => 'percent'],
        'last' => ['kind' => 'money', 'formula' => 'half + half'],
        'free' => ['kind' => 'text', 'binding' => 'nothing'],
    ]);
    $facts = Facts::from(['price' => '300000'], 'the contract');
    $told = static function (array $entries) use ($form, $facts): array {
        return array_map(
            static fn ($one) => [$one->value, $one->source, $one->entered, $one->departs, $one->followed],
            Filling::of($form, $entries, $facts)->blanks,
        );
    };
    expect($told(['paid' => '1000', 'share' => '50']))->toBe([
        'price' => ['300000', 'the contract', false, false, '300000'],
        'paid' => ['1000', 'entered here', true, false, null],
        'rest' => ['299000.00', 'computed: price − paid', false, false, null],
        'half' => ['149500.00', 'computed: share % of the rest', false, false, null],
        'share' => ['50', 'entered here', true, false, null],
        'last' => ['299000.00', 'computed: half + half', false, false, null],
        'free' => ['', 'empty', false, false, null],
    ]);
    $other = $told(['price' => '310000', 'rest' => '5', 'paid' => 'much']);
    expect($other['price'])->toBe(['310000', 'entered here', true, true, '300000'])
        ->and($other['rest'])->toBe(['5', 'entered here', true, false, null])
        // Without its percentage, and of an amount that is none, nothing is computed.
        ->and($other['half'])->toBe(['', 'empty', false, false, null])
        ->and($other['last'])->toBe(['', 'empty', false, false, null])
        ->and($told(['price' => '300000'])['price'])->toBe(['300000', 'entered here', true, false, '300000'])
        ->and($told(['paid' => 'much', 'rest' => ''])['rest'])->toBe(['', 'entered here', true, false, null])
        ->and($told(['paid' => 'much'])['rest'])->toBe(['', 'empty', false, false, null]);
    $filling = Filling::of($form, ['paid' => '1000.5'], $facts);
    expect($filling->value('paid'))->toBe('1000.5')
        ->and($filling->value('nobody'))->toBe('')
        ->and($filling->printed())->toBe(['price' => '300,000', 'paid' => '1,000.50', 'rest' => '298,999.50']);
});

it('misses required blanks, but not where another of the group stands or what they hang on is empty', function () {
    $form = formOf([
        'need' => ['kind' => 'text', 'required' => true],
        'free' => 'text',
        'yes' => ['kind' => 'tick', 'required' => true, 'group' => 'answer'],
        'no' => ['kind' => 'tick', 'required' => true, 'group' => 'answer'],
        'why' => ['kind' => 'text', 'required' => true, 'when' => 'no'],
    ]);
    $missing = static fn (array $entries) => array_map(
        static fn (Blank $blank) => $blank->name,
        Filling::of($form, $entries, Facts::from([]))->missing(),
    );
    expect($missing([]))->toBe(['need', 'yes', 'no'])
        ->and($missing(['need' => 'a', 'yes' => 'x']))->toBe([])
        ->and($missing(['need' => '', 'no' => 'x']))->toBe(['need', 'why'])
        ->and($missing(['need' => 'a', 'no' => 'x', 'why' => 'so']))->toBe([]);
});

it('reads a choice by its beginning, where that is the beginning of one', function () {
    $blank = Blank::fromArray(['name' => 'c', 'kind' => 'choice', 'label' => 'C', 'page' => 1, 'place' => [1, 2, 3, 4],
        'options' => ['Cash', 'cash', 'Cashier check', 'Loan']]);
    $day = LocalDate::of('2026-11-01');
    expect($blank->parse('lo', $day))->toBe('Loan')
        ->and($blank->parse('cash', $day))->toBe('cash')
        ->and($blank->parse('CASH', $day))->toBe('Cash')
        ->and($blank->parse('', $day))->toBe('')
        ->and(fn () => $blank->parse('ca', $day))->toThrow(EntryUnreadable::class)
        ->and(fn () => $blank->parse('gold', $day))->toThrow(EntryUnreadable::class);
    $all = ['name' => 'c', 'kind' => 'tick', 'label' => 'C', 'page' => 2, 'place' => [1.5, 2.0, 3.0, 4.0], 'required' => true,
        'binding' => 'a?b', 'formula' => 'x', 'group' => 'g', 'when' => 'w', 'options' => ['1']];
    expect(Blank::fromArray([...$all, 'page' => '2', 'options' => [7 => 1]])->toArray())->toBe($all)
        ->and(Blank::fromArray(['name' => 'c', 'kind' => 'text', 'label' => 'C', 'page' => 2, 'place' => [1, 2, 3, 4]])->toArray())
        ->toBe(['name' => 'c', 'kind' => 'text', 'label' => 'C', 'page' => 2, 'place' => [1.0, 2.0, 3.0, 4.0]]);
});

it('carries entries over to another revision: by name, by what they follow, by their words, or not', function () {
    $old = formOf([
        'same' => 'text',
        'other_kind' => 'money',
        'bound' => ['kind' => 'money', 'binding' => 'price'],
        'called' => ['kind' => 'text', 'label' => 'So it IS called'],
        'twice' => ['kind' => 'text', 'label' => 'Twice'],
        'choice' => ['kind' => 'choice', 'options' => ['a', 'b']],
        'narrower' => ['kind' => 'choice', 'options' => ['a', 'b']],
        'to_text' => ['kind' => 'choice', 'options' => ['a']],
        'gone' => 'text',
        'gone_empty' => 'text',
        'also_bound' => ['kind' => 'money', 'binding' => 'price'],
    ]);
    $new = formOf([
        'same' => 'text',
        'other_kind' => 'date',
        'amount' => ['kind' => 'money', 'binding' => 'price'],
        'amount_label' => ['kind' => 'money', 'label' => 'Bound'],
        'renamed' => ['kind' => 'text', 'label' => 'so it is called'],
        'one' => ['kind' => 'text', 'label' => 'Twice'],
        'two' => ['kind' => 'text', 'label' => 'Twice'],
        'choice' => ['kind' => 'choice', 'options' => ['b', 'a', 'c']],
        'narrower' => ['kind' => 'choice', 'options' => ['a']],
        'to_text' => 'lines',
        'fresh' => 'text',
    ]);
    $entries = array_fill_keys(['same', 'other_kind', 'bound', 'twice', 'choice', 'narrower', 'to_text', 'gone', 'also_bound'], 'v');
    $over = Carryover::between($old, $new, [...$entries, 'gone_empty' => '', 'called' => '']);
    expect($over->names)->toBe([
        'same' => 'same',
        'bound' => 'amount',
        'called' => 'renamed',
        'choice' => 'choice',
        'to_text' => 'to_text',
    ])
        ->and(array_map(static fn (array $one) => [$one['from']->name, $one['to']->name], $over->goes))->toBe([
            'same' => ['same', 'same'],
            'bound' => ['bound', 'amount'],
            'called' => ['called', 'renamed'],
            'choice' => ['choice', 'choice'],
            'to_text' => ['to_text', 'to_text'],
        ])
        ->and(array_keys($over->stays))->toBe(['other_kind', 'twice', 'narrower', 'gone', 'also_bound'])
        ->and(array_map(static fn (Blank $blank) => $blank->name, $over->fresh))->toBe(
            ['other_kind', 'amount_label', 'one', 'two', 'narrower', 'fresh'],
        );
    $holds = static fn (string $from, string $to) => Carryover::between(formOf(['a' => $from]), formOf(['a' => $to]), [])->names !== [];
    expect(array_map(static fn (array $pair) => $holds(...$pair), [
        ['text', 'lines'], ['lines', 'text'], ['choice', 'text'],
        ['text', 'choice'], ['money', 'text'], ['tick', 'lines'], ['text', 'money'],
    ]))->toBe([true, true, true, false, false, false, false]);
});

it('matches blanks of two papers: by name, by what they follow, by their words, never a tick by those', function () {
    $here = formOf([
        'a' => 'text',
        'b' => 'money',
        'mine' => ['kind' => 'money', 'binding' => 'price'],
        'called' => ['kind' => 'text', 'label' => 'County'],
        'sum' => ['kind' => 'money', 'formula' => 'mine'],
        'box' => ['kind' => 'tick', 'label' => 'Yes'],
    ]);
    $there = formOf([
        'a' => 'text',
        'b' => 'text',
        'theirs' => ['kind' => 'money', 'binding' => 'price'],
        'again' => ['kind' => 'money', 'binding' => 'price'],
        'county' => ['kind' => 'text', 'label' => 'COUNTY'],
        'sum' => 'money',
        'yes' => ['kind' => 'tick', 'label' => 'Yes'],
        'word' => ['kind' => 'text', 'label' => 'Price', 'binding' => 'price'],
    ]);
    $found = Matching::of($here, ['a' => 'same', 'mine' => '1'], $there, [
        'a' => ' same ', 'b' => 'x', 'theirs' => '2', 'again' => '3', 'county' => ' Ostrander ', 'sum' => '9', 'yes' => 'x', 'word' => 'y',
    ]);
    expect(array_map(static fn (array $one) => [$one['blank']->name, $one['value'], $one['here']], $found))
        ->toBe([['mine', '2', '1'], ['called', 'Ostrander', '']]);
});

it('takes an item as a device sends it, within bounds, and gives it back whole', function () {
    $whole = [
        'id' => 'a-1', 'mark' => false, 'kind' => 'choice', 'name' => 'n', 'label' => 'L', 'page' => 3, 'place' => [1.0, 2.0, 30.0, 40.0],
        'required' => true, 'binding' => 'b', 'formula' => 'f', 'group' => 'g', 'when' => 'w', 'options' => ['one', 'two'], 'seat' => 's',
    ];
    expect(DraftItem::fromArray($whole)->toArray())->toBe($whole)
        ->and(DraftItem::fromArray(['id' => 'x', 'kind' => 'text', 'place' => ['1', '2', '0', '0']])->toArray())->toBe([
            'id' => 'x', 'mark' => false, 'kind' => 'text', 'name' => '', 'label' => '', 'page' => 1,
            'place' => [1.0, 2.0, 4.0, 4.0], 'required' => false, 'binding' => '', 'formula' => '', 'group' => '', 'when' => '',
            'options' => [], 'seat' => '',
        ]);
    $long = DraftItem::fromArray([
        ...$whole, 'label' => str_repeat('l', 81), 'name' => str_repeat('n', 61), 'formula' => str_repeat('f', 301),
        'group' => str_repeat('g', 61), 'when' => str_repeat('w', 61), 'page' => '-4', 'seat' => ['x'],
        'options' => [' a ', '', str_repeat('o', 121), ['x'], ...array_fill(0, 300, 'z')],
    ]);
    expect([strlen($long->label), strlen($long->name), strlen($long->formula), strlen($long->group), strlen($long->when), $long->page])
        ->toBe([80, 60, 300, 60, 60, 1])
        ->and($long->seat)->toBe('')
        ->and([count($long->options), $long->options[0], strlen($long->options[1]), $long->options[2]])->toBe([198, 'a', 120, 'z'])
        ->and(DraftItem::fromArray([...$whole, 'label' => " a\x00\n b\x7f "])->label)->toBe('a  b');
    foreach ([
        ['id' => ''], ['id' => 'a b'], ['id' => str_repeat('a', 41)], ['place' => [1, 2, 3]], ['place' => [1, 2, 3, 'x']], ['place' => 'x'],
        ['kind' => 'noise'], ['mark' => true, 'kind' => 'lines'],
    ] as $wrong) {
        expect(fn () => DraftItem::fromArray([...$whole, ...$wrong]))->toThrow(DraftRefused::class, 'nothing was changed');
    }
    $blank = DraftItem::fromArray($whole)->blank();
    expect($blank->toArray())->toBe([
        'name' => 'n', 'kind' => 'choice', 'label' => 'L', 'page' => 3, 'place' => [1.0, 2.0, 30.0, 40.0], 'required' => true,
        'binding' => 'b', 'formula' => 'f', 'group' => 'g', 'when' => 'w', 'options' => ['one', 'two'],
    ])->and(DraftItem::fromArray([...$whole, 'kind' => 'text'])->blank()->options)->toBe([]);
    $mark = DraftItem::fromArray([...$whole, 'mark' => true, 'kind' => 'initials', 'seat' => 'buyer.2']);
    expect((string) $mark->mark()->seat)->toBe('buyer.2')
        ->and($mark->called())->toBe('The initials on page 3')
        ->and(DraftItem::fromArray($whole)->called())->toBe('“L” on page 3')
        ->and(DraftItem::fromArray([...$whole, 'label' => ''])->called())->toBe('“n” on page 3')
        ->and(fn () => $mark->blank())->toThrow(DraftRefused::class, 'This is a mark.')
        ->and(fn () => DraftItem::fromArray($whole)->mark())->toThrow(DraftRefused::class, 'This is a blank.');
});

it('writes values as XFDF and reads them back, and refuses what is none', function () {
    $values = ['plain' => "two\nlines", 'form.page.name' => '<&> “ü”', 'form.page.other' => '', 'form' => 'both', '12' => 'number'];
    $xml = Xfdf::write($values, "a\x01b.pdf");
    expect($xml)->toBe(<<<'XML'
        <?xml version="1.0" encoding="UTF-8"?>
        <xfdf xmlns="http://ns.adobe.com/xfdf/">
          <fields>
            <field name="plain">
              <value>two
        lines</value>
            </field>
            <field name="form">
              <field name="page">
                <field name="name">
                  <value>&lt;&amp;&gt; “ü”</value>
                </field>
                <field name="other">
                  <value></value>
                </field>
              </field>
              <value>both</value>
            </field>
            <field name="12">
              <value>number</value>
            </field>
          </fields>
          <f href="ab.pdf"/>
        </xfdf>

        XML)
        ->and(Xfdf::read($xml))->toEqual($values)
        ->and(Xfdf::write([]))->not->toContain('<f ')
        ->and(Xfdf::read("<xfdf><fields><field name='a'><value>1\r2&#13;&#10;3</value></field></fields><other><field name='b'>".
            '<value>no</value></field></other></xfdf>'))->toBe(['a' => "1\n2\n3"])
        ->and(Xfdf::read('<xfdf><fields><value>no name</value></fields></xfdf>'))->toBe([]);
    $deep = static fn (int $levels) => '<xfdf><fields>'.str_repeat('<field name="f">', $levels).'<value>v</value>'.
        str_repeat('</field>', $levels).'</fields></xfdf>';
    expect(Xfdf::read($deep(20)))->toHaveCount(1)->and(Xfdf::read($deep(21)))->toBe([]);
    foreach ([
        '' => 'This is no XFDF file', ' ' => 'This is no XFDF file', '<xfdf>' => 'cut off', '<other/>' => 'This is no XFDF file',
        '<!DOCTYPE x><xfdf/>' => 'declares a document type', '<!entity><xfdf/>' => 'declares a document type',
        str_repeat(' ', 4 * 1024 * 1024 + 1) => 'larger than 4 MB',
    ] as $wrong => $told) {
        expect(fn () => Xfdf::read($wrong))->toThrow(XfdfUnreadable::class, $told);
    }
    expect(Xfdf::read('<xfdf/>'.str_repeat(' ', 4 * 1024 * 1024 - 7)))->toBe([]);
});

it('keeps a library: by number and revision, the office’s own beside it, read once', function () {
    $scratch = new Scratch();
    $shelf = $scratch->path('library');
    $data = static fn (string $number, string $revision, array $more = []): string => (string) json_encode([
        'number' => $number, 'revision' => $revision, 'title' => "Form {$number}", 'set' => 'S',
        'stage' => 'offer', 'pages' => [[612.0, 792.0]],
        'blanks' => [3 => ['name' => 'a', 'kind' => 'text', 'label' => 'A', 'page' => 1, 'place' => [1, 2, 3, 4]]],
        'marks' => [2 => ['kind' => 'signature', 'seat' => 'buyer.1', 'page' => 1, 'place' => [1, 2, 3, 4]]], ...$more,
    ]);
    foreach (['x-2' => ['X-2', '2026-02'], 'x-1' => ['X-1', '1'], 'x-1/0' => ['X-1', '0'], 'x-3' => ['X-3', '1']] as $folder => $what) {
        mkdir("{$shelf}/{$folder}", 0777, true);
        file_put_contents("{$shelf}/{$folder}/form.json", $data(...$what, ...[['retired' => $folder === 'x-3',
            'sections' => [5 => ['title' => 'First', 'page' => 1]]]]));
    }
    mkdir($kept = $scratch->path('kept'));
    $own = new class() implements FormShelf
    {
        public function find(string $number, ?string $revision = null): ?Form
        {
            return $number === 'OWN-1' ? formOf(['o' => 'text'], 'OWN-1', $revision ?? '7') : null;
        }

        public function all(): array
        {
            return [formOf([], 'A-9'), formOf([], 'OWN-1')];
        }
    };
    $library = new Library($shelf, $own, $kept);
    $now = $library->form('X-1');
    expect([$now->revision, $now->title, $now->pdf, array_keys($now->blanks), array_keys($now->marks), array_keys($now->sections)])
        ->toBe(['1', 'Form X-1', "{$shelf}/x-1/pages.pdf", [0], [0], [0]])
        ->and($now->sections[0])->toEqual(new Bookmark('First', 1))
        ->and($library->form('X-1', '1'))->toBe($now)
        ->and($library->form('X-1', '0')->revision)->toBe('0')
        ->and($library->form('X-1', '0'))->toBe($library->form('X-1', '0'))
        ->and($library->form('OWN-1', '3')->revision)->toBe('3')
        ->and(array_map(static fn (Form $form) => $form->number, $library->all()))->toBe(['A-9', 'OWN-1', 'X-1', 'X-2'])
        ->and($library->form('X-3')->retired)->toBeTrue()
        ->and([$library->has('X-3'), $library->has('OWN-1'), $library->has('X-4')])->toBe([true, true, false])
        ->and([$library->isBuiltIn('X-1'), $library->isBuiltIn('OWN-1'), $library->isBuiltIn('x-1')])
        ->toBe([true, false, false]);
    // A revision names a folder of its form and nothing beyond.
    expect(fn () => $library->form('X-2', '../x-1'))->toThrow(FormUnknown::class);
    expect(fn () => $library->form('X-1', '9'))->toThrow(FormUnknown::class, 'The library has no form X-1 rev. 9.')
        ->and(fn () => $library->form('X-9'))->toThrow(FormUnknown::class, 'The library has no form X-9.')
        ->and(fn () => $library->form('X-9', '2'))->toThrow(FormUnknown::class, 'The library has no form X-9 rev. 2.')
        ->and(fn () => (new Library($shelf))->form('OWN-1'))->toThrow(FormUnknown::class)
        ->and((new Library($shelf))->has('OWN-1'))->toBeFalse()
        ->and(array_map(static fn (Form $form) => $form->number, (new Library($shelf))->all()))->toBe(['X-1', 'X-2']);
    // What was read is kept, under a name that changes with the file; nothing half written is left.
    $files = glob("{$kept}/*") ?: [];
    expect(count($files))->toBe(4)->and(array_filter($files, static fn (string $file) => ! str_ends_with($file, '.php')))->toBe([]);
    file_put_contents($files[0], '<?php return '.var_export(['title' => 'As kept', ...json_decode($data('X-1', '1'), true)], true).';');
    $titles = array_map(static fn (string $number) => (new Library($shelf, null, $kept))->form($number)->title, ['X-1', 'X-2', 'X-3']);
    file_put_contents("{$shelf}/x-2/form.json", $data('X-2', '2026-02', ['title' => 'Changed since']));
    clearstatcache();
    expect((new Library($shelf, null, $kept))->form('X-2')->title)->toBe('Changed since')->and(count($titles))->toBe(3);
});

it('reads drafts of a file against each other, the terms, and what is signed already', function () {
    $form = formOf([
        'price' => ['kind' => 'money', 'binding' => 'price', 'label' => 'Price'],
        'county' => ['kind' => 'text', 'binding' => 'property.county', 'label' => 'County'],
        'day' => ['kind' => 'date', 'binding' => 'closing', 'label' => 'Closing'],
        'keys' => ['kind' => 'date', 'binding' => 'possession', 'label' => 'Possession'],
        'tick' => ['kind' => 'tick', 'binding' => 'financing?cash', 'label' => 'Cash'],
        'free' => ['kind' => 'text', 'label' => 'Free'],
    ]);
    $facts = Facts::from(['price' => '300000', 'closing' => '2026-12-18', 'possession' => '2026-12-21', 'financing' => 'loan']);
    $paper = static fn (string $title, array $entries) => ['title' => $title, 'filling' => Filling::of($form, $entries, $facts)];
    $told = static fn (array $papers) => array_map(
        static fn (array $found) => array_map(static fn (Finding $one) => "{$one->blank}: {$one->text}", $found),
        CrossCheck::of($papers, LocalDate::of('2026-11-01')),
    );
    expect($told(['a' => $paper('One', ['free' => 'x'])]))->toBe([])
        ->and($told(['a' => $paper('One', ['price' => '310000']), 7 => $paper('Two', ['price' => ''])]))->toBe([
            'a' => ['price: Price says 310,000; the terms say 300,000.'],
            7 => ['price: Price says nothing; the terms say 300,000.'],
        ])
        ->and($told(['a' => $paper('One', ['county' => 'Ostrander']), 'b' => $paper('Two', ['county' => 'Quoin'])]))->toBe([
            'b' => ['county: County says Quoin here and Ostrander on One.'],
        ])
        ->and($told(['a' => $paper('One', ['county' => 'Quoin']), 'b' => $paper('Two', ['county' => 'Quoin'])]))->toBe([]);
    $day = $told(['a' => $paper('One', ['keys' => '2026-12-01'])]);
    expect($day['a'][0])->toStartWith('keys: Possession says')->and($day['a'][1] ?? '')->toStartWith('keys: On this paper: ');
    $read = static fn (array $values) => array_map(
        static fn (Finding $one) => [$one->blank, $one->text, $one->page],
        CrossCheck::ofFixed(new ReadBack('X-1', '1', $values, [1 => 4]), $form, $facts),
    );
    expect($read(['price' => '300,000', 'day' => '2026-12-18', 'tick' => 'x', 'free' => 'y']))->toBe([])
        ->and($read(['price' => '$ 310,000']))->toBe([['price', 'Price says $ 310,000 here; the terms say 300,000 now.', 4]])
        ->and($read(['price' => '', 'county' => 'Quoin']))->toBe([]);
});

it('reads an item of a draft however loosely a device sends it', function () {
    $item = DraftItem::fromArray([
        'id' => 7, 'kind' => 'choice', 'name' => 12, 'label' => " Who\npays ", 'page' => '3',
        'place' => ['x' => '10', 'y' => '20.5', 'width' => 1, 'height' => '30'], 'required' => '1',
        'options' => [1, ' two ', '', ['x'], null],
        'binding' => ['no'], 'formula' => "\xff\xfe",
    ]);
    expect($item->toArray())->toBe([
        'id' => '7', 'mark' => false, 'kind' => 'choice', 'name' => '12', 'label' => 'Who pays', 'page' => 3,
        'place' => [10.0, 20.5, 4.0, 30.0], 'required' => true, 'binding' => '', 'formula' => '', 'group' => '', 'when' => '',
        'options' => ['1', 'two'], 'seat' => '',
    ]);
    $least = ['id' => 'a', 'kind' => 'text', 'place' => [1, 2, 3, 4]];
    expect(DraftItem::fromArray($least)->page)->toBe(1)
        ->and(DraftItem::fromArray([...$least, 'page' => -2])->page)->toBe(1)
        ->and(fn () => DraftItem::fromArray([...$least, 'id' => '']))->toThrow(DraftRefused::class)
        ->and(fn () => DraftItem::fromArray([...$least, 'place' => [1, 2, 'x', 4]]))->toThrow(DraftRefused::class)
        ->and(fn () => DraftItem::fromArray([...$least, 'place' => 'x']))->toThrow(DraftRefused::class)
        ->and(fn () => DraftItem::fromArray([...$least, 'kind' => 'nothing']))->toThrow(DraftRefused::class);
});
