<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Steps\StepRefused;

/** A parcel that came as a ZIP. Nothing is unpacked by the names in it: entries are read one by one, as bytes. */
final class ZipParcel implements Parcel
{
    /** Letters of a path that are kept, from its end. */
    private const LONGEST = 500;

    private ?\ZipArchive $zip = null;

    /** @param  string  $name  what people call it */
    public function __construct(private readonly string $path, private readonly string $name)
    {
    }

    /** Whether these bytes begin a ZIP that is no workbook or document: it has folders of its own. */
    public static function isOne(string $path): bool
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            return false;
        }
        $isDocument = $zip->locateName('[Content_Types].xml') !== false || $zip->locateName('mimetype') !== false;
        $zip->close();

        return ! $isDocument;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function entries(): array
    {
        $zip = $this->open();
        if ($zip->numFiles > 2 * self::MOST) {
            throw MovingRefusal::TooMany->because(name: $this->name, most: number_format(self::MOST));
        }
        $entries = [];
        for ($at = 0; $at < $zip->numFiles; $at++) {
            $stat = $zip->statIndex($at, \ZipArchive::FL_ENC_RAW);
            if ($stat === false || str_ends_with($stat['name'], '/') || str_ends_with($stat['name'], '\\')) {
                continue;
            }
            if ($stat['encryption_method'] !== 0) {
                throw MovingRefusal::Locked->because(name: $this->name);
            }
            $path = self::once(self::path($stat['name']), $entries);
            $entries[$path] = new ParcelEntry($path, $stat['size'], $at);
        }
        $entries = array_values(array_filter($entries, static fn (ParcelEntry $entry) => $entry->path !== '' && ! $entry->isLitter()));
        if (count($entries) > self::MOST) {
            throw MovingRefusal::TooMany->because(name: $this->name, most: number_format(self::MOST));
        }
        usort(
            $entries,
            static fn (ParcelEntry $one, ParcelEntry $other) => strnatcasecmp($one->path, $other->path) ?: $one->at <=> $other->at,
        );

        return $entries;
    }

    public function read(ParcelEntry $entry, int $most): string
    {
        $from = $this->open()->getStreamIndex($entry->at);
        if ($from === false) {
            throw MovingRefusal::CannotRead->because(name: $entry->path);
        }
        $bytes = stream_get_contents($from, $most + 1);
        fclose($from);

        return $bytes === false ? throw MovingRefusal::CannotRead->because(name: $entry->path) : $bytes;
    }

    /**
     * A path that no other entry has: a ZIP may name two alike, and names may become alike as they are read.
     *
     * @param array<string, ParcelEntry> $taken
     */
    private static function once(string $path, array $taken): string
    {
        $once = $path;
        for ($n = 2; isset($taken[$once]); $n++) {
            $ending = pathinfo($path, PATHINFO_EXTENSION);
            $once = ($ending === '' ? $path : substr($path, 0, -strlen($ending) - 1))." ({$n})".($ending === '' ? '' : ".{$ending}");
        }

        return $once;
    }

    /** @throws StepRefused */
    private function open(): \ZipArchive
    {
        if ($this->zip !== null) {
            return $this->zip;
        }
        $zip = new \ZipArchive();
        if (! is_file($this->path) || $zip->open($this->path, \ZipArchive::RDONLY) !== true || $zip->numFiles === 0) {
            throw MovingRefusal::NotAnArchive->because(name: $this->name);
        }

        return $this->zip = $zip;
    }

    /**
     * A path as people read it: UTF-8 where it is that, else the letters of old machines; "/" between its parts, none of them "..".
     *
     * @link https://pkware.cachefly.net/webdocs/casestudies/APPNOTE.TXT 4.4.17 file names, appendix D on their letters
     */
    private static function path(string $raw): string
    {
        $text = mb_check_encoding($raw, 'UTF-8') ? $raw : (string) mb_convert_encoding($raw, 'UTF-8', 'CP850');
        $parts = array_filter(
            explode('/', str_replace('\\', '/', (string) \Normalizer::normalize($text) ?: $text)),
            static fn (string $part) => ! in_array($part, ['', '.', '..'], true),
        );

        $path = implode('/', array_map(
            static fn (string $part) => trim((string) preg_replace('/[\x{00}-\x{1F}\x{7F}]/u', '', $part)),
            $parts,
        ));

        return ltrim(mb_substr($path, -self::LONGEST), '/');
    }
}
