<?php

declare(strict_types=1);

namespace App\Assembly;

use Closure;
use Throwable;
use Unanimus\Pages\DiskFull;
use ZipArchive;

/** A ZIP that is there as a whole or not at all. */
final class WholeZip
{
    /**
     * @param string $path of a file that is there already; after a refusal it is gone
     * @param Closure(ZipArchive): void $fill
     *
     * @throws DiskFull when it could not be written
     */
    public static function write(string $path, Closure $fill): void
    {
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE) === true || throw DiskFull::told();
        try {
            $fill($zip);
        } catch (Throwable $failed) {
            // Given up, or it would still be written when the object goes.
            $zip->unchangeAll();
            @$zip->close();
            @unlink($path);

            throw $failed;
        }
        // The archive writes only now.
        if (! @$zip->close()) {
            @unlink($path);

            throw DiskFull::told();
        }
    }
}
