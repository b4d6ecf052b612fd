<?php

declare(strict_types=1);

namespace App\Terms;

/** What is said in English inside, as a client reads it: in their language where it has words for it, else in general ones. */
final class ClientWords
{
    /** @param  string  $else  key of what is said where a language has no words for it */
    public static function of(string $english, string $else): string
    {
        $said = __($english);

        return app()->getLocale() === 'en' || $said !== $english ? (string) $said : (string) __($else);
    }
}
