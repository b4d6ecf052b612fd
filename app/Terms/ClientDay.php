<?php

declare(strict_types=1);

namespace App\Terms;

use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Moment;
use Unanimus\Parties\Language;
use Unanimus\Signing\LastMoment;

/** Days as clients read them, in their language. */
final class ClientDay
{
    /** "Friday, November 27, 2026", "viernes 27 de noviembre de 2026". */
    public static function long(LocalDate $day, ?Language $language = null): string
    {
        $language ??= Language::tryFrom(app()->getLocale()) ?? Language::English;
        if ($language === Language::English) {
            return $day->long();
        }

        return (string) \IntlDateFormatter::create(
            'es-US',
            \IntlDateFormatter::FULL,
            \IntlDateFormatter::NONE,
            'UTC',
            pattern: "EEEE d 'de' MMMM 'de' y",
        )?->format(new \DateTimeImmutable($day->iso(), new \DateTimeZone('UTC')));
    }

    /** Until when something can be signed: the day, and the hour on it where one is set. */
    public static function until(?LastMoment $last, string $zone, ?Language $language = null): string
    {
        if ($last?->at === null) {
            return $last === null ? '' : self::long($last->day, $language);
        }
        $language ??= Language::tryFrom(app()->getLocale()) ?? Language::English;
        $at = ['day' => self::long($last->day, $language), 'time' => $last->at->short(), 'zone' => Moment::zone(now(), $zone)];

        return (string) __('client.until', $at, $language->value);
    }
}
