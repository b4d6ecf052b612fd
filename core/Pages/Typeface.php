<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * How wide text sets in the face that entries are printed in, so that it can be fitted to its blank.
 */
final class Typeface
{
    /** The family that entries print in; other scripts come from its sister families. */
    public const FAMILY = 'Noto Sans, Noto Sans Arabic, Noto Sans CJK SC, Noto Sans CJK JP, sans-serif';

    private const REGULAR = '/usr/share/fonts/truetype/noto/NotoSans-Regular.ttf';

    /** @var array<string, float> width of each character seen, in em */
    private static array $em = [];

    /** The width in points of a text at a size. */
    public static function width(string $text, float $size): float
    {
        $sum = 0.0;
        foreach (mb_str_split($text) as $character) {
            $sum += self::$em[$character] ??= self::measure($character);
        }

        return $sum * $size;
    }

    /** @return list<string> the text in lines no wider than that, broken where its language allows, inside a word when it must */
    public static function wrap(string $text, float $size, float $width): array
    {
        $lines = [];
        foreach (explode("\n", $text) as $paragraph) {
            $line = '';
            foreach (self::pieces($paragraph) as $piece) {
                $units = self::width(rtrim($piece), $size) > $width ? mb_str_split($piece) : [$piece];
                foreach ($units as $unit) {
                    if ($line !== '' && self::width(rtrim($line.$unit), $size) > $width) {
                        $lines[] = rtrim($line);
                        $line = '';
                    }
                    $line .= $unit;
                }
            }
            $lines[] = rtrim($line);
        }

        return $lines;
    }

    /** @return list<string> */
    private static function pieces(string $paragraph): array
    {
        $iterator = \IntlBreakIterator::createLineInstance('en');
        if ($iterator === null) {
            return explode(' ', $paragraph);
        }
        $iterator->setText($paragraph);

        return iterator_to_array($iterator->getPartsIterator(), false);
    }

    private static function measure(string $character): float
    {
        $code = mb_ord($character);
        if ($code >= 0x2E80 && $code <= 0xFFEF) {
            return 1.0;
        }
        if (! is_file(self::REGULAR) || ! function_exists('imagettfbbox')) {
            return 0.58;
        }
        // The box of one glyph leaves out its side bearings; the difference of two runs does not.
        $two = imagettfbbox(100, 0, self::REGULAR, "x{$character}{$character}x") ?: [0, 0, 0];
        $none = imagettfbbox(100, 0, self::REGULAR, 'xx') ?: [0, 0, 0];

        return max(0.0, ($two[2] - $none[2]) / 2 / 133.3333);
    }
}
