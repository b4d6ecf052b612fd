<?php

declare(strict_types=1);

namespace Unanimus\Dates;

/**
 * A computed day something is due, with the sentence that tells how it was computed.
 */
final readonly class Deadline
{
    /** How many days ahead a deadline counts as due. */
    private const NEAR = 3;

    /**
     * @param string|null $cutOff time of day in the office's zone, "17:00"
     * @param LocalDate|null $computed the day by the rule, when another was set by hand and the rule gives one
     * @param bool $byHand whether its day was set by hand
     */
    public function __construct(
        public string $name,
        public string $label,
        public LocalDate $due,
        public ?string $cutOff,
        public string $because,
        public ?LocalDate $computed = null,
        public bool $byHand = false,
    ) {
    }

    /** The same deadline on a day set by hand; the sentence keeps what the rule says. */
    public function overridden(Override $override, ?int $thisYear = null): self
    {
        return new self(
            $this->name,
            $this->label,
            $override->day,
            $this->cutOff,
            "Set by hand to {$override->day->short($thisYear ?? $this->due->year())}: ".
                rtrim($override->reason, '. ').
                ". By rule: {$this->because}",
            $this->due,
            true,
        );
    }

    /** One that is set by hand while the anchor of its rule is not known. */
    public static function setByHand(DeadlineRule $rule, string $anchorLabel, Override $override, ?int $thisYear = null): self
    {
        return new self(
            $rule->name,
            $rule->label,
            $override->day,
            $rule->cutOff,
            "Set by hand to {$override->day->short($thisYear ?? $override->day->year())}: ".
                rtrim($override->reason, '. ').
                '. By rule it counts from '.
                lcfirst($anchorLabel).
                ', which is not known yet.',
            null,
            true,
        );
    }

    /** Whether its day was set by hand. */
    public function isByHand(): bool
    {
        return $this->byHand;
    }

    /** The instant it ends in that zone: at its cut-off, else with the last second of the day. */
    public function ends(\DateTimeZone $zone): \DateTimeImmutable
    {
        return $this->cutOff === '24:00'
            ? new \DateTimeImmutable($this->due->plusDays(1)->iso().' 00:00:00', $zone)
            : new \DateTimeImmutable($this->due->iso().' '.($this->cutOff ?? '23:59:59'), $zone);
    }

    /**
     * Where it stands on a day: done, late, due (within three days) or ahead.
     *
     * @param list<string> $done names of deadlines that are done
     * @return 'done'|'late'|'due'|'ahead'
     */
    public function standing(array $done, LocalDate $today): string
    {
        $left = $today->daysUntil($this->due);

        return match (true) {
            in_array($this->name, $done, true) => 'done',
            $left < 0 => 'late',
            $left <= self::NEAR => 'due',
            default => 'ahead',
        };
    }
}
