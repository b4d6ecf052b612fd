<?php

declare(strict_types=1);

use Unanimus\Review\ReviewTime;

it('tells how long a paper waited', function (?string $from, ?string $to, ?int $minutes, string $words) {
    $at = static fn (?string $text) => $text === null ? null : new DateTimeImmutable($text);
    expect(ReviewTime::between($at($from), $at($to)))->toBe($minutes)->and(ReviewTime::words($minutes))->toBe($words);
})->with([
    ['2026-11-20 09:00', '2026-11-20 09:00:59', 0, 'less than a minute'],
    ['2026-11-20 09:00', '2026-11-20 09:01', 1, '1 minute'],
    ['2026-11-20 09:00', '2026-11-20 10:59', 119, '119 minutes'],
    ['2026-11-20 09:00', '2026-11-20 11:00', 120, '2 hours'],
    ['2026-11-20 09:00', '2026-11-22 08:59', 2879, '47 hours'],
    ['2026-11-20 09:00', '2026-11-22 09:00', 2880, '2 days'],
    ['2026-11-20 09:00', '2026-11-20 08:59', null, ''],
    [null, '2026-11-20 08:59', null, ''],
    ['2026-11-20 08:59', null, null, ''],
]);

it('takes the middle of what is known', function (array $minutes, ?int $median) {
    expect(ReviewTime::median($minutes))->toBe($median);
})->with([[[], null], [[null], null], [[5], 5], [[9, 1], 1], [[9, 1, 4], 4], [[9, null, 1, 4, 100], 4]]);
