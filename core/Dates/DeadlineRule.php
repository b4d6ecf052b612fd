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
     * From its stored form.
     *
     * @param array{name: string, label: string, anchor: string, days: int, business?: bool, roll?: string, cutOff?: string|null} $data
     */
    public static function fromArray(array $data): self
    {
        $roll = $data['roll'] ?? 'forward';

        return new self(
            $data['name'], $data['label'], $data['anchor'], $data['days'], $data['business'] ?? false,
            in_array($roll, ['none', 'forward', 'backward'], true) ? $roll : 'forward', $data['cutOff'] ?? null,
        );
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
            $this->days < 0 ? 'before' : 'after', strtolower($anchorLabel), $anchorDay->short($due->year()),
        );
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
