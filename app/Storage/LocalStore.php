<?php

declare(strict_types=1);

namespace App\Storage;

use Unanimus\Pages\DiskFull;

/** Bytes on this machine's disk. */
final class LocalStore implements Store
{
    public function __construct(private readonly string $folder)
    {
    }

    /** @throws DiskFull when it could not be written as a whole; nothing of it stays */
    public function write(string $name, string $bytes): void
    {
        $path = $this->place($name);
        if (is_file($path) && filesize($path) === strlen($bytes)) {
            return;
        }
        $folder = dirname($path);
        if (! is_dir($folder) && ! @mkdir($folder, 0770, true) && ! is_dir($folder)) {
            throw DiskFull::told();
        }
        $partial = $path.'.'.bin2hex(random_bytes(6)).'.part';
        $file = @fopen($partial, 'xb');
        // Written, flushed, then named: after a crash the name holds all of it or is not there.
        $written = $file !== false && @fwrite($file, $bytes) === strlen($bytes) && @fflush($file) && fsync($file);
        $file === false || fclose($file);
        if (! $written || ! @rename($partial, $path)) {
            @unlink($partial);
            throw DiskFull::told();
        }
        self::sync($folder);
    }

    /** A name is only there for good once its folder is on the disk too, and the folders that were made for it. */
    private static function sync(string $folder): void
    {
        foreach ([$folder, dirname($folder), dirname($folder, 2)] as $one) {
            $open = @fopen($one, 'r');
            if ($open !== false) {
                fsync($open);
                fclose($open);
            }
        }
    }

    public function read(string $name): string
    {
        return (string) file_get_contents($this->path($name));
    }

    public function has(string $name): bool
    {
        return is_file($this->place($name));
    }

    public function path(string $name): string
    {
        return $this->has($name) ? $this->place($name) : throw BytesMissing::named($name);
    }

    public function drop(string $name): void
    {
        @unlink($this->place($name));
        is_file($this->place($name)) && throw new \RuntimeException("{$name} could not be removed from the disk.");
    }

    private function place(string $name): string
    {
        return "{$this->folder}/".substr($name, 0, 2).'/'.substr($name, 2, 2)."/{$name}";
    }
}
