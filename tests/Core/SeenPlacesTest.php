<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Forms\Library;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Review\PaperFindings;
use Unanimus\Review\ReviewFinding;
use Unanimus\Signing\PrintedNames;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SeenPlace;

/** A scribble as a pen makes one, over a line at that height from the foot. */
function scribble(float $x, float $y): string
{
    return "1.2 w {$x} {$y} m ".($x + 10).' '.($y + 14).' '.($x + 20).' '.($y - 2).' '.($x + 30).' '.($y + 9).' c '.
        ($x + 45).' '.($y + 13).' '.($x + 60).' '.($y + 1).' '.($x + 80).' '.($y + 8)." c S\n";
}

function signedPages(bool $scanned): string
{
    $scratch = new Scratch();
    $line = fn (string $who) => "{$who}: ______________________________  Date: ______________";
    $content = MadePdf::text(72, 700, 'Consent to the repair of the chimney at the house', 11).
        MadePdf::text(72, 320, $line('Buyer 1'), 10).MadePdf::text(72, 280, $line('Buyer 2'), 10).
        MadePdf::text(72, 240, $line('Seller'), 10).scribble(130, 322).MadePdf::text(322, 323, '11/20/2026', 9).scribble(130, 242);
    $pdf = $scratch->put('paper.pdf', MadePdf::page($content));
    if ($scanned) {
        $tool = new NativeTool(60);
        $tool->run(['pdftocairo', '-png', '-gray', '-r', '200', '-singlefile', $pdf, $scratch->path('page')]);
        $tool->run(['img2pdf', $scratch->path('page.png'), '-o', $scratch->path('scan.pdf')]);

        return $scratch->get('scan.pdf');
    }

    return $scratch->get('paper.pdf');
}

it('tells on a paper of no form who has written on their line and who has not', function () {
    $scratch = new Scratch();
    $path = $scratch->put('paper.pdf', signedPages(false));
    $seats = array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'seller.1']);
    $seen = SeenPlace::on($path, $seats, PrintedNames::of([]), true);
    $told = array_map(static fn (SeenPlace $one) => "{$one->kind->value} {$one->seat} ".($one->isWritten ? 'written' : 'empty'), $seen);
    expect($told)->toBe([
        'signature buyer.1 written', 'date buyer.1 written',
        'signature buyer.2 empty', 'date buyer.2 empty',
        'signature seller.1 written', 'date seller.1 empty',
    ]);
    $again = array_map(static fn (SeenPlace $one) => SeenPlace::fromArray($one->toArray()), $seen);
    $found = PaperFindings::unwrittenLines(array_values(array_filter($again)), ['buyer.2' => 'José Nguyễn-Ortiz', 'seller.1' => '']);
    expect(array_map(static fn (ReviewFinding $one) => $one->text, $found))->toBe([
        'The signature of José Nguyễn-Ortiz (buyer 2) is missing.',
        'The date beside the signature of José Nguyễn-Ortiz (buyer 2) is missing.',
    ]);
    // Nobody of the file is there, or it is not sure whose the line is: nothing is said.
    expect(PaperFindings::unwrittenLines(array_values(array_filter($again)), []))->toBe([]);
});

it('says of nobody on a scan that they have not signed who have', function () {
    $scratch = new Scratch();
    $path = $scratch->put('paper.pdf', signedPages(true));
    $seen = SeenPlace::on($path, array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'seller.1']), PrintedNames::of([]), true);
    $empty = array_filter($seen, static fn (SeenPlace $one) => $one->kind->value === 'signature' && ! $one->isWritten);
    expect(array_values(array_map(static fn (SeenPlace $one) => (string) $one->seat, $empty)))->toBe(['buyer.2']);
});

it('holds the addenda that a contract names against those in the file', function (array $values, array $there, bool $whole, array $told) {
    $form = (new Library(dirname(__DIR__, 2).'/library'))->form('M-201');
    $found = array_map(static fn (ReviewFinding $one) => $one->text, PaperFindings::addenda($form, $values, $there, $whole));
    expect($found)->toBe($told);
})->with([
    'all as it is' => [['add_insured' => 'x'], ['M-215', 'M-201'], true, []],
    'one that is not there' => [
        ['add_insured' => 'x', 'add_gap' => 'x'],
        ['M-215'],
        true,
        ['The contract names the “Appraisal gap addendum”, and it is not in the file.'],
    ],
    'one that is not named' => [
        ['add_insured' => 'x'],
        ['M-215', 'M-222'],
        true,
        ['The “Association addendum” is in the file, and the contract does not name it.'],
    ],
    'a scan, whose check marks are not all known' => [[], ['M-215'], false, []],
]);
