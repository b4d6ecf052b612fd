<?php

declare(strict_types=1);

namespace App\Terms;

use Unanimus\Dates\LocalDate;
use Unanimus\Parties\Language;

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
}
