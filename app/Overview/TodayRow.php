<?php

declare(strict_types=1);

namespace App\Overview;

use Unanimus\Signing\Seat;

/** One line of Today: what it is, in which file, where it leads, and what can be done on the spot. */
final readonly class TodayRow
{
    /**
     * @param int $left days until it is due; negative: late
     * @param array{label: string, to: string, with: array<string, string>}|null $act what a button on the row does
     */
    public function __construct(
        public string $what,
        public string $about,
        public string $where,
        public string $href,
        public int $left = 0,
        public bool $hot = false,
        public string $day = '',
        public ?Seat $seat = null,
        public ?array $act = null,
    ) {
    }

    /**
     * The most overdue first.
     *
     * @param list<self> $rows
     * @return list<self>
     */
    public static function worstFirst(array $rows): array
    {
        usort($rows, static fn (self $a, self $b) => $a->left <=> $b->left ?: $b->hot <=> $a->hot);

        return $rows;
    }

    /** Dates in the files of others, as one line that leads to them. */
    public static function elsewhere(int $dates, string $how, int $files, string $query): self
    {
        return new self(
            $dates === 1 ? "1 {$how} date" : "{$dates} {$how} dates",
            $files === 1 ? 'in a colleague’s file' : "in {$files} files of colleagues",
            '',
            '/files?q='.urlencode($query),
        );
    }

    /** "3 days late", "today", or how long it has yet. */
    public static function late(int $left): string
    {
        return match (true) {
            $left === -1 => '1 day late',
            $left < 0 => abs($left).' days late',
            $left === 0 => 'today',
            $left === 1 => 'tomorrow',
            default => "in {$left} days",
        };
    }
}
