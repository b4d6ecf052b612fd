<?php

declare(strict_types=1);

namespace Unanimus\Moving;

/** One document or table in a parcel. */
final readonly class ParcelEntry
{
    /**
     * @param string $path from the parcel's root, its parts divided by "/", letters as people read them
     * @param int $bytes as the parcel says
     * @param int $at where the parcel itself finds it
     */
    public function __construct(public string $path, public int $bytes, public int $at = 0)
    {
    }

    /** Its own name. */
    public function name(): string
    {
        return basename($this->path);
    }

    /** The folder it lies in; '' at the root. */
    public function folder(): string
    {
        $folder = dirname($this->path);

        return $folder === '.' ? '' : $folder;
    }

    /** What its name ends in, in small letters. */
    public function ending(): string
    {
        return strtolower(pathinfo($this->path, PATHINFO_EXTENSION));
    }

    /** Whether a machine left it there and no person: resource forks, thumbnails, locks of open documents. */
    public function isLitter(): bool
    {
        $parts = explode('/', $this->path);
        $name = (string) end($parts);

        return in_array('__MACOSX', $parts, true) ||
            in_array(strtolower($name), ['thumbs.db', 'desktop.ini'], true) ||
            str_starts_with($name, '~$') ||
            array_filter($parts, static fn (string $part) => str_starts_with($part, '.')) !== [];
    }
}
