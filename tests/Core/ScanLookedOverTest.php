<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormInk;
use Unanimus\Forms\HandChanges;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Forms\PrintedPaper;
use Unanimus\Forms\UnwrittenPlaces;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageDiff;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Review\PaperFindings;
use Unanimus\Signing\MarkKind;

function contractForm(): Form
{
    return (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
}

/**
 * A scan of a page of a form: written at some marks, askew, dusty, packed as JPEG.
 *
 * @param list<string> $written "signature buyer.1"
 */
function scanOf(Form $form, int $page, array $written, float $askew, int $dust, Scratch $scratch, ?Closure $hand = null): string
{
    (new NativeTool(30))->run(['pdftoppm', '-r', '150', '-gray', '-f', "{$page}", '-l', "{$page}", '-singlefile', '-png', $form->pdf,
        $scratch->path('page')]);
    $picture = imagecreatefrompng($scratch->path('page.png'));
    imagepalettetotruecolor($picture);
    mt_srand(7);
    $by = 150 / 72;
    imagesetthickness($picture, 2);
    foreach ($form->marks as $mark) {
        if ($mark->page !== $page || ! in_array("{$mark->kind->value} {$mark->seat}", $written, true)) {
            continue;
        }
        $place = $mark->place;
        [$x, $y] = [($place->x + 2) * $by, ($place->y + $place->height * 0.6) * $by];
        for ($stroke = 0; $stroke < 9; $stroke++) {
            [$toX, $toY] = [$x + $place->width * $by / 11, ($place->y + $place->height * mt_rand(20, 95) / 100) * $by];
            imageline($picture, (int) $x, (int) $y, (int) $toX, (int) $toY, 0x223366);
            [$x, $y] = [$toX, $toY];
        }
    }
    $hand === null || $hand($picture);
    $picture = imagerotate($picture, $askew, 0xF6F4F0);
    for ($speck = 0; $speck < $dust; $speck++) {
        imagesetpixel($picture, mt_rand(0, imagesx($picture) - 1), mt_rand(0, imagesy($picture) - 1), 0x505050);
    }
    imagejpeg($picture, $scratch->path('scan.jpg'), 60);
    $sheet = ['--pagesize', 'Letter', '--fit', 'into'];
    (new NativeTool(30))->run(['img2pdf', ...$sheet, '-o', $scratch->path('scan.pdf'), $scratch->path('scan.jpg')]);

    return $scratch->path('scan.pdf');
}

/** @return list<MarkPlace> */
function signedOn(Form $form, int $page): array
{
    $kinds = [MarkKind::Signature, MarkKind::Initials, MarkKind::Date];

    $isHere = static fn (MarkPlace $mark) => $mark->page === $page && in_array($mark->kind, $kinds, true);

    return array_values(array_filter($form->marks, $isHere));
}

it('tells what is written on a scan from what is empty, askew and dusty as it is', function (float $askew, int $dust) {
    $form = contractForm();
    $page = array_values(array_filter($form->marks, static fn (MarkPlace $one) => $one->kind === MarkKind::Signature))[0]->page;
    $written = ['signature buyer.1', 'date buyer.1', 'signature seller.2', 'date agent.1'];
    $ink = FormInk::of($form, $page, scanOf($form, $page, $written, $askew, $dust, $scratch = new Scratch()), 1);
    expect($ink)->not->toBeNull();
    foreach (signedOn($form, $page) as $mark) {
        $what = "{$mark->kind->value} {$mark->seat}";
        expect($ink->isWritten($mark->place))->toBe(in_array($what, $written, true), $what);
    }
})->with([[0.0, 0], [0.5, 500], [1.3, 3000], [-1.6, 9000], [0.7, 15000], [-0.25, 100], [1.9, 1000]]);

/** A place of a page of the contract with a line of print, and one with nothing. */
function changedByHand(GdImage $picture): void
{
    imageline($picture, 200, 505, 420, 502, 0x223366);
    for ($stroke = 0; $stroke < 8; $stroke++) {
        imageline($picture, 77 + $stroke * 9, 1480 + $stroke % 2 * 22, 86 + $stroke * 9, 1480 + ($stroke + 1) % 2 * 22, 0x223366);
    }
}

it('sees what was struck out or written by hand, and nothing on a page as it was printed', function (float $askew, int $dust) {
    $form = contractForm();
    $scratch = new Scratch();
    $open = array_map(static fn ($one) => $one->place, [...$form->blanksOn(1), ...signedOn($form, 1)]);
    $plain = FormInk::of($form, 1, scanOf($form, 1, [], $askew, $dust, $scratch), 1);
    expect($plain)->not->toBeNull()
        ->and(HandChanges::on($plain, $open))->toBe([]);
    $changed = FormInk::of($form, 1, scanOf($form, 1, [], $askew, $dust, $scratch, changedByHand(...)), 1);
    expect($changed)->not->toBeNull();
    $found = HandChanges::on($changed, $open);
    $at = static fn (float $x, float $y) => array_filter(
        $found,
        static fn (Rect $one) => $one->overlaps(new Rect($x - 10, $y - 10, 20, 20)),
    );
    expect($at(145, 242))->toHaveCount(1)
        ->and(count($found))->toBeLessThan(4);
})->with([[0.0, 0], [0.4, 800], [-1.2, 3000], [1.6, 9000]]);

it('lays a scan on its form though it was not turned at all', function (string $number, int $page) {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form($number);
    $scratch = new Scratch();
    expect(FormInk::of($form, $page, scanOf($form, $page, [], 0.0, 0, $scratch), 1))->not->toBeNull();
})->with([['M-201', 2], ['M-301', 1]]);

it('tells a price that was printed and then changed by hand from one that was filled in by hand', function () {
    $form = contractForm();
    $scratch = new Scratch();
    $blank = array_values(array_filter($form->blanksOn(1), static fn ($one) => $one->place->width > 90))[0];
    $overwrite = static function (GdImage $picture) use ($blank): void {
        $by = 150 / 72;
        [$x, $y] = [(int) ($blank->place->x * $by), (int) (($blank->place->y + $blank->place->height / 2) * $by)];
        imageline($picture, $x, $y, $x + 130, $y - 3, 0x223366);
    };
    $scan = scanOf($form, 1, [], 0.3, 200, $scratch, $overwrite);
    $there = static fn (UnwrittenPlaces $found) => array_filter(
        $found->changed,
        static fn (array $one) => $one['place'] !== null && $one['place']->overlaps($blank->place),
    );
    expect($there(UnwrittenPlaces::of($scan, $form, [1 => 1])))->toBe([]);
    $found = UnwrittenPlaces::of($scan, $form, [1 => 1], new PrintedPaper($form->pdf, 1, [$blank->name => '412,500']));
    expect($there($found))->toHaveCount(1)
        ->and(UnwrittenPlaces::fromArray(json_decode((string) json_encode($found->toArray()), true))?->toArray())->toEqual($found
        ->toArray());
    $texts = array_map(static fn ($one) => $one->text, PaperFindings::unwritten($found, $form, []));
    expect($texts)->toContain('Something was written or struck out by hand here.');
});

it('looks at no page that is not one of the form', function () {
    $scratch = new Scratch();
    $other = MadePdf::scan(MadePdf::page(MadePdf::text(72, 700, 'A letter about something else')), $scratch);
    expect(FormInk::of(contractForm(), 1, $scratch->put('other.pdf', $other), 1))->toBeNull();
});

it('says who has not signed, and what of a required blank is empty', function () {
    $form = contractForm();
    $page = array_values(array_filter($form->marks, static fn (MarkPlace $one) => $one->kind === MarkKind::Signature))[0]->page;
    $written = ['signature buyer.1', 'date buyer.1', 'signature seller.1', 'date seller.1'];
    $scan = scanOf($form, $page, $written, 0.5, 500, $scratch = new Scratch());
    $found = UnwrittenPlaces::of($scan, $form, [$page => 1]);
    expect($found->unlike)->toBe([]);
    $kept = UnwrittenPlaces::fromArray(json_decode((string) json_encode($found->toArray()), true));
    expect($kept?->toArray())->toEqual($found->toArray());
    $people = ['buyer.1' => 'Ines Duarte', 'buyer.2' => 'Paulo Duarte', 'seller.1' => 'Beatrix Palomar'];
    $told = PaperFindings::unwritten($found, $form, $people);
    $texts = array_map(static fn ($one) => $one->text, $told);
    expect($texts)->toContain('The signature of Paulo Duarte (buyer 2) is missing.')
        ->and(implode(' ', $texts))->not->toContain('Ines Duarte')->not->toContain('Seller 2')
        ->and($told[0]->page)->toBe(1)
        ->and($told[0]->id())->toBe(PaperFindings::unwritten($found, $form, ['buyer.2' => 'Paulo Duarte'])[0]->id());
    // Pages find themselves by what they say, or by their order.
    expect(UnwrittenPlaces::pages($form, [1 => 'x page 2 of 8', 2 => 'y page 1 of 8', 3 => 'nothing']))->toBe([1 => 2, 2 => 1])
        ->and(UnwrittenPlaces::pages($form, array_fill_keys(range(1, count($form->pages)), '')))->toHaveCount(count($form->pages))
        ->and(UnwrittenPlaces::pages($form, ['1' => '', '2' => '']))->toBe([])
        ->and(UnwrittenPlaces::fromArray(null))->toBeNull();
});

it('names who has not signed, who signed as somebody else, an old revision, and what was signed too late', function () {
    $form = contractForm();
    $people = ['buyer.1' => 'Ines Duarte', 'buyer.2' => 'Paulo Duarte'];
    expect(array_map(static fn ($one) => $one->text, PaperFindings::unsigned($form, $people, ['buyer.1'])))
        ->toBe(['The signature of Paulo Duarte (buyer 2) is missing.'])
        ->and(PaperFindings::unsigned($form, $people, ['buyer.1', 'buyer.2']))->toBe([]);
    $names = PaperFindings::names(['buyer.1' => 'INES DUARTE', 'buyer.2' => 'Paulo Prado', 'seller.1' => 'Someone'], $people);
    expect(array_map(static fn ($one) => $one->text, $names))
        ->toBe([
            'Buyer 2 signed as Paulo Prado; the file says Paulo Duarte.',
            'Someone signed as Seller 1, and the file has no one there.',
        ]);
    expect(PaperFindings::revision($form->revision, $form))->toBeNull()
        ->and(PaperFindings::revision('', $form))->toBeNull()
        ->and(PaperFindings::revision('2019-01', $form)?->text)->toContain('revision 2019-01 of M-201');
    $day = LocalDate::of('2026-11-20');
    expect(PaperFindings::late($day, $day))->toBeNull()
        ->and(PaperFindings::late(null, $day))->toBeNull()
        ->and(PaperFindings::late($day, LocalDate::of('2026-11-21'))?->text)->toContain('after the offer ran out');
});

it('tells who signed for another without the file saying who may, or as what', function () {
    $party = static fn (string $name, string $kind, string $by = '', string $as = '') => compact('name', 'kind', 'by', 'as');
    $parties = [
        'buyer.1' => $party('Ines Duarte', 'person'),
        'buyer.2' => $party('Paulo Duarte', 'person', 'Ines Duarte'),
        'seller.1' => $party('Greywater Holdings, LLC', 'entity'),
        'seller.2' => $party('Holt Family Trust', 'trust', 'Maren Holt', 'trustee'),
        'seller.3' => $party('Estate of Tobias Holt', 'estate'),
        'seller.4' => $party('Saltmarsh Trust', 'trust'),
    ];
    $told = array_map(
        static fn ($one) => $one->text,
        PaperFindings::authority($parties, ['buyer.1', 'buyer.2', 'seller.1', 'seller.2', 'seller.3']),
    );
    expect($told)->toBe([
        'Ines Duarte signed for Paulo Duarte. The file does not say in what capacity.',
        'Greywater Holdings, LLC is a company. The file does not say who signs for it.',
        'Estate of Tobias Holt is an estate. The file does not say who signs for it.',
    ]);
});

it('finds where two prints of a page differ, and nothing where they do not', function () {
    $scratch = new Scratch();
    $lines = static fn (string $price) => MadePdf::text(72, 700, 'Purchase of the house and the land around it').
        MadePdf::text(72, 600, "Price {$price}").MadePdf::text(72, 200, 'Signed');
    $one = $scratch->put('one.pdf', MadePdf::page($lines('450,000')));
    $two = $scratch->put('two.pdf', MadePdf::page($lines('475,500')));
    expect(PageDiff::of($one, 1, $one, 1))->toBe([]);
    $found = PageDiff::of($one, 1, $two, 1);
    expect($found)->toHaveCount(1)
        ->and($found[0]->y)->toBeGreaterThan(160)->toBeLessThan(195)
        ->and($found[0]->x)->toBeGreaterThan(80)->toBeLessThan(130);
});
