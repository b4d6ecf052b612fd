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
