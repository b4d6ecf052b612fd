<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\InkSlope;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** Rows of ink that fall from left to right by a part of their length. */
function fallingRows(float $slope, int $width = 1000, int $height = 700): string
{
    $dots = str_repeat(' ', $width * $height);
    foreach (range(100, $height - 100, 50) as $row) {
        for ($x = 60; $x < $width - 60; $x++) {
            // Letters have gaps between them.
            $x % 14 < 9 && ($dots[($row + (int) round($slope * ($x - $width / 2))) * $width + $x] = 'x');
        }
    }

    return $dots;
}

/** @return list<string> "kind seat" of what is found on the picture of a page that lies so many degrees askew */
function foundOnGlass(string $content, float $askew): array
{
    $scratch = new Scratch();
    [$sin, $cos] = [sin(deg2rad($askew)), cos(deg2rad($askew))];
    $page = MadePdf::page("{$cos} {$sin} ".-$sin." {$cos} 0 0 cm\n{$content}");
    $path = $scratch->put('glass.pdf', MadePdf::scan($page, $scratch));

    return array_map(
        static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}",
        MarkFinder::in($path, array_map(Seat::of(...), ['buyer.1', 'buyer.2', 'agent.1']), scans: true),
    );
}

it('sees how far the rows of a picture fall, whatever its words say', function (float $slope) {
    $dots = fallingRows($slope);
    expect(abs(InkSlope::of($dots, 1000, 700, null) - $slope))->toBeLessThan(0.0012)
        ->and(abs(InkSlope::of($dots, 1000, 700, $slope > 0 ? 0.0 : 0.02) - $slope))->toBeLessThan(0.0012)
        // What was read of the words is more exact than the picture, where both say nearly the same.
        ->and(InkSlope::of($dots, 1000, 700, $slope + 0.002))->toBe($slope + 0.002);
})->with([0.031, 0.012, -0.008, -0.037]);

it('finds thin gray lines on a scan', function () {
    $content = '';
    foreach (['Buyer One', 'Buyer Two', "Buyer's Agent"] as $nth => $who) {
        $y = 600 - 50 * $nth;
        $content .= "0.65 g 72 {$y} 260 0.5 re f 360 {$y} 120 0.5 re f 0 g\n".
            MadePdf::text(72, $y - 13, $who, 10).MadePdf::text(360, $y - 13, 'Date', 10);
    }
    $content .= MadePdf::text(72, 700, 'We have read all of this and sign it here on the day that is written beside our names.', 10);
    expect(foundOnGlass($content, 0.4))->toBe([
        'signature buyer.1', 'date buyer.1', 'signature buyer.2', 'date buyer.2', 'signature agent.1', 'date agent.1',
    ]);
});
