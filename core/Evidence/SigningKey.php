<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * The key that seals, with its certificate and those above it.
 */
final readonly class SigningKey
{
    /**
     * @param string $certificate DER
     * @param list<string> $chain DER, the certificates above
     */
    private function __construct(private \OpenSSLAsymmetricKey $key, public string $certificate, public array $chain)
    {
    }

    /**
     * From a PEM file that holds the private key, the certificate and those above it in this order.
     *
     * @throws SealBroken when key or certificate cannot be read
     */
    public static function fromPem(string $pem, string $passphrase = ''): self
    {
        $key = openssl_pkey_get_private($pem, $passphrase);
        preg_match_all('/-----BEGIN CERTIFICATE-----(.+?)-----END CERTIFICATE-----/s', $pem, $found);
        $certificates = array_map(static fn (string $body) => (string) base64_decode($body), $found[1]);
        if ($key === false || $certificates === []) {
            throw SealBroken::notMade('the sealing key or its certificate cannot be read');
        }

        return new self($key, $certificates[0], array_slice($certificates, 1));
    }

    /** The RSA signature (PKCS #1 v1.5 with SHA-256, RFC 8017 section 8.2) over bytes. */
    public function sign(string $bytes): string
    {
        if (! openssl_sign($bytes, $signature, $this->key, OPENSSL_ALGO_SHA256)) {
            throw SealBroken::notMade('the key refused to sign');
        }

        return $signature;
    }
}
