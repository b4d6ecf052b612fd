<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/** Telephone numbers as Americans write them. */
final class Phone
{
    /** "(555) 555-0142" for whatever has ten digits, with or without the country's 1; anything else as it was typed. */
    public static function show(string $typed): string
    {
        $bare = trim($typed);
        if (preg_match('/^[\d\s().+\-\/]+$/', $bare) !== 1) {
            return $bare;
        }
        $digits = (string) preg_replace('/\D+/', '', $bare);
        $digits = strlen($digits) === 11 && $digits[0] === '1' ? substr($digits, 1) : $digits;

        return strlen($digits) === 10 ? sprintf('(%s) %s-%s', substr($digits, 0, 3), substr($digits, 3, 3), substr($digits, 6)) : $bare;
    }

    /** For tel: and sms: links, digits and a leading plus alone. */
    public static function link(string $typed): string
    {
        return (str_starts_with(trim($typed), '+') ? '+' : '').preg_replace('/\D+/', '', $typed);
    }
}
