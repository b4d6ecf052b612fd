<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** What kind of device somebody signs on, as far as its browser says. */
final class Device
{
    /** Words a browser says of its device, the particular before the general, each with what people call it. */
    private const WORDS = [
        'iPhone' => 'an iPhone',
        'iPad' => 'an iPad',
        'Android' => 'an Android phone',
        'Windows' => 'a Windows computer',
        'Macintosh' => 'a Mac',
        'CrOS' => 'a Chromebook',
        'Linux' => 'a Linux computer',
    ];

    /** As read: "an iPhone"; empty where it says nothing that is known. */
    public static function of(string $browser): string
    {
        foreach (self::WORDS as $word => $called) {
            if (str_contains($browser, $word)) {
                // Tablets of that make leave the word "Mobile" out.
                return $word === 'Android' && ! str_contains($browser, 'Mobile') ? 'an Android tablet' : $called;
            }
        }

        return '';
    }
}
