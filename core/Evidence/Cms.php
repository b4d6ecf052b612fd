<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * The detached signature inside a sealed PDF.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5652 Cryptographic Message Syntax
 * @link https://www.rfc-editor.org/rfc/rfc5035#section-3 ESS signingCertificateV2
 * @link https://www.etsi.org/deliver/etsi_en/319100_319199/31914201/ ETSI EN 319 142-1, PAdES baseline: no signing-time attribute
 *
 * @internal to its area
 */
final class Cms
{
    private const SHA256 = '2.16.840.1.101.3.4.2.1';

    /**
     * A SignedData over a digest, with the time stamp as unsigned attribute.
     *
     * @param string $digest SHA-256 of what is sealed, raw
     * @return string DER
     *
     * @throws SealBroken when the key refuses
     * @throws StampUnavailable when the time stamp cannot be had
     */
    public static function seal(string $digest, SigningKey $key, TimeStamps $stamps): string
    {
        $sha256 = Der::sequence(Der::oid(self::SHA256), Der::null());
        $attributes = [
            self::attribute('1.2.840.113549.1.9.3', Der::oid('1.2.840.113549.1.7.1')),
            self::attribute('1.2.840.113549.1.9.4', Der::octets($digest)),
            self::attribute(
                '1.2.840.113549.1.9.16.2.47',
                Der::sequence(Der::sequence(Der::sequence(Der::octets(hash('sha256', $key->certificate, true))))),
            ),
        ];
        $signature = $key->sign(Der::set(...$attributes));
        $token = $stamps->stamp(hash('sha256', $signature, true));
        [$issuer, $serial] = self::issuerAndSerial($key->certificate);
        $implicit = static fn (int $tag, string $set) => chr($tag).substr($set, 1);
        $signer = Der::sequence(
            Der::integer(1),
            Der::sequence($issuer, $serial),
            $sha256,
            $implicit(0xA0, Der::set(...$attributes)),
            Der::sequence(Der::oid('1.2.840.113549.1.1.1'), Der::null()),
            Der::octets($signature),
            $implicit(0xA1, Der::set(self::attribute('1.2.840.113549.1.9.16.2.14', $token))),
        );

        return Der::sequence(
            Der::oid('1.2.840.113549.1.7.2'),
            Der::element(
                0xA0,
                Der::sequence(
                    Der::integer(1),
                    Der::set($sha256),
                    Der::sequence(Der::oid('1.2.840.113549.1.7.1')),
                    $implicit(0xA0, Der::set($key->certificate, ...$key->chain)),
                    Der::set($signer),
                ),
            ),
        );
    }

    private static function attribute(string $oid, string $value): string
    {
        return Der::sequence(Der::oid($oid), Der::set($value));
    }

    /** @return array{string, string} */
    private static function issuerAndSerial(string $certificate): array
    {
        $fields = Der::children(Der::children(Der::read($certificate)['content'])[0]['content']);
        $first = $fields[0]['tag'] === 0xA0 ? 1 : 0;

        return [$fields[$first + 2]['whole'], $fields[$first]['whole']];
    }
}
