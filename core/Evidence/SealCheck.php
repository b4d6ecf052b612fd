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
        try {
            (new NativeTool(20))->run([
                'openssl', 'cms', '-verify', '-binary', '-noverify', '-inform', 'DER', '-in', $scratch->put('seal.der', $cms),
                '-content', $scratch->put('content', $content), '-out', $scratch->path('verified'),
            ]);
        } catch (ToolFailed) {
            return $no('The file was changed after it was sealed.');
        }

        return ['valid' => true, 'whole' => true, 'why' => null, 'sealedAt' => self::stampedAt($cms)];
    }

    /** The time in the token: the only GeneralizedTime of a TSTInfo (RFC 3161, 2.4.2) that we write. */
    private static function stampedAt(string $cms): ?string
    {
        $info = strpos($cms, Der::oid('1.2.840.113549.1.9.16.1.4'));
        if ($info === false || preg_match('/\x18.(\d{14})(?:\.\d+)?Z/s', $cms, $m, 0, $info) !== 1) {
            return null;
        }

        $at = \DateTimeImmutable::createFromFormat('YmdHis', $m[1], new \DateTimeZone('UTC'));

        return $at === false ? null : $at->format(DATE_ATOM);
    }
}
