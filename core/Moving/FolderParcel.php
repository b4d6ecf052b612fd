<?php

declare(strict_types=1);

namespace Unanimus\Moving;

/** A parcel that lies in a folder of the server, for what is too large to upload. Links in it are not followed. */
final readonly class FolderParcel implements Parcel
{
    public function __construct(private string $folder)
    {
    }

    public function name(): string
    {
        return basename($this->folder);
    }

    public function entries(): array
    {
        if (! is_dir($this->folder) || ! is_readable($this->folder)) {
            throw MovingRefusal::NoSuchFolder->because(name: $this->folder);
        }
        $entries = [];
        $root = strlen(rtrim($this->folder, '/')) + 1;
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->folder, \FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if (! $file instanceof \SplFileInfo || $file->isLink() || ! $file->isFile()) {
                continue;
            }
            $entry = new ParcelEntry(substr($file->getPathname(), $root), (int) $file->getSize());
            $entry->isLitter() || ! mb_check_encoding($entry->path, 'UTF-8') || ($entries[] = $entry);
            if (count($entries) > self::MOST) {
                throw MovingRefusal::TooMany->because(name: $this->name(), most: number_format(self::MOST));
            }
        }
        usort($entries, static fn (ParcelEntry $one, ParcelEntry $other) => strnatcasecmp($one->path, $other->path));

        return $entries;
    }

    public function read(ParcelEntry $entry, int $most): string
    {
        $path = rtrim($this->folder, '/').'/'.$entry->path;
        $bytes = is_file($path) && ! is_link($path) ? @file_get_contents($path, false, null, 0, max(0, $most) + 1) : false;

        return $bytes === false ? throw MovingRefusal::CannotRead->because(name: $entry->path) : $bytes;
    }
}
