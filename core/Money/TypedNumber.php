<?php

declare(strict_types=1);

namespace Unanimus\Money;

/**
 * A number as Americans type it: commas part thousands and nothing else, a point begins the decimals, a fraction may stand
 * behind the whole. What reads another way is refused with what it would mean, never quietly taken for something else.
 *
 * @link https://www.unicode.org/reports/tr35/tr35-numbers.html#Number_Symbols grouping and decimal signs of en-US
 */
final class TypedNumber
{
    private const FRACTIONS = [
        '½' => '.5',
        '¼' => '.25',
        '¾' => '.75',
        '⅛' => '.125',
        '⅜' => '.375',
        '⅝' => '.625',
        '⅞' => '.875',
        '⅕' => '.2',
        '⅖' => '.4',
        '⅗' => '.6',
        '⅘' => '.8',
    ];

    /**
     * The number as a plain decimal: "-412500.5".
     *
     * @return string|null null when none can be read
     */
    public static function plain(string $typed): ?string
    {
        $text = strtr(trim((string) preg_replace('/[\s\x{00A0}\x{202F}\x{2009}]+/u', ' ', $typed)), ['−' => '-', '–' => '-', '﹣' => '-']);
        $negative = false;
        if (preg_match('/^\((.+)\)$/', $text, $m) === 1) {
            [$negative, $text] = [true, trim($m[1])];
        }
        if (preg_match('/^-\s?(.+)$/', $text, $m) === 1) {
            if ($negative) {
                return null;
            }
            [$negative, $text] = [true, $m[1]];
        }
        $text = self::fraction($text);
        // Thousands parted by commas, or by single blanks as ledgers do, each group of three.
        if (preg_match('/^\d{1,3}(?:,\d{3})+(?:\.\d+)?$/', $text) === 1) {
            $text = str_replace(',', '', $text);
        } elseif (preg_match('/^\d{1,3}(?: \d{3})+(?:\.\d+)?$/', $text) === 1) {
            $text = str_replace(' ', '', $text);
        }
        if (preg_match('/^(\d{1,15})?(?:\.(\d{0,8}))?$/', $text, $m) !== 1 || ($m[1] ?? '').($m[2] ?? '') === '') {
            return null;
        }
        $decimals = $m[2] ?? '';

        return ($negative ? '-' : '').(($m[1] ?? '') === '' ? '0' : $m[1]).($decimals === '' ? '' : ".{$decimals}");
    }

    /** What was probably meant by something that cannot be read, for the one who typed it; empty when nothing comes to mind. */
    public static function meant(string $typed): string
    {
        $text = trim((string) preg_replace('/[\s$%\x{00A0}]+/u', '', $typed));
        if (
            preg_match('/^(-?\d{1,3}(?:\.\d{3})+)(?:,(\d{1,2}))?$/', $text, $m) === 1 ||
            preg_match('/^(-?\d+),(\d{1,2})$/', $text, $m) === 1
        ) {
            $whole = str_replace('.', '', $m[1]);
            $shown = strrev(implode(',', str_split(strrev(ltrim($whole, '-')), 3)));

            return 'If you mean '.
                (str_starts_with($whole, '-') ? '-' : '').
                "{$shown}".
                (isset($m[2]) ? ".{$m[2]}" : '').
                ', write it that way: commas for thousands, a period before cents.';
        }

        return str_contains($text, ',') ? 'Use commas for thousands only: 412,500.' : '';
    }

    /** "2½" and "2 1/2" as "2.5". */
    private static function fraction(string $text): string
    {
        if (preg_match('/^(\d{0,15})\s?([½¼¾⅛⅜⅝⅞⅕⅖⅗⅘])$/u', $text, $m) === 1) {
            return ($m[1] === '' ? '0' : $m[1]).self::FRACTIONS[$m[2]];
        }
        if (preg_match('#^(?:(\d{1,15})[ -])?(\d{1,3})/(\d{1,3})$#', $text, $m) === 1 && (int) $m[3] > 0 && (int) $m[2] < (int) $m[3]) {
            // Only what has an end: a third is no number one can pay.
            $part = (int) $m[2] * 100_000_000;

            return $part % (int) $m[3] !== 0
                ? $text
                : ($m[1] === '' ? '0' : $m[1]).rtrim(sprintf('.%08d', intdiv($part, (int) $m[3])), '0');
        }

        return $text;
    }
}
