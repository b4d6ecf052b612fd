<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** There is no room to write something down; what it was for is not done, and nothing of it is kept by half. */
final class DiskFull extends \RuntimeException
{
    /** Bytes below which a failed write or program is taken to have had no room. */
    private const ROOM = 262144;

    /** What a person reads. */
    public static function told(): self
    {
        return new self(
            'The server is out of disk space. Nothing was saved, and what you entered is still here. Tell your administrator, then try '.
                'again.',
        );
    }

    /** Whether a folder's disk has no room to speak of. */
    public static function in(string $folder): bool
    {
        $free = @disk_free_space($folder);

        return $free !== false && $free < self::ROOM;
    }
}
