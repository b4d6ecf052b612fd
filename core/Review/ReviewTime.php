<?php

declare(strict_types=1);

namespace Unanimus\Review;

/** How long papers wait for their review. */
final class ReviewTime
{
    /** Minutes between two moments; null where one is not known or they are the wrong way round. */
    public static function between(?\DateTimeInterface $from, ?\DateTimeInterface $to): ?int
    {
        if ($from === null || $to === null || $to < $from) {
            return null;
        }

        return intdiv($to->getTimestamp() - $from->getTimestamp(), 60);
    }

    /** As read: "40 minutes", "3 hours", "2 days"; rounded down, empty where it is not known. */
    public static function words(?int $minutes): string
    {
        if ($minutes === 0) {
            return 'less than a minute';
        }
        [$count, $unit] = match (true) {
            $minutes === null => [0, ''],
            $minutes < 120 => [$minutes, 'minute'],
            $minutes < 2880 => [intdiv($minutes, 60), 'hour'],
            default => [intdiv($minutes, 1440), 'day'],
        };

        return $unit === '' ? '' : "{$count} {$unit}".($count === 1 ? '' : 's');
    }

    /**
     * How long it took in the middle, of spans that have both ends.
     *
     * @param iterable<array{\DateTimeInterface|null, \DateTimeInterface|null}> $spans
     */
    public static function usual(iterable $spans): ?int
    {
        $minutes = [];
        foreach ($spans as [$from, $to]) {
            $minutes[] = self::between($from, $to);
        }

        return self::median($minutes);
    }

    /**
     * The middle one of those that are known; of an even number the lower of the two.
     *
     * @param list<int|null> $minutes
     */
    public static function median(array $minutes): ?int
    {
        $known = array_values(array_filter($minutes, is_int(...)));
        sort($known);

        return $known === [] ? null : $known[intdiv(count($known) - 1, 2)];
    }
}
