<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Finding\Query;

/** What a list says of the time before: a document was accepted, a task was done. */
final readonly class EarlierReview
{
    private const YES = ['yes', 'y', 'x', 'true', '1', 'done', 'complete', 'completed', 'accepted', 'approved', 'ok', 'finished'];

    private const NO = ['', 'no', 'n', 'false', '0', 'open', 'pending', 'not done', 'rejected', 'returned', 'incomplete'];

    /**
     * @param bool $was whether it was
     * @param LocalDate|null $on the day; null: not said
     * @param string $fault what cannot be read, in words; '' for none
     */
    private function __construct(public bool $was, public ?LocalDate $on = null, public string $fault = '')
    {
    }

    /** Reads a cell: a day, a word for yes, or nothing. A day that has not come yet is none. */
    public static function read(string $cell, LocalDate $today): self
    {
        $plain = Query::plain($cell);
        if (in_array($plain, self::NO, true)) {
            return new self(false);
        }
        if (in_array($plain, self::YES, true)) {
            return new self(true);
        }
        try {
            $on = LocalDate::parse($cell, $today);
        } catch (DateUnreadable) {
            return new self(false, fault: "“{$cell}” is not a date, yes, or no.");
        }

        return $on->isAfter($today) ? new self(false, fault: "“{$cell}” is in the future.") : new self(true, $on);
    }

    /** As it stands beside what it is about: "by R. Ostrow on Aug 1, 2026, before you moved in". */
    public static function words(string $by, ?LocalDate $on): string
    {
        return ($by === '' ? '' : "by {$by} ").($on === null ? '' : "on {$on->abbreviated()}, ").'before you moved in';
    }
}
