<?php

declare(strict_types=1);

use Firebase\JWT\JWT;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\IdToken;
use Unanimus\Steps\StepRefused;

const TOKEN_NOW = 1_796_000_000;

/** @return array{OpenSSLAsymmetricKey, array<string, mixed>} a provider's key, and its key set */
function providerKey(): array
{
    static $made = null;
    if ($made === null) {
        $key = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);
        $rsa = openssl_pkey_get_details($key)['rsa'];
        $base64 = static fn (string $bytes) => rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
        $public = ['kty' => 'RSA', 'use' => 'sig', 'kid' => 'one', 'n' => $base64($rsa['n']), 'e' => $base64($rsa['e'])];
        $made = [$key, ['keys' => [$public]]];
    }

    return $made;
}

/** @param  array<string, mixed>  $otherwise */
function tokenSaying(array $otherwise = []): string
{
    return JWT::encode(array_filter([
        'iss' => 'https://accounts.example',
        'aud' => 'unanimus',
        'sub' => '17',
        'email' => 'tomas@quillmark.example',
        'nonce' => 'once',
        'iat' => TOKEN_NOW - 5,
        'exp' => TOKEN_NOW + 300,
        ...$otherwise,
    ], static fn (mixed $one) => $one !== null), providerKey()[0], 'RS256', 'one');
}

function readToken(string $token, array $keys = []): IdToken
{
    return IdToken::read($token, $keys ?: providerKey()[1], 'https://accounts.example', 'unanimus', 'once', TOKEN_NOW);
}

it('reads who signed in', function () {
    $token = readToken(tokenSaying(['name' => 'Tomás Reyes-Whitlock', 'aud' => ['unanimus', 'calendar'], 'azp' => 'unanimus']));
    expect([$token->subject, $token->email, $token->name])->toBe(['17', 'tomas@quillmark.example', 'Tomás Reyes-Whitlock']);
    expect(readToken(tokenSaying(['exp' => TOKEN_NOW - 30]))->subject)->toBe('17');
});

it('believes none that is not theirs, for us, of now, and an answer', function (array $otherwise, AccessRefusal $why) {
    expect(static fn () => readToken(tokenSaying($otherwise)))
        ->toThrow(static fn (StepRefused $refused) => expect($refused->reason)->toBe($why));
})->with([
    'another issuer' => [['iss' => 'https://accounts.example/'], AccessRefusal::CompanyAnswer],
    'for another' => [['aud' => 'calendar'], AccessRefusal::CompanyAnswer],
    'for several, and another of them asked' => [['aud' => ['unanimus', 'calendar'], 'azp' => 'calendar'], AccessRefusal::CompanyAnswer],
    'for several, and nobody says who asked' => [['aud' => ['unanimus', 'calendar']], AccessRefusal::CompanyAnswer],
    'an answer to another question' => [['nonce' => 'twice'], AccessRefusal::CompanyAnswer],
    'an answer to none' => [['nonce' => null], AccessRefusal::CompanyAnswer],
    'too old' => [['exp' => TOKEN_NOW - 120], AccessRefusal::CompanyAnswer],
    'without an end' => [['exp' => null], AccessRefusal::CompanyAnswer],
    'of tomorrow' => [['iat' => TOKEN_NOW + 86400], AccessRefusal::CompanyAnswer],
    'of no day' => [['iat' => null], AccessRefusal::CompanyAnswer],
    'without an address' => [['email' => ''], AccessRefusal::CompanyNoAddress],
    'of an address that nobody confirmed' => [['email_verified' => false], AccessRefusal::CompanyNoAddress],
    'of an address that nobody confirmed, in a word' => [['email_verified' => 'false'], AccessRefusal::CompanyNoAddress],
    'of nobody' => [['sub' => null], AccessRefusal::CompanyNoAddress],
]);

it('believes none that is signed by another, by nobody, or by what everybody has', function () {
    $refused = static fn (string $token) => expect(static fn () => readToken($token))
        ->toThrow(static fn (StepRefused $refused) => expect($refused->reason)->toBe(AccessRefusal::CompanyAnswer));
    $other = openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA]);
    $says = json_decode((string) base64_decode(strtr(explode('.', tokenSaying())[1], '-_', '+/'), true), true);
    $refused(JWT::encode($says, $other, 'RS256', 'one'));
    $refused(JWT::encode($says, providerKey()[0], 'RS256', 'unknown'));
    $part = static fn (array $of) => rtrim(strtr(base64_encode((string) json_encode($of)), '+/', '-_'), '=');
    $refused($part(['alg' => 'none', 'kid' => 'one']).'.'.$part($says).'.');
    // The public key is no secret: a code made with it proves nothing.
    $public = openssl_pkey_get_details(providerKey()[0])['key'];
    $refused(JWT::encode($says, str_pad($public, 64), 'HS256', 'one'));
    foreach (['', 'a', 'a.b.c', '..', substr(tokenSaying(), 0, -4), str_replace('.', '', tokenSaying())] as $broken) {
        $refused($broken);
    }
    expect(static fn () => readToken(tokenSaying(), ['keys' => []]))->toThrow(StepRefused::class);
});

it('gives the clock of its library back', function () {
    readToken(tokenSaying());
    expect(JWT::$timestamp)->toBeNull()->and(JWT::$leeway)->toBe(0);
});
