<?php

declare(strict_types=1);

namespace Unanimus\Parties;

/** The languages in which clients read pages and letters. */
enum Language: string
{
    case English = 'en';
    case Spanish = 'es';

    /** As its speakers call it. */
    public function label(): string
    {
        return $this === self::Spanish ? 'Español' : 'English';
    }
}
