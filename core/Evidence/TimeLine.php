<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Dates\Moment;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Typeface;

/**
 * When each person of a round did what, drawn from its first to its last moment.
 */
final readonly class TimeLine
{
    private const ROW = 15.0;

    private const NAMES = 130.0;

    /**
     * @param array<string, list<\DateTimeInterface>> $moments of each person by name, in order, the last being their finishing
     * @param \DateTimeInterface $from when it was sent
     * @param \DateTimeInterface $to when it was over
     * @param string $zone for whom both are written
     */
    public function __construct(
        private array $moments,
        private \DateTimeInterface $from,
        private \DateTimeInterface $to,
        private string $zone,
    ) {
    }

    /** Points that it takes from top to bottom. */
    public function height(): float
    {
        return count($this->moments) * self::ROW + 22;
    }

    /** Draws it, its upper left corner there. */
    public function on(Drawing $page, float $x, float $y, float $width): void
    {
        $first = $this->from->getTimestamp();
        $span = max(1, $this->to->getTimestamp() - $first);
        $room = $width - self::NAMES - 8;
        $share = static fn (\DateTimeInterface $moment) => min(1, max(0, ($moment->getTimestamp() - $first) / $span));
        $at = static fn (\DateTimeInterface $moment) => $x + self::NAMES + $room * $share($moment);
        foreach ($this->moments as $name => $moments) {
            $page->text($x, $y + 3, 8, mb_strimwidth((string) $name, 0, 30, '…'));
            $moments === [] || $page->line($at($moments[0]), $y, $at($moments[count($moments) - 1]), $y);
            foreach ($moments as $index => $moment) {
                // The last one, their finishing, is filled.
                $fill = $index === count($moments) - 1 ? '#2b6a4d' : '#ffffff';
                $page->piece(
                    sprintf('<circle cx="%.2f" cy="%.2f" r="2.6" fill="%s" stroke="#2b6a4d" stroke-width="0.8"/>', $at($moment), $y, $fill),
                );
            }
            $y += self::ROW;
        }
        $page->line($x + self::NAMES, $y, $x + self::NAMES + $room, $y);
        $page->text($x + self::NAMES, $y + 10, 7, 'sent '.Moment::record($this->from, $this->zone));
        $over = 'over '.Moment::record($this->to, $this->zone);
        $page->text($x + self::NAMES + $room - Typeface::width($over, 7), $y + 10, 7, $over);
    }
}
