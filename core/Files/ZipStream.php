<?php

declare(strict_types=1);

namespace Unanimus\Files;

/**
 * A ZIP that is written as it goes out: nothing of it is kept, however large it becomes. Entries are stored as they are, which
 * PDFs are compressed enough for; sizes and places beyond four gigabytes stand in ZIP64 fields.
 *
 * @link https://pkware.cachefly.net/webdocs/casestudies/APPNOTE.TXT 4.3.7 local headers, 4.3.12 central directory, 4.3.14 to 4.3.16
 *     its ends, 4.5.3 ZIP64 fields, 4.4.4 bit 11 (names in UTF-8)
 */
final class ZipStream
{
    private const MOST = 0xFFFFFFFF;

    private const STORED = 0;

    /** Names are UTF-8. */
    private const FLAGS = 0x0800;

    private int $written = 0;

    private int $count = 0;

    private string $directory = '';

    private readonly int $stamp;

    /**
     * @param \Closure(string): void $out takes what goes out next
     * @param \DateTimeInterface $at the time its entries bear
     */
    public function __construct(private readonly \Closure $out, \DateTimeInterface $at)
    {
        [$year, $month, $day, $hour, $minute, $second] = array_map(intval(...), explode(' ', $at->format('Y n j G i s')));
        $this->stamp = (max(0, $year - 1980) << 25) | ($month << 21) | ($day << 16) | ($hour << 11) | ($minute << 5) | ($second >> 1);
    }

    /** Adds a file. @param  string  $path  its parts divided by "/" */
    public function add(string $path, string $bytes): void
    {
        $size = strlen($bytes);
        $crc = crc32($bytes);
        $at = $this->written;
        $version = $size >= self::MOST || $at >= self::MOST ? 45 : 20;
        // The local header names both sizes in its ZIP64 field or none; the directory only what does not fit.
        $local = $size >= self::MOST ? pack('vvPP', 1, 16, $size, $size) : '';
        $short = min($size, self::MOST);
        $this->put(pack('VvvvVVVVvv', 0x04034B50, $version, self::FLAGS, self::STORED, $this->stamp, $crc, $short, $short, strlen($path),
            strlen($local)).$path.$local);
        $this->put($bytes);
        $far = ($size >= self::MOST ? pack('PP', $size, $size) : '').($at >= self::MOST ? pack('P', $at) : '');
        $extra = $far === '' ? '' : pack('vv', 1, strlen($far)).$far;
        $this->directory .= pack('VvvvvVVVVvvvvvVV', 0x02014B50, (3 << 8) | $version, $version, self::FLAGS, self::STORED, $this->stamp,
            $crc, $short, $short, strlen($path), strlen($extra), 0, 0, 0, 0o100644 << 16, min($at, self::MOST)).$path.$extra;
        $this->count++;
    }

    /** Writes its directory; after that nothing more is added. */
    public function finish(): void
    {
        $at = $this->written;
        $size = strlen($this->directory);
        $this->put($this->directory);
        if ($at >= self::MOST || $size >= self::MOST || $this->count >= 0xFFFF) {
            $end = $this->written;
            $this->put(pack('VPvvVVPPPP', 0x06064B50, 44, (3 << 8) | 45, 45, 0, 0, $this->count, $this->count, $size, $at));
            $this->put(pack('VVPV', 0x07064B50, 0, $end, 1));
        }
        $count = min($this->count, 0xFFFF);
        $this->put(pack('VvvvvVVv', 0x06054B50, 0, 0, $count, $count, min($size, self::MOST), min($at, self::MOST), 0));
    }

    private function put(string $bytes): void
    {
        $this->written += strlen($bytes);
        ($this->out)($bytes);
    }
}
