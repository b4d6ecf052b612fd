<?php

declare(strict_types=1);

namespace App\Papers;

/** Bytes on this machine's disk. */
final class LocalStore implements Store
{
    public function __construct(private readonly string $folder)
    {
    }

    public function write(string $name, string $bytes): void
    {
        $path = $this->place($name);
        if (is_file($path) && filesize($path) === strlen($bytes)) {
            return;
        }
        $folder = dirname($path);
        if (! is_dir($folder) && ! @mkdir($folder, 0770, true) && ! is_dir($folder)) {
            throw new \RuntimeException('There is no place to keep papers on the disk.');
        }
        $partial = $path.'.'.bin2hex(random_bytes(6)).'.part';
        $file = fopen($partial, 'xb');
        // Written, flushed, then named: after a crash the name holds all of it or is not there.
        if ($file === false || fwrite($file, $bytes) !== strlen($bytes) || ! fflush($file) || ! fsync($file) || ! fclose($file) || ! rename($partial, $path)) {
            @unlink($partial);
            throw new \RuntimeException('The paper could not be written to the disk.');
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

    private function place(string $name): string
    {
        return "{$this->folder}/".substr($name, 0, 2).'/'.substr($name, 2, 2)."/{$name}";
    }
}
