<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Moment;

/** What a date looks like that stands beside a signature, as an office wants it: its form, and whether the time stands with it. */
final readonly class DateLook
{
    /** The forms of a day: 12/04/2026, Dec 4, 2026, December 4, 2026. */
    public const FORMS = ['slashes', 'short', 'long'];

    private function __construct(public string $form, public bool $withTime)
    {
    }

    /** From its stored form, "long" or "long+time"; what is none is the usual one. */
    public static function of(string $stored): self
    {
        [$form, $time] = [...explode('+', $stored, 2), ''];

        return new self(in_array($form, self::FORMS, true) ? $form : 'slashes', $time === 'time');
    }

    /** Its stored form. */
    public function stored(): string
    {
        return $this->form.($this->withTime ? '+time' : '');
    }

    /** The date of an instant where it is signed: "12/04/2026", "December 4, 2026, 3:12 pm ET". */
    public function text(\DateTimeInterface $at, \DateTimeZone $zone): string
    {
        $day = LocalDate::at($at, $zone);
        $text = match ($this->form) {
            'long' => $day->long(),
            'short' => $day->abbreviated(),
            default => $day->slashed(),
        };

        $between = $this->form === 'slashes' ? ' ' : ', ';
        $time = Moment::time($at, $zone->getName()).' '.Moment::zone($at, $zone->getName());

        return $this->withTime ? $text.$between.$time : $text;
    }
}
