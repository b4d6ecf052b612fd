<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

const WHOLE_PAGES = __DIR__.'/whole-pages';

const WHOLE_PAGES_SEATS = ['buyer.1', 'buyer.2', 'seller.1', 'seller.2', 'agent.1', 'broker.1'];

/** @return list<ProposedMark> */
function askedOnWholePage(string $pdf, bool $scans = false): array
{
    static $read = [];
    $seats = array_map(Seat::of(...), WHOLE_PAGES_SEATS);

    return $scans ? MarkFinder::in($pdf, $seats, scans: true) : $read[$pdf] ??= MarkFinder::in($pdf, $seats);
}

/** @return array<string, array{string}> */
function wholePages(): array
{
    $names = array_map(static fn (string $path) => basename($path, '.pdf'), glob(WHOLE_PAGES.'/*.pdf') ?: []);

    return array_combine($names, array_map(static fn (string $name) => [$name], $names));
}

// Pages as offices of all kinds set them, each printed to PDF by a browser from the page.html beside it, or drawn straight as a PDF
// where there is none, with all that it asks for in page.txt: kind, seat, left and top with width and height in points, and how sure
// that is in hundredths. After a rule was changed on purpose, UNANIMUS_ACCEPT=1 writes these anew; read what changed before it is
// kept.
it('reads whole pages of other offices', function (string $name) {
    $asked = array_map(
        static fn (ProposedMark $mark) => sprintf(
            '%s %s %.0f,%.0f %.0f×%.0f %.0f',
            $mark->kind->value,
            $mark->seat ?? rtrim("? {$mark->word}"),
            $mark->place->x,
            $mark->place->y,
            $mark->place->width,
            $mark->place->height,
            100 * $mark->sure,
        ),
        askedOnWholePage(WHOLE_PAGES."/{$name}.pdf"),
    );
    if (getenv('UNANIMUS_ACCEPT') === '1') {
        file_put_contents(WHOLE_PAGES."/{$name}.txt", implode("\n", $asked)."\n");
    }

    expect(implode("\n", $asked)."\n")->toBe(file_get_contents(WHOLE_PAGES."/{$name}.txt"));
})->with(wholePages());

it('reads the same where the page was scanned', function (string $name, int $most) {
    $scratch = new Scratch();
    $scan = $scratch->put('glass.pdf', MadePdf::scan((string) file_get_contents(WHOLE_PAGES."/{$name}.pdf"), $scratch));
    $of = static fn (array $marks): array => array_count_values(array_map(
        static fn (ProposedMark $mark) => "{$mark->kind->value} {$mark->seat}",
        array_filter($marks, static fn (ProposedMark $mark) => in_array($mark->kind->value, ['signature', 'initials', 'date'], true)),
    ));
    [$printed, $scanned] = [$of(askedOnWholePage(WHOLE_PAGES."/{$name}.pdf")), $of(askedOnWholePage($scan, scans: true))];

    $other = 0;
    foreach ($printed + $scanned as $what => $times) {
        $other += abs(($printed[$what] ?? 0) - ($scanned[$what] ?? 0));
    }
    expect($printed)->not->toBe([])->and($other)->toBeLessThanOrEqual($most);
})->with([
    'cells with small captions' => ['listing-in-tables', 1],
    'crosses and captions after lines' => ['release-with-crosses', 0],
    'two languages with a stroke between' => ['agency-in-two-languages', 0],
    'lines close beside each other' => ['acceptance-narrow', 0],
    'numbers of lines in the margin' => ['offer-with-line-numbers', 0],
    'two columns' => ['lease-in-columns', 0],
]);

/**
 * How many of the true places of a page are found, how many of these rightly, and how many are asked for where nothing is.
 *
 * @param list<string> $true "kind seat left bottom right top" in points from the lower left, as the page that was printed has them
 * @return array{int, int, int}
 */
function heldAgainstTruth(string $name, array $true): array
{
    $asked = array_filter(
        askedOnWholePage(WHOLE_PAGES."/{$name}.pdf"),
        static fn (ProposedMark $mark) => in_array($mark->kind->value, ['signature', 'initials', 'date'], true),
    );
    [$found, $right] = [0, 0];
    foreach ($true as $one) {
        [$kind, $seat, $left, $bottom, $end, $top] = explode(' ', $one);
        $nearest = null;
        foreach ($asked as $at => $mark) {
            $shared = min((float) $end, $mark->place->x + $mark->place->width) - max((float) $left, $mark->place->x);
            $up = 792 - $mark->place->y - $mark->place->height / 2;
            $isThere = $shared > 0.5 * min($end - $left, $mark->place->width) && $up > $bottom - 12 && $up < $top + 12;
            $far = abs($up - ($bottom + $top) / 2);
            $isThere && ($nearest === null || $far < $nearest[1]) && ($nearest = [$at, $far]);
        }
        if ($nearest !== null) {
            $mark = $asked[$nearest[0]];
            $found++;
            $right += $mark->kind->value === $kind && (string) ($mark->seat ?? '?') === $seat ? 1 : 0;
            unset($asked[$nearest[0]]);
        }
    }

    return [$found, $right, count($asked)];
}

// What page.txt says is what we read; where the places truly are, and whose, was taken from the pages when they were made.
it('finds nearly all true places of those pages, rightly, and few that are none', function () {
    $truth = json_decode((string) file_get_contents(WHOLE_PAGES.'/truth.json'), true);
    expect(array_keys($truth))->toEqualCanonicalizing(array_keys(wholePages()));
    [$all, $found, $right, $false] = [0, 0, 0, 0];
    foreach ($truth as $name => $true) {
        [$there, $asTrue, $none] = heldAgainstTruth($name, $true);
        $all += count($true);
        $found += $there;
        $right += $asTrue;
        $false += $none;
    }

    expect($found / $all)->toBeGreaterThanOrEqual(0.98)
        ->and($right / $found)->toBeGreaterThanOrEqual(0.96)
        ->and($false / ($found + $false))->toBeLessThanOrEqual(0.01);
});
