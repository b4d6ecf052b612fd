<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** Something a signer enters that only named people may read, such as a tax number: everywhere else stands its mask. */
final class PrivateEntry
{
    /** The mask: the last four characters of a long one, none of a short one. "•••••6789" */
    public static function masked(string $value): string
    {
        $plain = (string) preg_replace('/\s+/u', '', $value);

        return '•••••'.(mb_strlen($plain) >= 8 ? mb_substr($plain, -4) : '');
    }
}
