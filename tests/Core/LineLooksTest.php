<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** @return list<string> "kind seat left–right" of what a page asks for, in whole points */
function askedByLines(string $content): array
{
    $scratch = new Scratch();
    $path = $scratch->put('lines.pdf', MadePdf::page($content.MadePdf::text(72, 720, 'We sign this agreement.')));

    return array_map(
        static fn (ProposedMark $mark) => sprintf(
            '%s %s %.0f–%.0f',
            $mark->kind->value,
            $mark->seat ?? '?',
            $mark->place->x,
            $mark->place->x + $mark->place->width,
        ),
        MarkFinder::in($path, array_map(Seat::of(...), ['buyer.1', 'seller.1'])),
    );
}

/** A label and a line to sign, another and one to date: each drawn by what is given their left end, width and foot. */
function twoLines(Closure $line): string
{
    return MadePdf::text(72, 600, 'Buyer signature:').$line(160, 180, 598).MadePdf::text(360, 600, 'Date:').$line(395, 90, 598);
}

it('finds lines however they are typed', function (string $sign, int $times) {
    $typed = static fn (int $width): string => rtrim(str_repeat($sign, (int) ($times * $width / 180)));
    $found = askedByLines(twoLines(static fn (int $x, int $width, int $y): string => MadePdf::text($x, $y + 2, $typed($width))));
    expect(array_map(static fn (string $one) => explode(' ', $one)[0].' '.explode(' ', $one)[1], $found))
        ->toBe(['signature buyer.1', 'date buyer.1'])
        ->and($found[0])->toStartWith('signature buyer.1 160–');
})->with([
    'underscores apart' => ['_ ', 18],
    'dots apart' => ['. ', 28],
    'hyphens' => ['-', 48],
    'hyphens apart' => ['- ', 26],
    'underscores in twos' => ['__ ', 10],
]);

it('takes neither a row of dashes that parts a page nor dots that lead to a page for a line', function (string $content) {
    expect(askedByLines($content))->toBe([]);
})->with([
    'dashes by themselves over a role' => [MadePdf::text(72, 600, str_repeat('-', 40)).MadePdf::text(72, 587, 'Buyer')],
    'dashes over the page' => [MadePdf::text(72, 600, 'Buyer '.str_repeat('-', 130))],
    'contents' => [MadePdf::text(72, 600, 'Buyer . . . . . . . . . . . . . . . . . 3')],
]);

it('finds boxes that are shaded or have round corners', function (string $look) {
    $round = '%1$.1f %2$.1f m %3$.1f %2$.1f l %4$.1f %2$.1f %5$.1f %6$.1f %5$.1f %7$.1f c %5$.1f %8$.1f l '.
        '%5$.1f %9$.1f %4$.1f %10$.1f %3$.1f %10$.1f c %1$.1f %10$.1f l %11$.1f %10$.1f %12$.1f %9$.1f %12$.1f %8$.1f c '.
        '%12$.1f %7$.1f l %12$.1f %6$.1f %11$.1f %2$.1f %1$.1f %2$.1f c h ';
    $box = static function (int $x, int $width, int $y) use ($look, $round): string {
        [$left, $right, $low, $high] = [$x, $x + $width, $y - 4, $y + 16];
        $rounded = sprintf($round, $left + 5, $low, $right - 5, $right - 2.2, $right, $low + 2.2, $low + 5, $high - 5, $high - 2.2, $high,
            $left + 2.2, $left);
        $inner = static fn (float $in): array => [$left + $in, $low + $in, $width - 2 * $in, 20 - 2 * $in];
        $square = static fn (float $in): string => vsprintf('%.1f %.1f %.1f %.1f re ', $inner($in));

        return 'q '.match ($look) {
            'shaded' => ".93 .95 1 rg {$square(0)}f",
            'round' => "0.6 w {$rounded}S",
            'round and shaded' => ".9 g {$rounded}f",
            default => "0.2 g {$square(0)}{$square(1)}f*",
        }." Q\n";
    };
    expect(askedByLines(twoLines($box)))->toHaveCount(2)
        ->and(askedByLines(twoLines($box))[0])->toStartWith('signature buyer.1 16')
        ->and(askedByLines(twoLines($box))[1])->toStartWith('date buyer.1 39');
})->with(['shaded', 'round', 'round and shaded', 'an edge as the room between two frames']);

it('takes a shaded ground with words on it, or one that is dark or white, for no box', function (string $content) {
    expect(askedByLines("q {$content} 160 594 180 20 re f Q\n".MadePdf::text(72, 600, 'Buyer signature:')))->toBe([]);
})->with(['dark' => '.2 g', 'white' => '1 g']);
