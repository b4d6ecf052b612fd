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

    /** Blocks of characters whose widths are kept: Latin with all its accents, Greek, Cyrillic, punctuation, signs of money. */
    public const KEPT = [
        [0x20, 0x7E],
        [0xA0, 0x24F],
        [0x370, 0x45F],
        [0x1E00, 0x1EFF],
        [0x2010, 0x2044],
        [0x20A0, 0x20BF],
        [0x2116, 0x2122],
    ];

    /** @var array<int|string, int>|null width of each character in thousandths of an em: those kept, and those met since */
    private static ?array $widths = null;

    /** The width in points of a text at a size. */
    public static function width(string $text, float $size): float
    {
        // Opening the face costs more than a page does: what it says is kept in a file of its own.
        self::$widths ??= require __DIR__.'/widths.php';
        $sum = 0;
        foreach (mb_str_split($text) as $character) {
            $sum += self::$widths[$character] ??= self::measure($character);
        }

        return ($sum * $size) / 1000;
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

    /** The width of a character in thousandths of an em, as the face itself has it. */
    public static function measure(string $character): int
    {
        $code = mb_ord($character);
        if ($code >= 0x2E80 && $code <= 0xFFEF) {
            return 1000;
        }
        if (! is_file(self::REGULAR) || ! function_exists('imagettfbbox')) {
            return 580;
        }
        // At 750 points a thousandth is one dot. The box of one glyph leaves out its side bearings; the difference of two runs does not.
        $two = imagettfbbox(750, 0, self::REGULAR, "x{$character}{$character}x") ?: [0, 0, 0];
        $none = imagettfbbox(750, 0, self::REGULAR, 'xx') ?: [0, 0, 0];

        return max(0, intdiv($two[2] - $none[2], 2));
    }
}
