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
     * @param list<array{key: string, name: string, shape: string, percent: int, y: float, from: float|null, to: float|null,
     *     close: array{x: float, label: string, late: bool}|null, flags: list<array{x: float, state: string, title: string}>,
     *     open: bool}> $rows
     * @param list<array{x: float, label: string}> $ticks
     * @param list<array{x: float, width: float}> $weekends
     * @param array{x: float, width: float, count: int, now: bool}|null $fullWeek the week shown with most closings, from three on; of
     *                                                                            several the next
     */
    private function __construct(
        public array $rows,
        public array $ticks,
        public array $weekends,
        public ?array $fullWeek,
        public float $today,
        public float $height,
    ) {
    }

    /**
     * Lays out the lanes, a third of the span behind today and two thirds ahead.
     *
     * @param list<array{key: string, name: string, shape: string, percent: int, start: LocalDate|null, closing: LocalDate|null,
     *     deadlines: list<Deadline>, done: list<string>}> $files
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
            foreach ($file['deadlines'] as $deadline) {
                if ($inside($deadline->due)) {
                    $flags[] = [
                        'x' => $x($deadline->due),
                        'state' => $deadline->standing($file['done'], $today),
                        'title' => $deadline->label.', '.$deadline->due->short(),
                    ];
                }
            }
            $closing = $file['closing'];
            $rows[] = [
                'key' => $file['key'],
                'name' => $file['name'],
                'shape' => $file['shape'],
                'percent' => $file['percent'],
                'y' => 40.0 + $index * self::LANE,
                'from' => $file['start'] === null ? null : $x($file['start']),
                'to' => $closing === null ? null : $x($closing),
                'close' => $closing === null || ! $inside($closing)
                        ? null
                        : ['x' => $x($closing), 'label' => 'closing '.$closing->short(), 'late' => $closing->isBefore($today)],
                'flags' => $flags,
                'open' => $closing === null,
            ];
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
     * @param list<array{closing: LocalDate|null}> $files
     * @param callable(LocalDate): float $x
     * @return array{x: float, width: float, count: int, now: bool}|null
     */
    private static function fullWeek(array $files, LocalDate $today, LocalDate $end, callable $x): ?array
    {
        $weeks = [];
        foreach ($files as $file) {
            $closing = $file['closing'];
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

        return [
            'x' => $x($from),
            'width' => max(0.0, $x($from->plusDays(5)) - $x($from)),
            'count' => $weeks[$monday],
            'now' => ! $from->isAfter($today),
        ];
    }
}
