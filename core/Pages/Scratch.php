<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A temporary folder for one piece of work, gone with the object.
 */
final class Scratch
{
    private readonly string $folder;

    /** @throws DiskFull when no folder can be made */
    public function __construct()
    {
        $folder = sys_get_temp_dir().'/unanimus-'.bin2hex(random_bytes(8));
        if (! @mkdir($folder, 0700)) {
            throw DiskFull::told();
        }
        $this->folder = $folder;
    }

    public function __destruct()
    {
        self::remove($this->folder);
    }

    /**
     * Takes away what work that was killed has left: such folders that nothing has touched for so many seconds.
     *
     * @return int how many there were
     */
    public static function clear(int $seconds): int
    {
        $gone = 0;
        foreach (glob(sys_get_temp_dir().'/unanimus-[0-9a-f]*', GLOB_ONLYDIR) ?: [] as $folder) {
            if (preg_match('/unanimus-[0-9a-f]{16}$/', $folder) === 1 && (int) @filemtime($folder) <= time() - $seconds) {
                self::remove($folder);
                $gone++;
            }
        }

        return $gone;
    }

    private static function remove(string $folder): void
    {
        if (! is_dir($folder)) {
            return;
        }
        $entries = new \RecursiveIteratorIterator(
            new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS),
            \RecursiveIteratorIterator::CHILD_FIRST,
        );
        foreach ($entries as $entry) {
            $entry->isDir() && ! $entry->isLink() ? @rmdir($entry->getPathname()) : @unlink($entry->getPathname());
        }
        @rmdir($folder);
    }

    /** The path of a file of that name in it. */
    public function path(string $name): string
    {
        return "{$this->folder}/{$name}";
    }

    /**
     * Writes a file in it and gives its path.
     *
     * @throws DiskFull when it could not be written as a whole
     */
    public function put(string $name, string $content): string
    {
        return @file_put_contents($this->path($name), $content) === strlen($content) ? $this->path($name) : throw DiskFull::told();
    }

    /** A file's content; empty when it is not there. */
    public function get(string $name): string
    {
        return is_file($this->path($name)) ? (string) file_get_contents($this->path($name)) : '';
    }
}
