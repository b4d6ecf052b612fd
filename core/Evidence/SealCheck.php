<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Checks a sealed PDF: that the seal covers every byte, that no byte has changed, who sealed it and when.
 * Stricter than common readers: bytes hidden in the signature's own room or added at the end are found too.
 */
final class SealCheck
{
    /**
     * Says whether a sealed PDF holds.
     *
     * @return array{valid: bool, whole: bool, why: string|null, sealedAt: string|null}
     */
    public static function of(string $pdf): array
    {
        $no = static fn (string $why, bool $whole = true) => ['valid' => false, 'whole' => $whole, 'why' => $why, 'sealedAt' => null];
        if (preg_match_all('~/ByteRange\s*\[\s*(\d+)\s+(\d+)\s+(\d+)\s+(\d+)\s*\]~', $pdf, $found, PREG_SET_ORDER) !== 1) {
            return $no('There is no seal in this file.', false);
        }
        [$start, $gap, $after, $rest] = array_map(intval(...), array_slice($found[0], 1));
        if ($start !== 0 || $after + $rest !== strlen($pdf) || $after <= $gap || ($pdf[$gap] ?? '') !== '<' || ($pdf[$after - 1] ?? '') !== '>') {
            return $no('The seal does not cover the whole file: something was added or cut off.', false);
        }
        $hex = substr($pdf, $gap + 1, $after - $gap - 2);
        $bytes = ctype_xdigit($hex) && strlen($hex) % 2 === 0 ? (string) hex2bin($hex) : '';
        try {
            $cms = Der::read($bytes);
        } catch (SealBroken $broken) {
            return $no($broken->getMessage());
        }
        if (trim(substr($bytes, $cms['end']), "\0") !== '') {
            return $no('Something was hidden behind the seal.');
        }

        return self::verify($cms['whole'], substr($pdf, 0, $gap).substr($pdf, $after), $no);
    }

    /**
     * @param callable(string): array{valid: bool, whole: bool, why: string|null, sealedAt: string|null} $no
     * @return array{valid: bool, whole: bool, why: string|null, sealedAt: string|null}
     */
    private static function verify(string $cms, string $content, callable $no): array
    {
        $scratch = new Scratch;
        $openssl = new NativeTool(20);
        try {
            $openssl->run([
                'openssl', 'cms', '-verify', '-binary', '-noverify', '-inform', 'DER', '-in', $scratch->put('seal.der', $cms),
                '-content', $scratch->put('content', $content), '-out', $scratch->path('verified'),
            ]);
            [$certificates, $signature, $token] = self::parts($cms);
            $above = $scratch->put('above.pem', implode('', array_map(self::pem(...), array_slice($certificates, 1) ?: $certificates)));
            $openssl->run(['openssl', 'verify', '-check_ss_sig', '-partial_chain', '-CAfile', $above, $scratch->put('sealer.pem', self::pem($certificates[0]))]);
        } catch (ToolFailed|SealBroken) {
            return $no('The file was changed after it was sealed.');
        }
        try {
            $openssl->run(['openssl', 'ts', '-verify', '-token_in', '-in', $scratch->put('token.der', $token), '-digest', hash('sha256', $signature), '-CAfile', $above, '-partial_chain']);
        } catch (ToolFailed) {
            return $no('The time stamp of the seal does not hold.');
        }

        return ['valid' => true, 'whole' => true, 'why' => null, 'sealedAt' => self::stampedAt($token)];
    }

    /**
     * What a SignedData of ours is made of (RFC 5652, 5.1 and 5.3).
     *
     * @return array{list<string>, string, string} certificates, the signature, the time-stamp token
     *
     * @throws SealBroken when it is built otherwise
     */
    private static function parts(string $cms): array
    {
        $signed = Der::children(Der::children(Der::children(Der::read($cms)['content'])[1]['content'])[0]['content']);
        if (count($signed) !== 5) {
            throw SealBroken::unreadable();
        }
        $fields = Der::children(Der::children($signed[4]['content'])[0]['content']);
        if (count($fields) !== 7 || $fields[6]['tag'] !== 0xA1) {
            throw SealBroken::unreadable();
        }
        $attribute = Der::children(Der::children($fields[6]['content'])[0]['content']);
        $certificates = array_map(static fn (array $certificate) => $certificate['whole'], Der::children($signed[3]['content']));
        // DER sorts a set; the sealing certificate is the one whose serial number the signer names.
        $serial = Der::children($fields[1]['content'])[1]['whole'];
        usort($certificates, static fn (string $a, string $b) => str_contains(substr($b, 0, 64), $serial) <=> str_contains(substr($a, 0, 64), $serial));

        return [$certificates, $fields[5]['content'], Der::children($attribute[1]['content'])[0]['whole']];
    }

    private static function pem(string $certificate): string
    {
        return "-----BEGIN CERTIFICATE-----\n".chunk_split(base64_encode($certificate), 64, "\n")."-----END CERTIFICATE-----\n";
    }

    /** The time in the token: the GeneralizedTime of its TSTInfo (RFC 3161, 2.4.2). */
    private static function stampedAt(string $token): ?string
    {
        $info = strpos($token, Der::oid('1.2.840.113549.1.9.16.1.4'));
        if ($info === false || preg_match('/\x18.(\d{14})(?:\.\d+)?Z/s', $token, $m, 0, $info) !== 1) {
            return null;
        }
        $at = \DateTimeImmutable::createFromFormat('YmdHis', $m[1], new \DateTimeZone('UTC'));

        return $at === false ? null : $at->format(DATE_ATOM);
    }
}
