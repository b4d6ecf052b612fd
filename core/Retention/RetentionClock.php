<?php

declare(strict_types=1);

namespace Unanimus\Retention;

use Unanimus\Dates\LocalDate;

/**
 * How long an ended file is kept: it runs from the day the file ended, stands still while anything holds the file, and nothing is
 * purged without notice.
 */
final readonly class RetentionClock
{
    /** Days between the notice and the purge. */
    public const NOTICE_DAYS = 60;

    private function __construct(public RetentionStage $stage, public ?LocalDate $until, public ?LocalDate $purgedOn)
    {
    }

    /**
     * @param LocalDate|null $ended the day the file ended, in the zone of its office; null: it is still open
     * @param int|null $years how long such files are kept; null: for good
     * @param bool $isHeld whether there is a reason not to purge it
     * @param LocalDate|null $announced the day on which notice was given; null: none was
     */
    public static function of(?LocalDate $ended, ?int $years, bool $isHeld, ?LocalDate $announced, LocalDate $today): self
    {
        if ($ended === null) {
            return new self(RetentionStage::Open, null, null);
        }
        $until = $years === null ? null : $ended->plusMonths(12 * $years);
        if ($isHeld) {
            return new self(RetentionStage::Held, $until, null);
        }
        if ($until === null) {
            return new self(RetentionStage::NoPeriod, null, null);
        }
        $opens = $until->plusDays(-self::NOTICE_DAYS);
        // A longer period said afterwards takes a notice back.
        if ($today->isBefore($opens)) {
            return new self(RetentionStage::Running, $until, null);
        }
        if ($announced === null) {
            return new self(RetentionStage::ToAnnounce, $until, self::later($until, $today->plusDays(self::NOTICE_DAYS)));
        }
        $purged = self::later($until, $announced->plusDays(self::NOTICE_DAYS));

        return new self($today->isBefore($purged) ? RetentionStage::Announced : RetentionStage::Due, $until, $purged);
    }

    /** What share of its time is over, from 0 to 1; of what has no end 0. */
    public function elapsed(LocalDate $ended, LocalDate $today): float
    {
        $whole = $this->until === null ? 0 : $ended->daysUntil($this->until);

        return $whole <= 0 ? 0.0 : max(0.0, min(1.0, $ended->daysUntil($today) / $whole));
    }

    private static function later(LocalDate $one, LocalDate $other): LocalDate
    {
        return $one->isBefore($other) ? $other : $one;
    }
}
