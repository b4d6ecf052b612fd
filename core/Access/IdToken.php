<?php

declare(strict_types=1);

namespace Unanimus\Access;

use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use stdClass;
use Throwable;
use Unanimus\Steps\StepRefused;

/** What an identity provider says of who signed in there: read only when it is theirs, for us, of now, and an answer to what was asked. */
final readonly class IdToken
{
    /** Seconds by which two clocks may differ. */
    private const APART = 60;

    /** Signatures by a key of the provider; never one that we could have made ourselves. */
    private const BY = ['RS256', 'ES256'];

    private function __construct(public string $subject, public string $email, public string $name)
    {
    }

    /**
     * OpenID Connect Core 1.0, section 3.1.3.7.
     *
     * @param array<string, mixed> $keys the provider's key set (RFC 7517), decoded
     * @param string $issuer who it must be from, as its own configuration says
     * @param string $client what we are called there
     * @param string $nonce what was sent along with the question
     * @param int $now seconds since 1970
     *
     * @throws StepRefused when it is not to be believed, or tells no address
     */
    public static function read(string $token, array $keys, string $issuer, string $client, string $nonce, int $now): self
    {
        $says = self::verified($token, $keys, $now);
        $for = (array) ($says->aud ?? []);
        $isMeant = ($says->iss ?? null) === $issuer
            && in_array($client, $for, true)
            && (count($for) === 1 || ($says->azp ?? null) === $client)
            && is_string($says->nonce ?? null) && hash_equals($nonce, $says->nonce)
            && is_numeric($says->exp ?? null) && is_numeric($says->iat ?? null);
        $isMeant || throw AccessRefusal::CompanyAnswer->because();
        $email = is_string($says->email ?? null) ? trim($says->email) : '';
        $subject = is_scalar($says->sub ?? null) ? (string) $says->sub : '';
        ($email !== '' && $subject !== '' && ! in_array($says->email_verified ?? true, [false, 'false'], true))
            || throw AccessRefusal::CompanyNoAddress->because();

        return new self($subject, $email, is_string($says->name ?? null) ? $says->name : '');
    }

    /** @param  array<string, mixed>  $keys */
    private static function verified(string $token, array $keys, int $now): stdClass
    {
        $header = json_decode((string) base64_decode(strtr(explode('.', $token)[0], '-_', '+/'), true), true);
        in_array($header['alg'] ?? null, self::BY, true) || throw AccessRefusal::CompanyAnswer->because();
        // The clock is the library's own setting; it is given back.
        [$clock, $apart] = [JWT::$timestamp, JWT::$leeway];
        [JWT::$timestamp, JWT::$leeway] = [$now, self::APART];
        try {
            return JWT::decode($token, JWK::parseKeySet($keys, (string) $header['alg']));
        } catch (Throwable) {
            throw AccessRefusal::CompanyAnswer->because();
        } finally {
            [JWT::$timestamp, JWT::$leeway] = [$clock, $apart];
        }
    }
}
