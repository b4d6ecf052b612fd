<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Forms\Bindings;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Continuation;
use Unanimus\Forms\DraftItem;
use Unanimus\Forms\FillablePdf;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormText;
use Unanimus\Forms\FoundItems;
use Unanimus\Forms\Library;
use Unanimus\Forms\ProposedBlank;
use Unanimus\Forms\Surroundings;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;

/*
 * What is made of a form as a whole: every number and word of it, held against what is kept in tests/.pest/snapshots. After a
 * change that is meant, `vendor/bin/pest tests/Core/WholeFormsTest.php --update-snapshots`, and the difference is read.
 */

/** A form with one blank of each kind on a page of the library. */
function formOfAllKinds(): Form
{
    $pdf = (new Library(dirname(__DIR__, 2).'/library'))->form('M-222')->pdf;
    $blank = static fn (string $name, string $kind, array $place, array $more = []): Blank => Blank::fromArray([
        'name' => $name,
        'kind' => $kind,
        'label' => ucfirst($name).' of it',
        'page' => 1,
        'place' => $place,
        ...$more,
    ]);

    return new Form('X-1', '2026-01', 'All kinds', 'Merrow Standard Forms', 'offer', [[612.0, 792.0]], [
        $blank('short', 'text', [72.111, 100.222, 120.333, 14.444], ['required' => true]),
        $blank('long', 'lines', [72, 130, 200, 40]),
        $blank('pick', 'choice', [72, 190, 120, 14], ['options' => ['one', 'two words']]),
        $blank('tick', 'tick', [72, 220, 9, 9]),
        $blank('sum', 'money', [300, 100, 60, 14], ['required' => true]),
        $blank('notes', 'lines', [300, 130, 120, 30], ['required' => true]),
    ], [], $pdf);
}

it('makes a fillable PDF whose fields say all that their blanks do', function () {
    $form = formOfAllKinds();
    $scratch = new Scratch();
    $fields = static function (string $pdf, string $as) use ($scratch): array {
        $look = PdfLook::into($scratch->put($as, $pdf));
        [, $catalog] = $look->catalog();
        $told = [];
        foreach ($catalog->{'/AcroForm'}->{'/Fields'} as $name) {
            $field = (array) $look->object($name);
            unset($field['/P']);
            isset($field['/AP']) && $field['/AP'] = array_keys((array) ($field['/AP']->{'/N'} ?? []));
            $told[] = $field;
        }

        return [$told, array_diff_key((array) $catalog->{'/AcroForm'}, ['/Fields' => 1, '/DR' => 1])];
    };
    mkdir($scratch->path('cache'));
    $press = new Press(dirname(__DIR__, 2).'/library/fonts', $scratch->path('cache'));
    $empty = $fields(FillablePdf::of($form, [], $press), 'empty.pdf');
    expect(json_encode($empty, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE))->toMatchSnapshot();
    $values = ['short' => 'Two words', 'long' => 'one', 'tick' => 'x', 'pick' => 'two words', 'sum' => '', 'nobody' => 'x'];
    $filled = PdfFields::of(PdfLook::into($scratch->put('filled.pdf', FillablePdf::of($form, $values, $press))));
    $stands = [];
    foreach ($filled->all() as $one) {
        $stands[$one->name] = $one->value;
    }
    expect($stands)->toEqual(['short' => 'Two words', 'long' => 'one', 'pick' => 'two words', 'tick' => 'x', 'sum' => '', 'notes' => '']);
});

it('lets texts that are too long go on behind, under a number, on as many pages as they need', function () {
    $form = formOfAllKinds();
    $facts = new Facts([]);
    $long = implode(' ', array_map(static fn (int $n) => "word{$n}", range(1, 60)));
    $longer = implode(' ', array_map(static fn (int $n) => "clause{$n}", range(1, 1100)));
    $filling = Filling::of($form, ['short' => $long, 'long' => $longer, 'tick' => 'x', 'notes' => 'fits'], $facts);
    $drawn = array_map(static fn (Drawing $page) => $page->inner(), Continuation::pages($form, $filling));
    expect(Continuation::numbers($form, $filling))->toBe(['short' => 1, 'long' => 2])
        ->and(count($drawn))->toBe(3)
        ->and(implode("\n", [
            json_encode(array_map(static fn (string $text) => mb_substr($text, 0, 900), Continuation::shortened($form, $filling)),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE),
            ...array_map(static fn (string $page) => str_replace('<text', "\n<text", $page), $drawn),
        ]))->toMatchSnapshot();
    // Nothing to go on with, nothing behind.
    $short = Filling::of($form, ['short' => 'fits'], $facts);
    expect(Continuation::pages($form, $short))->toBe([])->and(Continuation::numbers($form, $short))->toBe([]);
    // Where not even a word fits beside the number, the number alone stands.
    $narrow = Filling::of($form, ['sum' => '', 'short' => str_repeat('W', 400)], $facts);
    expect(Continuation::shortened($form, $narrow)['short'])->toBe('… (1)');
});

it('reads the text of a form, and says what cannot be read', function () {
    $text = FormText::read(
        "number: X-9\nrevision: 2026-02\ntitle: A & B\nset: Set <one>\nstage: offer\ntype: 9/1.4\n---\n".
            '<p>[[a.b_1 text w=120 req bind=price]] and [[c money label="What it costs" calc="price - 1"]] [[d tick group=g when=c]] yes, '.
            "[[e lines h=90]] [[f lines]] [[g choice options=\"one|other\"]]</p>\n[[@sign buyer.1]] [[@date buyer.1]] [[@name seller.1]] ".
            '[[@initials agent.1]]',
    );
    expect(json_encode(['html' => explode("\n", $text->html()), 'blanks' => $text->blanks, 'marks' => $text->marks, 'head' => $text->head],
        JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))->toMatchSnapshot();
    $head = "number: X-9\nrevision: 1\ntitle: T\nset: S\nstage: offer\n---\n";
    foreach ([
        "number: X-9\nrevision: 1\ntitle: T\nset: S\n---\nx" => 'The head of a form\'s text has no “stage”.',
        "revision: 1\ntitle: T\nset: S\nstage: offer\n---\nx" => 'The head of a form\'s text has no “number”.',
        "{$head}[[a text]] [[a money]]" => 'The blank “a” stands twice in X-9.',
        "{$head}[[a noise]]" => '“a noise” cannot be read as a blank.',
        "{$head}[[A text]]" => '“A text” cannot be read as a blank.',
        "{$head}[[@stamp buyer.1]]" => '“stamp buyer.1” cannot be read as a mark.',
    ] as $wrong => $told) {
        expect(fn () => FormText::read($wrong)->html())->toThrow(UnexpectedValueException::class, $told);
    }
});

it('knows every fact a blank may follow, what it is called, and what the blank would hold', function () {
    $told = [];
    foreach (Bindings::all() as $name => $label) {
        $told[$name] = [$label, Bindings::label($name), Bindings::kind($name)?->value, Bindings::isKnown($name)];
    }
    expect(json_encode($told, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE))->toMatchSnapshot();
    foreach ([
        'price' => [true, 'Price', Kind::Money],
        'price?' => [false, 'Price is ', Kind::Tick],
        'financing?cash' => [true, 'Financing is cash', Kind::Tick],
        'represents' => [true, 'represents', null],
        'kind?lease' => [true, 'kind is lease', Kind::Tick],
        'status' => [true, 'status', null],
        'office' => [true, 'office', null],
        'entity.party' => [true, 'entity.party', null],
        'attorney.party' => [true, 'attorney.party', null],
        'attached.m-222' => [true, 'attached.m-222', Kind::Tick],
        'attached.m-22222' => [false, 'attached.m-22222', Kind::Tick],
        'attached.mmmm-1' => [false, 'attached.mmmm-1', Kind::Tick],
        'xattached.m-1' => [false, 'xattached.m-1', null],
        'buyers.count' => [true, 'buyers.count', null],
        'buyers.age' => [false, 'buyers.age', null],
        'kings.names' => [false, 'kings.names', null],
        'buyer.2.email' => [true, 'Buyer 2, email address', null],
        'escrow.1.firm' => [true, 'Escrow, company', null],
        'buyer.12.phone' => [true, 'Buyer 12, phone', null],
        'buyer.0.name' => [false, 'Buyer 0, name', null],
        'buyer.123.name' => [false, 'Buyer 123, name', null],
        'buyer.1.shoes' => [false, 'buyer.1.shoes', null],
        'king.1.name' => [false, 'king.1.name', null],
        'balance' => [true, 'Balance at closing', Kind::Money],
        'cash_at_closing' => [true, 'Cash at closing', Kind::Money],
        'nothing' => [false, 'nothing', null],
    ] as $binding => [$known, $label, $kind]) {
        expect(Bindings::isKnown($binding))->toBe($known, $binding)
            ->and(Bindings::kind($binding))->toBe($kind, $binding);
        preg_match('/^(king|buyer\.(0|123))\./', $binding) === 1 || expect(Bindings::label($binding))->toBe($label, $binding);
    }
});

/** A PDF with fields of all kinds under awkward names. @param  list<string>  $fields dictionaries, without what makes a widget of them */
function withFields(array $fields): PdfFields
{
    $objects = [1 => '', 2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 /MediaBox [0 0 612 792] >>', 3 => ''];
    $kids = $tops = [];
    foreach ($fields as $index => $field) {
        $id = 10 + $index;
        $y = 760 - 20 * $index;
        $objects[$id] = "<< /Type /Annot /Subtype /Widget /Rect [100 {$y} 200 ".($y + 14).".5] {$field} >>";
        $kids[] = "{$id} 0 R";
        str_contains($field, '/Parent') || ($tops[] = "{$id} 0 R");
    }
    $objects[40] = '<< /FT /Btn /Ff 49152 /T (pay.how-it_isPaid) /V /Off /Opt [(By cash) ()] /Kids [10 0 R 11 0 R] >>';
    $objects[50] = MadePdf::stream('/Type /XObject /Subtype /Form /BBox [0 0 14 14]', 'q Q');
    $objects[1] = '<< /Type /Catalog /Pages 2 0 R /AcroForm << /Fields ['.implode(' ', $tops).' 40 0 R] /DA (/Helv 0 Tf 0 g) >> >>';
    $objects[3] = '<< /Type /Page /Parent 2 0 R /Annots ['.implode(' ', $kids).'] >>';
    ksort($objects);
    $scratch = new Scratch();

    return PdfFields::of(PdfLook::into($scratch->put('fields.pdf', MadePdf::of($objects))));
}

it('takes over fields whatever they are called, each under a name of its own', function () {
    $on = static fn (string $name) => "/AS /Off /AP << /N << /{$name} 50 0 R /Off 50 0 R >> >>";
    $found = FoundItems::ofFields(withFields([
        "/Parent 40 0 R {$on('0')}",
        "/Parent 40 0 R {$on('7')}",
        '/FT /Tx /T (Form.Page1.buyerName1) /Ff 2',
        '/FT /Tx /T (Form.Page2.buyerName1)',
        '/FT /Tx /T (buyer name1)',
        '/FT /Tx /T (Stra\\337e__Nr#\\(2\\))',
        '/FT /Tx /T (1234)',
        '/FT /Tx /T (---)',
        '/FT /Tx /T (notes) /TU (Anything else the parties agree upon between themselves, at length, in their own words) /Ff 4096',
        '/FT /Tx /T (PurchasePrice) /TU (Purchase price)',
        '/FT /Tx /T (ClosingDate) /TU (Closing date)',
        '/FT /Tx /T (days) /TU (Number of days)',
        '/FT /Ch /Ff 131072 /T (state) /Opt [[(MR) (Merrow)] [(QN) ()] [() ( )]]',
        '/FT /Ch /Ff 131072 /T (only) /Opt [(one)]',
        '/FT /Ch /Ff 393216 /T (free) /Opt [(one) (two)]',
        '/FT /Ch /T (list) /Opt [(red) (green)] /TU (Color)',
        "/FT /Btn /T (agree) /TU (I agree) {$on('Ja')}",
        "/FT /Btn /T (cash) /TU (Purchase price in cash) {$on('Yes')}",
        '/FT /Btn /Ff 65536 /T (reset)',
        '/FT /Btn /Ff 65536 /T (print)',
        '/FT /Sig /T (SignatureSeller2)',
        '/FT /Sig /T (sig) /TU (Buyers sign here)',
        '/FT /Sig /T (sig3) /TU (Witness)',
    ]));
    $told = array_map(
        static fn (DraftItem $one) => json_encode($one->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        $found->items,
    );
    expect(implode("\n", [...$told, ...$found->notes]))->toMatchSnapshot();
    $one = FoundItems::ofFields(withFields(["/Parent 40 0 R {$on('x')}", '/FT /Btn /Ff 65536 /T (reset)']));
    expect($one->notes)->toBe(['One button was left out.'])->and($one->items[0]->group)->toBe('');
});

it('takes over what was proposed, following a fact only where the blank can hold it', function () {
    $place = new Rect(1, 2, 3, 4);
    $blank = static fn (Kind|MarkKind $kind, ?string $to) => new ProposedBlank('n', $kind, 'L', 2, $place, $to, 'b');
    $items = FoundItems::ofProposal([
        $blank(MarkKind::Signature, 'buyer.1'),
        $blank(MarkKind::Initials, null),
        $blank(Kind::Money, 'price'),
        $blank(Kind::Tick, 'price'),
        $blank(Kind::Tick, 'financing?cash'),
        $blank(Kind::Text, 'financing?cash'),
        $blank(Kind::Text, null),
    ])->items;
    $told = static fn (DraftItem $one) => [$one->id, $one->kind->value, $one->name, $one->binding, $one->seat, $one->page];
    expect(array_map($told, $items))
        ->toBe([
            ['p0', 'signature', '', '', 'buyer.1', 2],
            ['p1', 'initials', '', '', '', 2],
            ['p2', 'money', 'n', 'price', '', 2],
            ['p3', 'tick', 'n', '', '', 2],
            ['p4', 'tick', 'n', 'financing?cash', '', 2],
            ['p5', 'text', 'n', '', '', 2],
            ['p6', 'text', 'n', '', '', 2],
        ]);
});

/**
 * Where a word must stand to be taken for what a place is called by, as a picture: a row for each height, a letter for each
 * step to the right. "#" is where it is.
 *
 * @param Closure(Surroundings): string $asked
 * @param list<WritingPlace> $others
 * @param list<Word> $words
 */
function region(WritingPlace $at, Closure $asked, array $others = [], array $words = [], float $wide = 20.0): string
{
    $rows = [];
    for ($y = $at->place->y - 44; $y <= $at->place->y + $at->place->height + 26; $y += 2) {
        $row = '';
        for ($x = $at->place->x - 96; $x <= $at->place->x + $at->place->width + 60; $x += 4) {
            $said = $asked(new Surroundings($at, [$at, ...$others], [...$words, new Word('Ab', $x, $y, $wide, 10)]));
            $row .= match (true) {
                $said === '' => '.',
                str_contains($said, 'Ab') => $said === 'Ab' ? '#' : '+',
                default => '-',
            };
        }
        $rows[] = rtrim($row);
    }

    return implode("\n", $rows);
}

/** @return array<string, array{WritingPlace, list<WritingPlace>, list<Word>}> a place, others on its page, and words there already */
function surrounded(): array
{
    return [
        'a ruled line' => [new WritingPlace('line', new Rect(200, 300, 100, 14), 'ruled line'), [], []],
        'a long ruled line' => [new WritingPlace('line', new Rect(200, 300, 180, 14), 'ruled line'), [], []],
        'underscores' => [new WritingPlace('line', new Rect(200, 300, 100, 14), 'underscores'), [], []],
        'a box, high' => [new WritingPlace('box', new Rect(200, 300, 100, 40), 'box'), [], []],
        'a square' => [new WritingPlace('tick', new Rect(200, 300, 10, 10), 'check square'), [], []],
        'a cell' => [new WritingPlace('box', new Rect(200, 300, 60, 16), 'cell'), [], []],
        'a cell under a heading' => [
            new WritingPlace('box', new Rect(200, 300, 60, 16), 'cell'),
            [],
            [new Word('Head', 205, 270, 20, 10), new Word('ing', 228, 268, 15, 10)],
        ],
        'a caption of its own' => [new WritingPlace('box', new Rect(200, 300, 60, 30), 'box', 'Its name:'), [], []],
        'an empty caption' => [new WritingPlace('box', new Rect(200, 300, 60, 30), 'box', ':'), [], []],
        'neighbors on both sides' => [
            new WritingPlace('line', new Rect(200, 300, 60, 14), 'ruled line'),
            [
                new WritingPlace('line', new Rect(150, 301, 20, 14), 'ruled line'),
                new WritingPlace('line', new Rect(275, 299, 20, 14), 'ruled line'),
                new WritingPlace('line', new Rect(180, 330, 10, 14), 'ruled line'),
            ],
            [],
        ],
        'words before it already' => [
            new WritingPlace('line', new Rect(200, 300, 100, 14), 'underscores'),
            [],
            [new Word('of', 185, 303, 12, 10), new Word('price', 160, 303, 22, 10)],
        ],
        'many words around' => [
            new WritingPlace('line', new Rect(200, 300, 100, 14), 'ruled line'),
            [],
            array_map(static fn (int $n) => new Word("w{$n}", 200 - 10 * $n, 303, 8, 10), range(1, 9)),
        ],
    ];
}

it('calls a place by words that stand where its own would', function (string $of) {
    [$at, $others, $words] = surrounded()[$of];
    $pictures = [];
    foreach ([
        'label' => static fn (Surroundings $s) => $s->label(),
        'before' => static fn (Surroundings $s) => $s->before(),
        'after' => static fn (Surroundings $s) => $s->after(),
        'below' => static fn (Surroundings $s) => $s->below(),
        'near' => static fn (Surroundings $s) => trim((string) preg_replace('/\s+/', ' ', $s->near())),
        'follows' => static fn (Surroundings $s) => $s->follows('Ab') ? 'Ab' : '',
    ] as $name => $asked) {
        $pictures[] = "{$name}\n".region($at, $asked, $others, $words);
    }
    expect(implode("\n\n", $pictures))->toMatchSnapshot();
})->with([
    'a ruled line',
    'a long ruled line',
    'underscores',
    'a box, high',
    'a square',
    'a cell',
    'a cell under a heading',
    'a caption of its own',
    'an empty caption',
    'neighbors on both sides',
    'words before it already',
    'many words around',
]);

it('tidies what a place is called by', function (string $caption, string $label) {
    expect((new Surroundings(new WritingPlace('box', new Rect(1, 1, 9, 9), 'box', $caption), [], []))->label())->toBe($label);
})->with([
    ['Name:', 'Name'],
    ['Price: $', 'Price'],
    ['The first sentence. Second name (', 'Second name'],
    ['; and so on –', 'and so on'],
    ['No. 3', 'No. 3'],
    ['  spread   out  ', 'spread out'],
    [str_repeat('long ', 20), 'long long long long long long long long long long long long…'],
    ['5. Buyer', 'Buyer'],
    ['Lot #', 'Lot'],
]);
