<?php

declare(strict_types=1);

namespace Tests\Support;

use Firebase\JWT\JWT;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use OpenSSLAsymmetricKey;

/** A small identity provider: it knows one person, and gives each code once to whoever can prove that they asked. */
final class OwnProvider
{
    public const ISSUER = 'https://127.0.0.1:8443';

    /** @var array<string, mixed> what it says besides, or otherwise */
    public array $says = [];

    public bool $answers = true;

    /** @var array<string, string> places it says otherwise */
    public array $places = [];

    /** @var array<string, array<string, string>> questions, by the code they were answered with */
    private array $asked = [];

    private OpenSSLAsymmetricKey $key;

    private string $keyId = 'first';

    public function __construct(private readonly string $email = 'tomas@quillmark.example')
    {
        $this->key = self::aKey();
        config(['unanimus.hooks_anywhere' => true]);
        Http::fake([self::ISSUER.'/*' => fn (Request $request) => $this->answer($request)]);
    }

    /** A key of their own, under another name. */
    public function changeKey(): void
    {
        [$this->key, $this->keyId] = [self::aKey(), 'second'];
    }

    /** Somebody signs in there; where they are sent back to. */
    public function signIn(string $question): string
    {
        parse_str((string) parse_url($question, PHP_URL_QUERY), $asked);
        $code = bin2hex(random_bytes(12));
        $this->asked[$code] = array_map(strval(...), $asked);

        return "{$asked['redirect_uri']}?".http_build_query(['code' => $code, 'state' => $asked['state']]);
    }

    /** @return array<string, mixed> */
    public function keys(): array
    {
        $rsa = openssl_pkey_get_details($this->key)['rsa'];
        $base64 = static fn (string $bytes) => rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');

        return ['keys' => [['kty' => 'RSA', 'use' => 'sig', 'alg' => 'RS256', 'kid' => $this->keyId, 'n' => $base64($rsa['n']),
            'e' => $base64($rsa['e'])]]];
    }

    public function token(string $nonce, string $client = 'unanimus'): string
    {
        return JWT::encode([
            'iss' => self::ISSUER,
            'aud' => $client,
            'sub' => 'person-17',
            'email' => $this->email,
            'email_verified' => true,
            'nonce' => $nonce,
            'iat' => now()->getTimestamp(),
            'exp' => now()->getTimestamp() + 300,
            ...$this->says,
        ], $this->key, 'RS256', $this->keyId);
    }

    private function answer(Request $request): mixed
    {
        if (! $this->answers) {
            return Http::response('', 503);
        }

        return match (parse_url($request->url(), PHP_URL_PATH)) {
            '/.well-known/openid-configuration' => Http::response([
                'issuer' => self::ISSUER,
                'authorization_endpoint' => self::ISSUER.'/authorize',
                'token_endpoint' => self::ISSUER.'/token',
                'jwks_uri' => self::ISSUER.'/keys',
                ...$this->places,
            ]),
            '/keys' => Http::response($this->keys()),
            '/token' => $this->exchange($request),
            default => Http::response('', 404),
        };
    }

    private function exchange(Request $request): mixed
    {
        $asked = $this->asked[$request['code']] ?? null;
        unset($this->asked[$request['code']]);
        $proved = rtrim(strtr(base64_encode(hash('sha256', (string) $request['code_verifier'], true)), '+/', '-_'), '=');
        $isTheirs = $asked !== null && $asked['code_challenge'] === $proved && $asked['redirect_uri'] === $request['redirect_uri']
            && $request->header('Authorization')[0] === 'Basic '.base64_encode('unanimus:quoin-lantern');

        return $isTheirs
            ? Http::response(['id_token' => $this->token($asked['nonce'], $asked['client_id']), 'token_type' => 'Bearer'])
            : Http::response(['error' => 'invalid_grant'], 400);
    }

    private static function aKey(): OpenSSLAsymmetricKey
    {
        $key = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);

        return $key instanceof OpenSSLAsymmetricKey ? $key : throw new \RuntimeException('no key');
    }
}
