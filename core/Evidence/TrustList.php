<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * Whom we believe: the roots of the brokerage's own seals, those of time stamps, and of others whose signatures we know.
 */
final readonly class TrustList
{
    /**
     * @param list<string> $seals PEM certificates under which our own seals are made
     * @param list<string> $stamps PEM certificates under which time stamps are made
     * @param list<string> $others PEM certificates of others
     */
    private function __construct(public array $seals, public array $stamps, public array $others)
    {
    }

    /**
     * From PEM files, each with one or several certificates; files that are not there give none.
     *
     * @param list<string> $seals paths
     * @param list<string> $stamps paths
     * @param list<string> $others paths
     */
    public static function fromFiles(array $seals, array $stamps, array $others = []): self
    {
        return new self(self::read($seals), self::read($stamps), self::read($others));
    }

    /** Believing nobody: signatures are read and checked, but nothing is known of who made them. */
    public static function none(): self
    {
        return new self([], [], []);
    }

    /**
     * @param list<string> $paths
     * @return list<string>
     */
    private static function read(array $paths): array
    {
        $found = [];
        foreach ($paths as $path) {
            preg_match_all(
                '/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s',
                is_file($path) ? (string) file_get_contents($path) : '',
                $m,
            );
            array_push($found, ...$m[0]);
        }

        return $found;
    }
}
