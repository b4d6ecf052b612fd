<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * All open files' deal lines under each other, today in the same place for all.
 */
final readonly class Lanes
{
    /** The drawing's width; the lanes begin right of the names. */
    public const WIDTH = 1232;

    private const LEFT = 236;

    private const RIGHT = 1172;

    /** Height of one lane. */
    public const LANE = 24;

    /**
     * @param list<Lane> $rows
     * @param list<array{x: float, label: string}> $ticks
     * @param list<array{x: float, width: float}> $weekends
     * @param FullWeek|null $fullWeek the week shown with most closings, from three on; of several the next
     */
    private function __construct(
        public array $rows,
        public array $ticks,
        public array $weekends,
        public ?FullWeek $fullWeek,
        public float $today,
        public float $height,
    ) {
    }

    /**
     * Lays out the lanes, a third of the span behind today and two thirds ahead.
     *
     * @param list<LaneFile> $files
     * @param int $span days across
     */
    public static function lay(array $files, LocalDate $today, int $span): self
    {
        $start = $today->plusDays(-intdiv($span * 3, 10));
        $end = $start->plusDays($span);
        $unit = (self::RIGHT - self::LEFT) / $span;
        $x = static fn (LocalDate $day) => round(self::LEFT + max(0, min($span, $start->daysUntil($day))) * $unit, 1);
        $inside = static fn (LocalDate $day) => ! $day->isBefore($start) && ! $day->isAfter($end);
        $rows = [];
        foreach ($files as $index => $file) {
            $flags = [];
            foreach ($file->deadlines as $deadline) {
                if ($inside($deadline->due)) {
                    $title = $deadline->label.', '.$deadline->due->short();
                    $flags[] = new LaneFlag($x($deadline->due), $deadline->standing($file->done, $today), $title);
                }
            }
            $closing = $file->closing;
            $ending = $closing === null ? 'no closing date' : 'closing '.$closing->short();
            $rows[] = new Lane(
                $file->key,
                $file->name,
                $file->shape,
                $file->percent,
                40.0 + $index * self::LANE,
                $file->start === null ? null : $x($file->start),
                $closing === null ? null : $x($closing),
                $closing === null || ! $inside($closing)
                    ? null
                    : new LaneClose($x($closing), $ending, $closing->isBefore($today)),
                $flags,
                $ending,
            );
        }
        $ticks = [];
        $weekends = [];
        for ($day = $start->plusDays((8 - $start->weekday()) % 7); $day->isBefore($end); $day = $day->plusDays(7)) {
            $ticks[] = ['x' => $x($day), 'label' => substr($day->short(), 5)];
            $weekends[] = ['x' => $x($day->plusDays(5)), 'width' => round(min(2 * $unit, self::RIGHT - $x($day->plusDays(5))), 1)];
        }

        return new self(
            $rows,
            $span > 100 ? array_values(array_filter($ticks, static fn (int $i) => $i % 2 === 0, ARRAY_FILTER_USE_KEY)) : $ticks,
            $weekends,
            self::fullWeek($files, $today, $end, $x),
            $x($today),
            44.0 + count($rows) * self::LANE,
        );
    }

    /**
     * @param list<LaneFile> $files
     * @param callable(LocalDate): float $x
     */
    private static function fullWeek(array $files, LocalDate $today, LocalDate $end, callable $x): ?FullWeek
    {
        $weeks = [];
        foreach ($files as $file) {
            $closing = $file->closing;
            if ($closing !== null && ! $closing->isBefore($today) && ! $closing->isAfter($end)) {
                $monday = $closing->plusDays(1 - $closing->weekday());
                $weeks[$monday->iso()] = ($weeks[$monday->iso()] ?? 0) + 1;
            }
        }
        ksort($weeks);
        arsort($weeks);
        $monday = array_key_first($weeks);
        if ($monday === null || $weeks[$monday] < 3) {
            return null;
        }
        $from = LocalDate::of($monday);

        return new FullWeek($x($from), max(0.0, $x($from->plusDays(5)) - $x($from)), $weeks[$monday], ! $from->isAfter($today));
    }
}
