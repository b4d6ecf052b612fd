<?php

declare(strict_types=1);

namespace App\Access;

use Unanimus\Evidence\SealBroken;
use Unanimus\Evidence\SigningKey;

/** The seal of a brokerage: its own where it has one, that of the installation otherwise. */
final class OwnSeal
{
    /** @throws SealBroken when the key cannot be read */
    public static function of(int $brokerageId): SigningKey
    {
        $own = self::path($brokerageId);

        return is_file($own)
            ? SigningKey::fromPem((string) file_get_contents($own))
            : SigningKey::fromPem(
                (string) file_get_contents((string) config('unanimus.seal.key')),
                (string) config('unanimus.seal.passphrase'),
            );
    }

    /**
     * From now on it seals with this key; what was sealed before holds as it did, for whoever stands above each is believed on.
     *
     * @throws SealBroken when it is no key with its certificate, or they do not belong together
     */
    public static function give(int $brokerageId, #[\SensitiveParameter] string $pem): void
    {
        SigningKey::fromPem($pem);
        $certificate = openssl_x509_read($pem);
        $key = openssl_pkey_get_private($pem);
        $certificate !== false && $key !== false && openssl_x509_check_private_key($certificate, $key)
            || throw SealBroken::notMade('the key is not that of the first certificate');
        (openssl_x509_parse($certificate)['validTo_time_t'] ?? 0) > time() || throw SealBroken::notMade('its certificate has ended');
        preg_match_all('/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s', $pem, $found);
        $folder = dirname(self::path($brokerageId));
        is_dir($folder) || mkdir($folder, 0700, true);
        $roots = self::roots();
        $known = is_file($roots) ? (string) file_get_contents($roots) : '';
        $top = (string) end($found[0]);
        str_contains($known, $top) || self::put($roots, "{$known}{$top}\n");
        self::put(self::path($brokerageId), $pem);
    }

    /** The certificates at the top of all that were ever given. */
    public static function roots(): string
    {
        return config('unanimus.seal.own').'/roots.pem';
    }

    private static function path(int $brokerageId): string
    {
        return config('unanimus.seal.own')."/{$brokerageId}.pem";
    }

    private static function put(string $path, #[\SensitiveParameter] string $text): void
    {
        file_put_contents("{$path}.new", $text) === strlen($text) || throw SealBroken::notMade("{$path} cannot be written");
        chmod("{$path}.new", 0600);
        rename("{$path}.new", $path);
    }
}
