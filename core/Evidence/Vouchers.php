<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * What vouches for a seal and its time stamp later on, when those who issued it may be gone: their certificates, and the lists of
 * those that were revoked. It goes into the sealed file before the seal, so that the seal covers it, too.
 *
 * @link https://www.etsi.org/deliver/etsi_en/319100_319199/31914201/ ETSI EN 319 142-1, 5.4.2 the DSS dictionary; PAdES baseline B-LT
 */
final readonly class Vouchers
{
    /**
     * @param list<string> $certificates DER
     * @param list<string> $revoked lists of revoked certificates (RFC 5280, 5), DER
     */
    private function __construct(public array $certificates, public array $revoked)
    {
    }

    /**
     * From the contents of PEM files, each with as many certificates and lists as it likes; anything else in them is left.
     *
     * @param list<string> $files
     */
    public static function of(array $files): self
    {
        $pem = implode("\n", $files);

        return new self(self::parts($pem, 'CERTIFICATE'), self::parts($pem, 'X509 CRL'));
    }

    /** Whether there is nothing at hand. */
    public function isEmpty(): bool
    {
        return $this->certificates === [] && $this->revoked === [];
    }

    /** @return list<string> */
    private static function parts(string $pem, string $what): array
    {
        preg_match_all("/-----BEGIN {$what}-----(.+?)-----END {$what}-----/s", $pem, $found);
        $parts = array_map(static fn (string $body) => base64_decode((string) preg_replace('/\s+/', '', $body), true), $found[1]);

        return array_values(array_unique(array_filter($parts, static fn (string|false $one) => $one !== false && $one !== '')));
    }
}
