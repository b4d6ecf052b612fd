<?php

declare(strict_types=1);

namespace Unanimus\Moving;

/** A parcel that lies in a folder of the server, for what is too large to upload. Links in it are not followed. */
final class FolderParcel implements Parcel
{
    /** @var array<string, string>|null where each thing lies, by its path as people read it */
    private ?array $places = null;

    public function __construct(private readonly string $folder)
    {
    }

    public function name(): string
    {
        return basename($this->folder);
    }

    public function entries(): array
    {
        $entries = [];
        foreach ($this->places() as $path => $place) {
            $entry = new ParcelEntry((string) $path, (int) @filesize($place));
            $entry->isLitter() || ($entries[] = $entry);
            if (count($entries) > self::MOST) {
                throw MovingRefusal::TooMany->because(name: $this->name(), most: number_format(self::MOST));
            }
        }
        usort($entries, static fn (ParcelEntry $one, ParcelEntry $other) => strnatcasecmp($one->path, $other->path));

        return $entries;
    }

    public function read(ParcelEntry $entry, int $most): string
    {
        $path = $this->places()[$entry->path] ?? null;
        $isThere = $path !== null && is_file($path) && ! is_link($path);
        $bytes = $isThere ? @file_get_contents($path, false, null, 0, max(0, $most) + 1) : false;

        return $bytes === false ? throw MovingRefusal::CannotRead->because(name: $entry->path) : $bytes;
    }

    /** @return array<string, string> */
    private function places(): array
    {
        if ($this->places !== null) {
            return $this->places;
        }
        if (! is_dir($this->folder) || ! is_readable($this->folder)) {
            throw MovingRefusal::NoSuchFolder->because(name: $this->folder);
        }
        $places = [];
        $root = strlen(rtrim($this->folder, '/')) + 1;
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->folder, \FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if ($file instanceof \SplFileInfo && ! $file->isLink() && $file->isFile()) {
                $path = substr($file->getPathname(), $root);
                // Copied from an old machine, names may be in its letters.
                $read = mb_check_encoding($path, 'UTF-8') ? $path : mb_convert_encoding($path, 'UTF-8', 'Windows-1252');
                $places[$read] = $file->getPathname();
            }
        }

        return $this->places = $places;
    }
}
