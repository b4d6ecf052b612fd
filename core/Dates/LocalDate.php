<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A day of the calendar, as it stands in a contract: no time of day, no zone.
 *
 * @link https://www.rfc-editor.org/rfc/rfc3339#section-5.6 full-date
 */
final readonly class LocalDate implements \JsonSerializable, \Stringable
{
    /** The Julian day number of 1 January 1970. */
    private const EPOCH = 2440588;

    private const WEEKDAYS = [1 => 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** @param  int  $julian the Julian day number, by which dates are counted and compared */
    private function __construct(private int $julian)
    {
    }

    /**
     * The day of that year, month and day of the month.
     *
     * @throws DateUnreadable when there is no such day
     */
    public static function ymd(int $year, int $month, int $day): self
    {
        if ($year < 1583 || $year > 9999 || ! checkdate($month, $day, $year)) {
            throw DateUnreadable::noSuchDay("{$year}-{$month}-{$day}");
        }

        return new self(gregoriantojd($month, $day, $year));
    }

    /**
     * The day of a stored text "2026-12-18".
     *
     * @throws DateUnreadable when it is no such text or no such day
     */
    public static function of(string $iso): self
    {
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $iso, $m) !== 1) {
            throw DateUnreadable::noSuchDay($iso);
        }

        return self::ymd((int) $m[1], (int) $m[2], (int) $m[3]);
    }

    /** The day it is at that instant in that zone. */
    public static function at(\DateTimeInterface $instant, \DateTimeZone $zone): self
    {
        return self::of(\DateTimeImmutable::createFromInterface($instant)->setTimezone($zone)->format('Y-m-d'));
    }

    /**
     * A day as people type it: "2026-12-18", "12/18/2026", "12/18", "18 Dec", "Dec 18", "Dec 18 2026", and from the
     * reference "today", "tomorrow", "yesterday", "+3", "in 3 days", "Friday" (the next one, never the reference itself).
     * Without a year it is the nearest such day from half a year before to half a year after the reference.
     *
     * @throws DateUnreadable when no day can be read in it
     */
    public static function parse(string $typed, self $reference): self
    {
        $text = strtolower(trim((string) preg_replace('/[,.\s]+/', ' ', $typed)));
        $spoken = self::spoken($text, $reference);
        if ($spoken !== null) {
            return $spoken;
        }
        $weekday = null;
        if (preg_match('/^(mon|tue|wed|thu|fri|sat|sun)[a-z]* (?=\S)/', $text, $m) === 1) {
            $weekday = (int) array_search($m[1], self::WEEKDAYS, true);
            $text = substr($text, strlen($m[0]));
        }
        [$year, $month, $day] = match (true) {
            preg_match('/^(\d{4})-(\d{1,2})-(\d{1,2})$/', $text, $m) === 1 => [(int) $m[1], (int) $m[2], (int) $m[3]],
            preg_match('#^(\d{1,2})[/-](\d{1,2})(?:[/-](\d{4}|\d{2}))?$#', $text, $m) === 1 => [
                self::yearIn($m[3] ?? ''),
                (int) $m[1],
                (int) $m[2],
            ],
            preg_match('/^(\d{1,2})(?:st|nd|rd|th)? ([a-z]{3,9})(?: (\d{4}))?$/', $text, $m) === 1 => [
                self::yearIn($m[3] ?? ''),
                self::monthNamed($m[2]),
                (int) $m[1],
            ],
            preg_match('/^([a-z]{3,9}) (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/', $text, $m) === 1 => [
                self::yearIn($m[3] ?? ''),
                self::monthNamed($m[1]),
                (int) $m[2],
            ],
            default => throw DateUnreadable::typed($typed),
        };
        try {
            $found = $year === null ? self::nearest($month, $day, $reference) : self::ymd($year, $month, $day);
        } catch (DateUnreadable) {
            throw DateUnreadable::typed($typed);
        }
        if ($weekday !== null && $found->weekday() !== $weekday) {
            throw DateUnreadable::anotherWeekday($typed, $found);
        }

        return $found;
    }

    /** The day so many days later, or earlier when negative. */
    public function plusDays(int $days): self
    {
        return new self($this->julian + $days);
    }

    /** The same day of the month so many months later or earlier; the month's last where it has no such day. */
    public function plusMonths(int $months): self
    {
        $count = $this->year() * 12 + $this->month() - 1 + $months;
        [$year, $month] = [intdiv($count, 12), ($count % 12) + 1];

        return self::ymd($year, $month, min($this->day(), cal_days_in_month(CAL_GREGORIAN, $month, $year)));
    }

    /** How many days from this to the other; negative when the other is earlier. */
    public function daysUntil(self $other): int
    {
        return $other->julian - $this->julian;
    }

    /** How far it is from a day, as one says it: "today", "in three days", "12 days ago". */
    public function from(self $day): string
    {
        $days = $day->daysUntil($this);
        $count = [2 => 'two', 3 => 'three'][abs($days)] ?? (string) abs($days);

        return match ($days) {
            0 => 'today',
            1 => 'tomorrow',
            -1 => 'yesterday',
            default => $days > 0 ? "in {$count} days" : "{$count} days ago",
        };
    }

    /** Whether it is earlier than the other. */
    public function isBefore(self $other): bool
    {
        return $this->julian < $other->julian;
    }

    /** Whether it is later than the other. */
    public function isAfter(self $other): bool
    {
        return $this->julian > $other->julian;
    }

    /** Whether it is the same day. */
    public function is(self $other): bool
    {
        return $this->julian === $other->julian;
    }

    /** The day of the week, 1 Monday to 7 Sunday (ISO 8601). */
    public function weekday(): int
    {
        return ($this->julian % 7) + 1;
    }

    /** The day of the week as read: "Friday". */
    public function weekdayName(): string
    {
        return $this->format('l');
    }

    /** The year. */
    public function year(): int
    {
        return (int) $this->format('Y');
    }

    /** The month, 1 to 12. */
    public function month(): int
    {
        return (int) $this->format('n');
    }

    /** The day of the month. */
    public function day(): int
    {
        return (int) $this->format('j');
    }

    /** As stored: "2026-12-18". */
    public function iso(): string
    {
        return $this->format('Y-m-d');
    }

    /** As a contract writes it: "December 18, 2026". */
    public function long(): string
    {
        return $this->format('F j, Y');
    }

    /** As the screen reads it: "Fri, Dec 18", with the year when it is not the one given. */
    public function short(?int $thisYear = null): string
    {
        return $this->format($thisYear === null || $thisYear === $this->year() ? 'D, M j' : 'D, M j, Y');
    }

    /** Where there is less room: "Dec 18, 2026". */
    public function abbreviated(): string
    {
        return $this->format('M j, Y');
    }

    /** As written beside a signature: "11/27/2026". */
    public function slashed(): string
    {
        return $this->format('m/d/Y');
    }

    /** As stored. */
    public function __toString(): string
    {
        return $this->iso();
    }

    /** As stored. */
    public function jsonSerialize(): string
    {
        return $this->iso();
    }

    /** By the days since 1970, at any hour of which it is this day in UTC. */
    private function format(string $format): string
    {
        return gmdate($format, ($this->julian - self::EPOCH) * 86400);
    }

    /** A day told from the reference; null when it is not. */
    private static function spoken(string $text, self $reference): ?self
    {
        $near = ['today' => 0, 'tomorrow' => 1, 'yesterday' => -1];
        if (isset($near[$text])) {
            return $reference->plusDays($near[$text]);
        }
        if (preg_match('/^(?:\+ ?(\d{1,4})(?: days?)?|in (\d{1,4}) days?)$/', $text, $m) === 1) {
            return $reference->plusDays((int) ($m[2] ?? $m[1]));
        }
        if (
            preg_match(
                '/^(mon|tues?|wed|wednes|thu|thurs?|fri|sat|satur|sun)(?:day)?$/',
                (string) preg_replace('/^next /', '', $text),
                $m,
            ) === 1
        ) {
            $wanted = (int) array_search(substr($m[1], 0, 3), ['', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], true);

            return $reference->plusDays((($wanted - $reference->weekday() + 6) % 7) + 1);
        }

        return null;
    }

    private static function yearIn(string $text): ?int
    {
        return match (strlen($text)) {
            0 => null,
            2 => 2000 + (int) $text,
            default => (int) $text,
        };
    }

    private static function monthNamed(string $name): int
    {
        $place = array_search(
            substr($name, 0, 3),
            ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'],
            true,
        );

        return $place === false ? 0 : $place + 1;
    }

    private static function nearest(int $month, int $day, self $reference): self
    {
        $best = null;
        foreach ([0, 1, -1] as $shift) {
            try {
                $candidate = self::ymd($reference->year() + $shift, $month, $day);
            } catch (DateUnreadable) {
                continue;
            }
            if ($best === null || abs($reference->daysUntil($candidate)) < abs($reference->daysUntil($best))) {
                $best = $candidate;
            }
        }

        return $best ?? throw DateUnreadable::noSuchDay("{$month}/{$day}");
    }
}
