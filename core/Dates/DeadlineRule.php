<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * How a deadline follows from an anchor: so many days, business days, months or hours after or before it, and where it goes
 * when it falls on a day no business is done.
 */
final readonly class DeadlineRule
{
    private const KEYS = [
        'name',
        'label',
        'anchor',
        'days',
        'count',
        'unit',
        'business',
        'direction',
        'roll',
        'cutOff',
        'lateAfter',
        'shortLimit',
    ];

    /**
     * @param string $name the deadline's key, on which others may depend
     * @param string $label as read: "Inspection"
     * @param string $anchor the key of the anchor or deadline it counts from
     * @param int $days how many of the unit; negative counts before the anchor
     * @param 'none'|'forward'|'backward' $roll
     * @param string|null $cutOff the time of day it ends, "17:00"; "24:00" or null: the end of the day
     * @param string|null $lateAfter what happens after that time of day counts as of the next day ("accepted after 5 pm")
     * @param int $shortLimit periods of fewer calendar days than this leave out weekends and holidays; 0: none do
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $anchor,
        public int $days,
        public Unit $unit = Unit::Calendar,
        public string $roll = 'forward',
        public ?string $cutOff = null,
        public ?string $lateAfter = null,
        public int $shortLimit = 0,
    ) {
    }

    /**
     * From its stored form: "days" (or "count") counts from the anchor, negative before it, or with "direction" before or after;
     * "unit" is calendar, business, business with saturdays, months or hours ("business": true says business); "roll" is none,
     * forward or backward, and away from the anchor where it is not said.
     *
     * @param array<array-key, mixed> $data
     *
     * @throws RuleUnreadable when something in it cannot be read
     */
    public static function fromArray(array $data): self
    {
        $name = $data['name'] ?? null;
        if (! is_string($name) || preg_match('/^[a-z][a-z0-9_.-]{0,59}$/iD', $name) !== 1) {
            throw new RuleUnreadable('A rule needs a name of letters, digits, dots and dashes.');
        }
        $told = static fn (string $what) => new RuleUnreadable("Rule “{$name}”: {$what}");
        $unknown = array_diff(array_map(strval(...), array_keys($data)), self::KEYS);
        if ($unknown !== []) {
            throw $told(
                '“'.
                    mb_strimwidth(mb_scrub((string) reset($unknown)), 0, 40, '…').
                    '” is nothing a rule has. It has '.
                    implode(', ', self::KEYS).
                    '.',
            );
        }
        $anchor = $data['anchor'] ?? null;
        if (! is_string($anchor) || $anchor === '') {
            throw $told('name the anchor or deadline it counts from.');
        }
        $days = $data['days'] ?? ($data['count'] ?? null);
        if (! is_int($days) || abs($days) > 3660) {
            throw $told('“days” is a whole number up to 3660.');
        }
        if (! is_bool($data['business'] ?? false)) {
            throw $told('“business” is true or false.');
        }
        $unit = $data['unit'] ?? (($data['business'] ?? false) === true ? 'business' : 'calendar');
        $direction = $data['direction'] ?? 'after';
        $label = $data['label'] ?? ucfirst(str_replace(['_', '-', '.'], ' ', $name));
        $short = $data['shortLimit'] ?? 0;
        if (! is_string($unit) || Unit::tryFrom($unit) === null) {
            throw $told('“unit” is '.implode(', ', array_column(Unit::cases(), 'value')).'.');
        }
        if (! in_array($direction, ['after', 'before'], true) || ($direction === 'before' && $days < 0)) {
            throw $told('“direction” is after or before, and days before are counted without a minus.');
        }
        $days = $direction === 'before' ? -$days : $days;
        $roll = $data['roll'] ?? ($days < 0 ? 'backward' : 'forward');
        if (! in_array($roll, ['none', 'forward', 'backward'], true)) {
            throw $told('“roll” is none, forward or backward.');
        }
        if (! is_int($short) || $short < 0 || $short > 60) {
            throw $told('“shortLimit” is a whole number of days up to 60.');
        }

        return new self(
            $name,
            is_string($label) && trim($label) !== '' ? $label : $name,
            $anchor,
            $days,
            Unit::from($unit),
            $roll,
            self::time($data['cutOff'] ?? null, 'cutOff', $told),
            self::time($data['lateAfter'] ?? null, 'lateAfter', $told),
            $short,
        );
    }

    /** @param  \Closure(string): RuleUnreadable  $told */
    private static function time(mixed $given, string $key, \Closure $told): ?string
    {
        if ($given === null) {
            return null;
        }
        try {
            return TimeOfDay::of(is_string($given) ? ($given === 'midnight' ? '24:00' : $given) : '')->stored();
        } catch (RuleUnreadable) {
            throw $told("“{$key}” is a time of day such as 17:00.");
        }
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'label' => $this->label,
            'anchor' => $this->anchor,
            'days' => $this->days,
            'unit' => $this->unit->value,
            'roll' => $this->roll,
            'cutOff' => $this->cutOff,
            ...$this->lateAfter === null ? [] : ['lateAfter' => $this->lateAfter],
            ...$this->shortLimit === 0 ? [] : ['shortLimit' => $this->shortLimit],
        ];
    }

    /**
     * The deadline that follows from the anchor's day, with the sentence that explains it.
     *
     * @param TimeOfDay|null $at the time of day of the anchor, where it is known
     * @param int|null $thisYear the year that need not be said
     * @param \DateTimeZone|null $zone the zone the days are in: hours that pass over a change of the clocks are each an hour long there
     */
    public function from(
        LocalDate $anchorDay,
        string $anchorLabel,
        BusinessCalendar $calendar,
        ?TimeOfDay $at = null,
        ?int $thisYear = null,
        ?\DateTimeZone $zone = null,
    ): Deadline {
        $late = $this->lateAfter !== null && $at !== null && $at->isAfter(TimeOfDay::of($this->lateAfter));
        $start = $late ? $anchorDay->plusDays(1) : $anchorDay;
        $cutOff = $this->cutOff;
        if ($this->unit === Unit::Hours) {
            [$counted, $cutOff] = $this->hours($start, $at, $zone ?? new \DateTimeZone('UTC'));
            $skipped = [];
        } else {
            [$counted, $skipped] = $this->counted($start, $calendar);
        }
        $due = match ($this->roll) {
            'none' => $counted,
            'forward' => $calendar->roll($counted),
            'backward' => $calendar->roll($counted, -1),
        };
        $because = (new Explanation($this, $calendar, $thisYear))->sentence(
            $anchorDay,
            $anchorLabel,
            $late ? $start : null,
            $counted,
            $due,
            $skipped,
            $cutOff,
        );

        return new Deadline($this->name, $this->label, $due, $cutOff, $because);
    }

    /** Whether it is so short that weekends and holidays are left out. */
    public function isShort(): bool
    {
        return $this->unit === Unit::Calendar && abs($this->days) < $this->shortLimit;
    }

    /** @return array{LocalDate, list<LocalDate>} the day, and the holidays that were skipped on the way */
    private function counted(LocalDate $start, BusinessCalendar $calendar): array
    {
        return match (true) {
            $this->unit === Unit::Months => [$start->plusMonths($this->days), []],
            $this->unit === Unit::Business, $this->isShort() => $calendar->countBusinessDays($start, $this->days),
            $this->unit === Unit::BusinessWithSaturdays => $calendar->countBusinessDays($start, $this->days, true),
            default => [$start->plusDays($this->days), []],
        };
    }

    /**
     * The day and time so many hours from the anchor; from the end of its day where its time is not known. Every hour that passes
     * counts, so that the clock shows another time behind a change of the clocks (Fed. R. Civ. P. 6(a)(2), committee notes of 2009).
     *
     * @return array{LocalDate, string}
     */
    private function hours(LocalDate $start, ?TimeOfDay $at, \DateTimeZone $zone): array
    {
        $minutes = $at->minutes ?? 1440;
        $begun = $start->plusDays(intdiv($minutes, 1440))->iso();
        $from = new \DateTimeImmutable(sprintf('%s %02d:%02d', $begun, intdiv($minutes % 1440, 60), $minutes % 60), $zone);
        $ends = $from->setTimestamp($from->getTimestamp() + $this->days * 3600);
        $day = LocalDate::at($ends, $zone);

        return $ends->format('H:i') === '00:00' ? [$day->plusDays(-1), '24:00'] : [$day, $ends->format('H:i')];
    }
}
