<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * A signature's bytes, checked by openssl: whether they hold over what they cover, who made them, who vouches for that.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5652 Cryptographic Message Syntax
 * @link https://www.rfc-editor.org/rfc/rfc3161 time stamps
 *
 * @internal to its area
 */
final class SignedData
{
    private const CHANGED = 'what it covers is not as it was signed.';

    private const TOKEN = '1.2.840.113549.1.9.16.2.14';

    /**
     * @param string $certificate of the signer, PEM
     * @param string $beside other certificates it carries, PEM
     */
    private function __construct(
        public readonly bool $holds,
        public readonly string $fault,
        private readonly string $certificate,
        private readonly string $beside,
        private readonly string $contents,
        private readonly Scratch $scratch,
    ) {
    }

    /** Over content that lies outside of it. @throws SealBroken when it cannot be read */
    public static function detached(string $contents, string $content, Scratch $scratch): self
    {
        $hidden = self::hidden($contents);

        return self::checked(
            $contents,
            ['-content', $scratch->put('content', $content)],
            $scratch,
            static fn () => $hidden ? 'something was hidden behind it.' : null,
        );
    }

    /** Over a digest that it carries. @throws SealBroken when it cannot be read */
    public static function overDigest(string $contents, string $digest, Scratch $scratch): self
    {
        return self::checked($contents, [], $scratch, static fn (string $inner) => $inner === $digest ? null : self::CHANGED);
    }

    /** A time stamp over the content. @throws SealBroken when it cannot be read */
    public static function stamp(string $contents, string $content, Scratch $scratch): self
    {
        return self::checked($contents, [], $scratch, static function (string $inner) use ($content): ?string {
            foreach (['sha256', 'sha384', 'sha512', 'sha1'] as $name) {
                if (str_contains($inner, Der::octets(hash($name, $content, true)))) {
                    return null;
                }
            }

            return self::CHANGED;
        });
    }

    /**
     * A bare RSA signature with its certificate beside it, as the oldest readers wrote it.
     *
     * @param list<mixed>|array<mixed> $certificates as strings of the PDF
     *
     * @throws SealBroken when it cannot be read
     */
    public static function bare(string $contents, string $content, array $certificates, Scratch $scratch): self
    {
        $signature = Der::read($contents);
        $first =
            is_string($certificates[0] ?? null) && str_starts_with($certificates[0], 'b:')
                ? (string) @hex2bin(substr($certificates[0], 2))
                : '';
        $pem = $first === '' ? '' : self::pem($first);
        if ($signature['tag'] !== 0x04 || $pem === '') {
            throw SealBroken::unreadable();
        }
        $holds = openssl_verify($content, $signature['content'], $pem, OPENSSL_ALGO_SHA1) === 1;

        return new self($holds, self::CHANGED, $pem, '', '', $scratch);
    }

    /**
     * @param list<string> $options
     * @param callable(string): ?string $fault looks at what it carries
     */
    private static function checked(string $contents, array $options, Scratch $scratch, callable $fault): self
    {
        $openssl = new NativeTool(20);
        $in = $scratch->put('signature.der', $contents);
        foreach (['signer.pem', 'inner'] as $left) {
            is_file($scratch->path($left)) && unlink($scratch->path($left));
        }
        $all = self::certificates($in, $openssl);
        $holds = true;
        $why = self::CHANGED;
        try {
            $openssl->run([
                'openssl',
                'cms',
                '-verify',
                '-binary',
                '-noverify',
                '-inform',
                'DER',
                '-in',
                $in,
                ...$options,
                '-signer',
                $scratch->path('signer.pem'),
                '-out',
                $scratch->path('inner'),
            ]);
        } catch (ToolFailed $failed) {
            if ($failed->machineIsBusy) {
                throw $failed;
            }
            $holds = false;
        }
        $found = $holds ? $fault($scratch->get('inner')) : null;
        $signer = $scratch->get('signer.pem') ?: $all[0] ?? '';
        if ($signer === '') {
            throw SealBroken::unreadable();
        }

        return new self($holds && $found === null, $found ?? $why, $signer, implode("\n", $all), $contents, $scratch);
    }

    /** @return list<string> PEM @throws SealBroken when it is no signature */
    private static function certificates(string $in, NativeTool $openssl): array
    {
        try {
            preg_match_all(
                '/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s',
                $openssl->run(['openssl', 'pkcs7', '-inform', 'DER', '-in', $in, '-print_certs']),
                $found,
            );
        } catch (ToolFailed $failed) {
            throw $failed->machineIsBusy ? $failed : SealBroken::unreadable();
        }

        return $found[0];
    }

    /** Whether something stands in the room behind it: that is not covered and must be empty. */
    private static function hidden(string $contents): bool
    {
        try {
            return trim(substr($contents, Der::read($contents)['end']), "\0") !== '';
        } catch (SealBroken) {
            // Of a length that is not said before its end (BER): openssl reads it, what follows it is not told apart.
            return false;
        }
    }

    /** The signer's name. */
    public function signer(): string
    {
        $subject = $this->subject();

        return self::first($subject['CN'] ?? ($subject['O'] ?? ''));
    }

    /** The organization the certificate names. */
    public function organization(): string
    {
        return self::first($this->subject()['O'] ?? '');
    }

    /**
     * The trusted root above the signer.
     *
     * @return array{Trust, string} and its name
     */
    public function vouchedBy(TrustList $trust, bool $stamp, ?string $at): array
    {
        foreach (
            $stamp ? [[Trust::Others, $trust->stamps]] : [[Trust::Ours, $trust->seals], [Trust::Others, $trust->others]] as [$kind, $roots]
        ) {
            foreach ($roots as $root) {
                if ($this->isUnder($root, $at)) {
                    $named = openssl_x509_parse($root)['subject'] ?? [];

                    return [$kind, self::first($named['CN'] ?? ($named['O'] ?? ''))];
                }
            }
        }

        return [Trust::Nobody, ''];
    }

    private function isUnder(string $root, ?string $at): bool
    {
        try {
            (new NativeTool(20))->run([
                'openssl',
                'verify',
                '-no-CApath',
                '-no-CAstore',
                '-auth_level',
                '1',
                '-attime',
                (string) ($at === null ? time() : strtotime($at)),
                '-CAfile',
                $this->scratch->put('root.pem', $root."\n"),
                '-untrusted',
                $this->scratch->put('beside.pem', $this->beside."\n"),
                $this->scratch->put('one.pem', $this->certificate),
            ]);

            return true;
        } catch (ToolFailed $failed) {
            return $failed->machineIsBusy ? throw $failed : false;
        }
    }

    /**
     * Whether every certificate it carries is the signer's, a root of these, or one they vouch for: none of them is covered by the
     * signature itself.
     */
    public function carriesOnly(TrustList $trust): bool
    {
        preg_match_all('/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s', $this->beside, $carried);
        $known = array_map(self::bytes(...), [$this->certificate, ...$trust->seals]);
        foreach ($carried[0] as $one) {
            if (! in_array(self::bytes($one), $known, true)) {
                return false;
            }
        }

        return true;
    }

    private static function bytes(string $pem): string
    {
        return (string) preg_replace('/-----[^-]+-----|\s+/', '', $pem);
    }

    /** What the time stamp it carries proves, under the roots of stamps that are trusted; null when it carries none that holds. */
    public function provenAt(TrustList $trust): ?string
    {
        [$signature, $token] = $this->token();
        if ($token === null) {
            return null;
        }
        foreach ($trust->stamps as $root) {
            try {
                (new NativeTool(20))->run([
                    'openssl',
                    'ts',
                    '-verify',
                    '-token_in',
                    '-in',
                    $this->scratch->put('token.der', $token),
                    '-data',
                    $this->scratch->put('stamped', $signature),
                    '-CAfile',
                    $this->scratch->put('stamps.pem', $root."\n"),
                ]);

                return self::timeIn($token);
            } catch (ToolFailed $failed) {
                $failed->machineIsBusy && throw $failed;
            }
        }

        return null;
    }

    /** When a stamp was made, as it says itself. */
    public function stampedAt(): ?string
    {
        return self::timeIn($this->contents);
    }

    /**
     * The signature's value and the time-stamp token over it (RFC 5652, 5.1 and 5.3).
     *
     * @return array{string, string|null}
     */
    private function token(): array
    {
        try {
            $signed = Der::children(Der::children(Der::children(Der::read($this->contents)['content'])[1]['content'])[0]['content']);
            $fields = Der::children(Der::children($signed[count($signed) - 1]['content'])[0]['content']);
            $last = $fields[count($fields) - 1];
            if ($last['tag'] !== 0xA1) {
                return ['', null];
            }
            foreach (Der::children($last['content']) as $attribute) {
                [$name, $values] = Der::children($attribute['content']);
                if ($name['whole'] === Der::oid(self::TOKEN)) {
                    return [$fields[count($fields) - 2]['content'], Der::children($values['content'])[0]['whole']];
                }
            }
        } catch (SealBroken|\ErrorException) {
            // Written in another encoding than DER: its stamp is not looked at.
        }

        return ['', null];
    }

    /** The time in a token: the GeneralizedTime of its TSTInfo (RFC 3161, 2.4.2). */
    private static function timeIn(string $token): ?string
    {
        $info = strpos($token, Der::oid('1.2.840.113549.1.9.16.1.4'));
        if ($info === false || preg_match('/\x18.(\d{14})(?:\.\d+)?Z/s', $token, $m, 0, $info) !== 1) {
            return null;
        }
        $at = \DateTimeImmutable::createFromFormat('YmdHis', $m[1], new \DateTimeZone('UTC'));

        return $at === false ? null : $at->format(DATE_ATOM);
    }

    /** @return array<string, mixed> */
    private function subject(): array
    {
        $read = openssl_x509_parse($this->certificate);

        return is_array($read) && is_array($read['subject'] ?? null) ? $read['subject'] : [];
    }

    private static function first(mixed $name): string
    {
        return is_array($name) ? (string) reset($name) : (string) $name;
    }

    private static function pem(string $certificate): string
    {
        return "-----BEGIN CERTIFICATE-----\n".chunk_split(base64_encode($certificate), 64, "\n")."-----END CERTIFICATE-----\n";
    }
}
