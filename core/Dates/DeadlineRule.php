<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * How a deadline follows from an anchor: so many days, business or calendar, after or before it,
 * and where it goes when it falls on a day no business is done.
 */
final readonly class DeadlineRule
{
    /**
     * @param string $name the deadline's key, on which others may depend
     * @param string $label as read: "Inspection"
     * @param string $anchor the key of the anchor or deadline it counts from
     * @param int $days negative counts before the anchor
     * @param 'none'|'forward'|'backward' $roll
     * @param string|null $cutOff the time of day it ends, "17:00"; null: the end of the day
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $anchor,
        public int $days,
        public bool $businessDays = false,
        public string $roll = 'forward',
        public ?string $cutOff = null,
    ) {
    }

    /**
     * From its stored form: "days" counts from the anchor, negative before it, or with "direction" before or after;
     * "unit" is calendar or business ("business": true says the same); "roll" is none, forward or backward.
     *
     * @param array<string, mixed> $data
     *
     * @throws RuleUnreadable when something in it cannot be read
     */
    public static function fromArray(array $data): self
    {
        $name = $data['name'] ?? null;
        if (! is_string($name) || preg_match('/^[a-z][a-z0-9_.-]{0,59}$/i', $name) !== 1) {
            throw new RuleUnreadable('A rule needs a name of letters, digits, dots and dashes.');
        }
        $told = static fn (string $what) => new RuleUnreadable("Rule “{$name}”: {$what}");
        $anchor = $data['anchor'] ?? null;
        if (! is_string($anchor) || $anchor === '') {
            throw $told('name the anchor or deadline it counts from.');
        }
        $days = $data['days'] ?? null;
        if (! is_int($days) || abs($days) > 3660) {
            throw $told('“days” is a whole number up to 3660.');
        }
        $unit = $data['unit'] ?? (($data['business'] ?? false) === true ? 'business' : 'calendar');
        $direction = $data['direction'] ?? 'after';
        $roll = $data['roll'] ?? 'forward';
        $cutOff = $data['cutOff'] ?? null;
        if (! in_array($unit, ['calendar', 'business'], true)) {
            throw $told('“unit” is calendar or business.');
        }
        if (! in_array($direction, ['after', 'before'], true) || ($direction === 'before' && $days < 0)) {
            throw $told('“direction” is after or before, and days before are counted without a minus.');
        }
        if (! in_array($roll, ['none', 'forward', 'backward'], true)) {
            throw $told('“roll” is none, forward or backward.');
        }
        if ($cutOff !== null && (! is_string($cutOff) || preg_match('/^([01]\d|2[0-3]):[0-5]\d$/', $cutOff) !== 1)) {
            throw $told('“cutOff” is a time of day such as 17:00.');
        }
        $label = $data['label'] ?? ucfirst(str_replace(['_', '-', '.'], ' ', $name));

        return new self($name, is_string($label) && $label !== '' ? $label : $name, $anchor, $direction === 'before' ? -$days : $days, $unit === 'business', $roll, $cutOff);
    }

    /** @return array<string, mixed> its stored form */
    public function toArray(): array
    {
        return ['name' => $this->name, 'label' => $this->label, 'anchor' => $this->anchor, 'days' => $this->days, 'unit' => $this->businessDays ? 'business' : 'calendar', 'roll' => $this->roll, 'cutOff' => $this->cutOff];
    }

    /** The deadline that follows from the anchor's day, with the sentence that explains it. */
    public function from(LocalDate $anchorDay, string $anchorLabel, BusinessCalendar $calendar): Deadline
    {
        $counted = $this->businessDays
            ? $calendar->plusBusinessDays($anchorDay, $this->days)
            : $anchorDay->plusDays($this->days);
        $due = match ($this->roll) {
            'none' => $counted,
            'forward' => $calendar->roll($counted),
            'backward' => $calendar->roll($counted, -1),
        };

        return new Deadline($this->name, $this->label, $due, $this->cutOff, $this->explain($anchorDay, $anchorLabel, $counted, $due, $calendar));
    }

    private function explain(LocalDate $anchorDay, string $anchorLabel, LocalDate $counted, LocalDate $due, BusinessCalendar $calendar): string
    {
        $count = abs($this->days);
        $sentence = sprintf(
            '%d %sday%s %s %s (%s)',
            $count, $this->businessDays ? 'business ' : '', $count === 1 ? '' : 's',
            $this->days < 0 ? 'before' : 'after', lcfirst($anchorLabel), $anchorDay->short($due->year()),
        );
        if ($count === 0) {
            $sentence = sprintf('The day of %s (%s)', lcfirst($anchorLabel), $anchorDay->short($due->year()));
        }
        if (! $due->is($counted)) {
            $why = $calendar->holiday($counted) ?? ($counted->weekday() === 6 ? 'a Saturday' : 'a Sunday');
            $sentence .= sprintf(' is %s, %s, so %s', $counted->short($due->year()), $why, $due->short());
        }
        if ($this->cutOff !== null) {
            $sentence .= ', by '.date('g:i a', (int) strtotime("1970-01-01 {$this->cutOff} UTC"));
        }

        return $sentence.'.';
    }
}
