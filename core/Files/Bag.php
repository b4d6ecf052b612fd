<?php

declare(strict_types=1);

namespace Unanimus\Files;

/**
 * A folder that says of each of its files what it must be, so that an archive can tell years later that all is there, unchanged.
 *
 * @link https://www.rfc-editor.org/rfc/rfc8493 BagIt 1.0: 2.1 required elements, 2.2 optional ones
 */
final class Bag
{
    /** @var array<string, array{string, int}> SHA-256 and length, by path within "data" */
    private array $payload = [];

    /** Notes a file of the payload. @param  string  $path  within "data", its parts divided by "/" */
    public function add(string $path, string $bytes): void
    {
        $this->payload[$path] = [hash('sha256', $bytes), strlen($bytes)];
    }

    /** Notes a file of the payload that is written elsewhere. */
    public function note(string $path, string $sha256, int $size): void
    {
        $this->payload[$path] = [$sha256, $size];
    }

    /**
     * What is wrong with such a folder: what its lists name and is not there, or is not what it was, and what they do not name.
     *
     * @return list<string> in words; empty: all is there, unchanged
     */
    public static function faults(string $folder): array
    {
        if (! is_file("{$folder}/bagit.txt") || ! is_file("{$folder}/manifest-sha256.txt")) {
            return ['This folder is no bag: bagit.txt or manifest-sha256.txt is missing.'];
        }
        $faults = $named = [];
        foreach (['manifest-sha256.txt', 'tagmanifest-sha256.txt'] as $list) {
            foreach (is_file("{$folder}/{$list}") ? (array) file("{$folder}/{$list}", FILE_IGNORE_NEW_LINES) : [] as $line) {
                [$sha256, $path] = explode('  ', (string) $line, 2) + [1 => ''];
                $path = str_replace(['%0D', '%0A', '%25'], ["\r", "\n", '%'], $path);
                $named[$path] = true;
                match (true) {
                    str_contains("/{$path}/", '/../') || str_starts_with($path, '/') => $faults[] = "{$path} leads out of the folder.",
                    ! is_file("{$folder}/{$path}") => $faults[] = "{$path} is missing.",
                    hash_file('sha256', "{$folder}/{$path}") !== $sha256 => $faults[] = "{$path} is not what it was.",
                    default => null,
                };
            }
        }
        foreach (self::payloadOf($folder) as $path) {
            isset($named[$path]) || ($faults[] = "{$path} is on no list.");
        }

        return $faults;
    }

    /** @return list<string> files in the payload of a folder that were not noted, from the folder on */
    public function strangers(string $folder): array
    {
        return array_values(array_filter(
            self::payloadOf($folder),
            fn (string $path) => ! isset($this->payload[substr($path, strlen('data/'))]),
        ));
    }

    /** @return list<string> every file of the payload, from the folder on */
    private static function payloadOf(string $folder): array
    {
        if (! is_dir("{$folder}/data")) {
            return [];
        }
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$folder}/data", \FilesystemIterator::SKIP_DOTS));

        return array_map(static fn (mixed $file) => substr((string) $file, strlen($folder) + 1), iterator_to_array($all, false));
    }

    /**
     * The files that stand beside the payload.
     *
     * @param array<string, string> $about what bag-info.txt says, by label
     * @return array<string, string> bytes, by name
     */
    public function tags(array $about): array
    {
        $manifest = '';
        foreach ($this->payload as $path => [$sha256]) {
            $manifest .= "{$sha256}  data/".self::encoded($path)."\n";
        }
        $info = '';
        foreach ([...$about, 'Payload-Oxum' => array_sum(array_column($this->payload, 1)).'.'.count($this->payload)] as $label => $value) {
            $info .= "{$label}: ".trim((string) preg_replace('/\s+/u', ' ', (string) $value))."\n";
        }
        $tags = [
            'bagit.txt' => "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n",
            'bag-info.txt' => $info,
            'manifest-sha256.txt' => $manifest,
        ];
        $of = '';
        foreach ($tags as $name => $bytes) {
            $of .= hash('sha256', $bytes)."  {$name}\n";
        }

        return [...$tags, 'tagmanifest-sha256.txt' => $of];
    }

    /** A name that every system can keep: no signs of paths, none that mean something elsewhere, and not too long. */
    public static function name(string $text): string
    {
        $plain = trim((string) preg_replace('/[\/\\\\:*?"<>|%\x00-\x1f]+/u', ' ', $text), ' .');

        return mb_strimwidth((string) preg_replace('/\s+/u', ' ', $plain), 0, 100, '…') ?: 'paper';
    }

    /** RFC 8493, 2.1.3: line ends and percent signs in paths are written as their codes. */
    private static function encoded(string $path): string
    {
        return str_replace(['%', "\r", "\n"], ['%25', '%0D', '%0A'], $path);
    }
}
