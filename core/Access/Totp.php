<?php

declare(strict_types=1);

namespace Unanimus\Access;

/**
 * One-time codes from a shared secret and the time, as authenticator applications show them: six digits, half a minute each.
 *
 * @link https://www.rfc-editor.org/rfc/rfc6238 TOTP
 * @link https://www.rfc-editor.org/rfc/rfc4226#section-5.3 how a code is cut from the hash
 */
final readonly class Totp
{
    private const STEP = 30;

    /** How many steps a clock may go before or after ours. */
    private const DRIFT = 1;

    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    private function __construct(private string $key)
    {
    }

    /** A new secret of 160 bits (RFC 4226 section 4, R6). */
    public static function fresh(): self
    {
        return new self(random_bytes(20));
    }

    /**
     * From the written secret.
     *
     * @throws \InvalidArgumentException when it is no Base32 of at least 80 bits
     */
    public static function of(string $secret): self
    {
        $secret = strtoupper((string) preg_replace('/[\s=-]+/', '', $secret));
        if (preg_match('/^[A-Z2-7]{16,}$/', $secret) !== 1) {
            throw new \InvalidArgumentException('This is no secret of an authenticator.');
        }
        $bits = '';
        foreach (str_split($secret) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::LETTERS, $letter)), 5, '0', STR_PAD_LEFT);
        }

        return new self(
            implode(
                '',
                array_map(
                    static fn (string $octet) => chr((int) bindec($octet)),
                    str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8),
                ),
            ),
        );
    }

    /** The secret as people copy it (RFC 4648 section 6, Base32 without padding). */
    public function secret(): string
    {
        $bits = implode(
            '',
            array_map(static fn (string $octet) => str_pad(decbin(ord($octet)), 8, '0', STR_PAD_LEFT), str_split($this->key)),
        );

        return implode('', array_map(static fn (string $five) => self::LETTERS[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    /** The address an authenticator takes the secret from. */
    public function address(string $issuer, string $account): string
    {
        return 'otpauth://totp/'.
            rawurlencode($issuer).
            ':'.
            rawurlencode($account).
            '?secret='.
            $this->secret().
            '&issuer='.
            rawurlencode($issuer);
    }

    /** The code of a step. */
    public function code(int $step, int $digits = 6): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->key, true);
        $at = ord($hash[19]) & 0x0F;
        $number = ((ord($hash[$at]) & 0x7F) << 24) | (ord($hash[$at + 1]) << 16) | (ord($hash[$at + 2]) << 8) | ord($hash[$at + 3]);

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /** The step a moment falls into. */
    public static function step(int $unixTime): int
    {
        return intdiv($unixTime, self::STEP);
    }

    /**
     * The step a typed code belongs to, or null when it is none of now. A code counts once: steps up to the last used one do not.
     */
    public function accepts(string $typed, int $unixTime, int $lastUsed = 0): ?int
    {
        $typed = (string) preg_replace('/\s+/', '', $typed);
        $now = self::step($unixTime);
        foreach (range($now - self::DRIFT, $now + self::DRIFT) as $step) {
            if ($step > $lastUsed && hash_equals($this->code($step), $typed)) {
                return $step;
            }
        }

        return null;
    }
}
