<?php

declare(strict_types=1);

namespace Unanimus\Dates;

use Unanimus\Pages\Typeface;

/**
 * The drawn time line of one file: where posts, flags, ticks and today stand, in the drawing's own units.
 * Of two flags whose labels would meet, the earlier one is set higher, so that no stem runs through a label. When that
 * would stand too high, all labels are set on a slant instead, each led from its day to its own place.
 */
final readonly class DealLine
{
    /** The drawing's width. */
    public const WIDTH = 1232;

    /** The most rows of labels; more, and the labels stand on a slant. */
    public const ROWS = 4;

    /** How far apart slanted labels stand: their height over the sine of the slant, and a little air. */
    public const PITCH = 24.0;

    /** The slant, in degrees. */
    public const SLANT = 38;

    private const SIZE = 12;

    /** Posts of one day stand beside each other, so that each can be taken hold of. */
    private const BESIDE = 10.0;

    /** Between two names in one row. */
    private const GAP = 10.0;

    /**
     * @param list<array{x: float, label: string, day: string, iso: string, key: string, left: float, row: int,
     *     past: bool}> $posts left: where its name begins, in which row under the line
     * @param list<array{x: float, row: int, width: float, label: string, name: string, day: string, state: string, key: string,
     *     because: string}> $flags x is where the flag's foot stands; state: done, late, due, ahead
     * @param list<array{x: float, label: string}> $ticks
     * @param float $from where the thick line begins
     * @param float $to where the line ends
     * @param float $height above the line, what labels need
     * @param array<string, float> $feet where each flag's label stands, when on a slant
     * @param LocalDate $start the day at the drawing's left edge
     * @param float $unit the width of a day
     */
    private function __construct(
        public array $posts,
        public array $flags,
        public array $ticks,
        public ?float $today,
        public float $from,
        public float $to,
        public float $height,
        public array $feet,
        public LocalDate $start,
        public float $unit,
    ) {
    }

    /** How many rows the names of the posts need under the line. */
    public function depth(): int
    {
        return 1 + max([0, ...array_column($this->posts, 'row')]);
    }

    /** Whether the labels stand on a slant. */
    public function isSlanted(): bool
    {
        return $this->feet !== [];
    }

    /**
     * Lays the line out, from a week before the first day to two weeks after the last.
     *
     * @param array<string, array{label: string, day: LocalDate}> $anchors by key
     * @param list<Deadline> $deadlines
     * @param list<string> $done names of deadlines that are done
     */
    public static function lay(array $anchors, array $deadlines, array $done, LocalDate $today): ?self
    {
        $days = [
            ...array_map(static fn (array $anchor) => $anchor['day'], array_values($anchors)),
            ...array_map(static fn (Deadline $deadline) => $deadline->due, $deadlines),
        ];
        if ($days === []) {
            return null;
        }
        usort($days, static fn (LocalDate $a, LocalDate $b) => $a->iso() <=> $b->iso());
        $start = $days[0]->plusDays(-6);
        $end = $days[count($days) - 1]->plusDays(9);
        $span = max(28, $start->daysUntil($end));
        $x = static fn (LocalDate $day) => round(16 + ($start->daysUntil($day) * (self::WIDTH - 32)) / $span, 1);
        $flags = self::flags($deadlines, $done, $today, $x);
        $rows = max([1, ...array_column($flags, 'row')]);
        $feet = $rows > self::ROWS ? self::feet($flags) : [];
        $posts = self::posts($anchors, $today, $x);
        $ticks = [];
        for (
            $day = $start->plusDays((8 - $start->weekday()) % 7);
            ! $day->isAfter($start->plusDays($span));
            $day = $day->plusDays($span > 120 ? 14 : 7)
        ) {
            $ticks[] = ['x' => $x($day), 'label' => substr($day->short(), 5)];
        }
        $at = $start->daysUntil($today);

        return new self(
            $posts,
            $flags,
            $ticks,
            $at >= 0 && $at <= $span ? $x($today) : null,
            $posts === [] ? $x($days[0]) : $posts[0]['x'],
            $posts === [] ? $x($days[count($days) - 1]) : max(array_column($posts, 'x')),
            $feet === [] ? 20.0 + $rows * 18 : 34.0 + sin(deg2rad(self::SLANT)) * max([0.0, ...array_column($flags, 'width')]),
            $feet,
            $start,
            (self::WIDTH - 32) / $span,
        );
    }

    /**
     * @param list<Deadline> $deadlines
     * @param list<string> $done
     * @param callable(LocalDate): float $x
     * @return list<array{x: float, row: int, width: float, label: string, name: string, day: string, state: string, key: string,
     *     because: string}>
     */
    private static function flags(array $deadlines, array $done, LocalDate $today, callable $x): array
    {
        $flags = [];
        foreach (array_reverse($deadlines) as $deadline) {
            $state = $deadline->standing($done, $today);
            $label =
                $deadline->label.
                match ($state) {
                    'done' => ' ✓',
                    'late' => ' · late',
                    'ahead' => '',
                    default => ' · '.substr($deadline->due->short(), 0, 3),
                };
            $at = $x($deadline->due);
            $width = Typeface::width($label, self::SIZE) + 18;
            $row = 1;
            foreach ($flags as $right) {
                $row = $right['x'] < $at + $width + 4 ? max($row, $right['row'] + 1) : $row;
            }
            $flags[] = [
                'x' => min($at, self::WIDTH - $width - 2),
                'row' => $row,
                'width' => $width,
                'label' => $label,
                'name' => $deadline->label,
                'day' => $deadline->due->short(),
                'state' => $state,
                'key' => $deadline->name,
                'because' => $deadline->because,
            ];
        }

        return array_reverse($flags);
    }

    /**
     * Feet for slanted labels: in order, never nearer than the pitch, as near to their days as that allows.
     *
     * @param list<array{x: float, width: float, key: string}> $flags by day
     * @return array<string, float> by the flag's key
     */
    private static function feet(array $flags): array
    {
        $last = self::WIDTH - cos(deg2rad(self::SLANT)) * ($flags === [] ? 0.0 : $flags[count($flags) - 1]['width']);
        $feet = [];
        $next = INF;
        foreach (array_reverse($flags) as $index => $flag) {
            $room = max(4.0, $last - $index * self::PITCH);
            $next = min($flag['x'], $next - self::PITCH, $room);
            $feet[$flag['key']] = $next;
        }
        // Pushed out at the left, they are pushed back to the right.
        $least = 4.0;
        foreach (array_reverse($feet, true) as $key => $foot) {
            $feet[$key] = round(max($foot, $least), 1);
            $least = $feet[$key] + self::PITCH;
        }

        return $feet;
    }

    /**
     * @param array<string, array{label: string, day: LocalDate}> $anchors
     * @param callable(LocalDate): float $x
     * @return list<array{x: float, label: string, day: string, iso: string, key: string, left: float, row: int, past: bool}>
     */
    private static function posts(array $anchors, LocalDate $today, callable $x): array
    {
        $posts = [];
        foreach ($anchors as $key => $anchor) {
            $posts[] = [
                'x' => $x($anchor['day']),
                'label' => $anchor['label'],
                'day' => substr($anchor['day']->short(), 5),
                'iso' => $anchor['day']->iso(),
                'key' => $key,
                'left' => 0.0,
                'row' => 0,
                'past' => ! $anchor['day']->isAfter($today),
            ];
        }
        usort($posts, static fn (array $a, array $b) => $a['x'] <=> $b['x']);
        $placed = [];
        $ends = [];
        foreach ($posts as $index => $post) {
            $same = count(array_filter(array_slice($posts, 0, $index), static fn (array $other) => $other['iso'] === $post['iso']));
            $post['x'] += $same * self::BESIDE;
            $width = Typeface::width("{$post['label']} {$post['day']}", self::SIZE) * 1.06;
            $post['left'] = round(max(0.0, min(self::WIDTH - $width, $post['x'] - $width / 2)), 1);
            while (($ends[$post['row']] ?? -self::GAP) + self::GAP > $post['left']) {
                $post['row']++;
            }
            $ends[$post['row']] = $post['left'] + $width;
            $placed[] = $post;
        }

        return $placed;
    }
}
