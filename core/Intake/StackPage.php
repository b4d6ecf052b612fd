<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\Word;

/**
 * A page of a stack, as far as it says what it belongs to.
 */
final readonly class StackPage
{
    /** Characters at the foot and at the head of a page where it says what it is. */
    private const FOOT = 220;

    private const HEAD = 120;

    /** How much taller than the text a heading is. */
    private const TALLER = 1.22;

    /** So many words on one line are no title, and what stands under them is none of a paper. */
    private const SENTENCE = 9;

    /** What is set as a title on the last page of a paper, and begins none. */
    private const CLOSING = '/^\W*(?:in witness|signatures?\W*$|signature pages?|execut(?:ed|ion)|continued|page \w+\W*$)|'.
        '\bcont(?:inue|[’\'])d\W*$/iu';

    private const NUMBERS = ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8];

    /**
     * @param string $form number of the form it names; empty: none
     * @param int|null $page the number it gives itself; null: none
     * @param int|null $count of how many
     * @param string $heading the title on top of it; empty: it begins in the middle
     * @param string $text all its words
     * @param bool $isBlank whether nothing stands on it
     * @param string $shape its size, rounded
     */
    public function __construct(
        public string $form,
        public ?int $page,
        public ?int $count,
        public string $heading,
        public string $text,
        public bool $isBlank,
        public string $shape,
    ) {
    }

    /**
     * @param list<Word> $words in the order in which they are read, upright
     * @param list<string> $known numbers of the library's forms
     * @param array{float, float} $size
     */
    public static function of(array $words, bool $isBlank, array $size, array $known): self
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', implode(' ', array_map(static fn (Word $word) => $word->text, $words))));
        [$page, $count] = self::number($text);

        return new self(
            self::form($text, $known),
            $page,
            $count,
            self::heading($words),
            $text,
            $isBlank,
            sprintf('%.0fx%.0f', round($size[0] / 12), round($size[1] / 12)),
        );
    }

    /**
     * A page of which only the words are known, and not how they are set.
     *
     * @param list<string> $known numbers of the library's forms
     */
    public static function ofText(string $text, array $known): self
    {
        $plain = trim((string) preg_replace('/\s+/u', ' ', $text));
        [$page, $count] = self::number($plain);

        return new self(self::form($plain, $known), $page, $count, '', $plain, $plain === '', '');
    }

    /** @param  list<string>  $known */
    private static function form(string $text, array $known): string
    {
        foreach ([mb_substr($text, -self::FOOT), mb_substr($text, 0, self::HEAD)] as $edge) {
            // Letters that stand for digits where a page was read from a picture.
            preg_match_all('/\b([A-Z]{1,4})[-–—~ ]{0,2}([\dTIlOSZ]{1,4})\b/u', $edge, $found, PREG_SET_ORDER);
            foreach (array_reverse($found) as [, $letters, $digits]) {
                $digits = strtr($digits, ['T' => '1', 'I' => '1', 'l' => '1', 'O' => '0', 'S' => '5', 'Z' => '2']);
                if (in_array("{$letters}-{$digits}", $known, true)) {
                    return "{$letters}-{$digits}";
                }
            }
            // A form of somebody else, by the revision beside its number.
            if (preg_match('/\b([A-Z]{1,4}-?\d{1,4}[A-Z]?)\b\W{0,6}(?:rev|form|version|v)\b/iu', $edge, $m) === 1) {
                return self::mended(strtoupper($m[1]), $known);
            }
            if (preg_match('/\bform\s+(?:no\.?\s*)?([A-Z]{0,4}-?\d{1,4}[A-Z]?)\b/iu', $edge, $m) === 1) {
                return strtoupper($m[1]);
            }
        }

        return '';
    }

    /**
     * A number that is none, but for one sign is one of the library's, was misread.
     *
     * @param list<string> $known
     */
    private static function mended(string $form, array $known): string
    {
        $near = preg_match('/^[A-Z]{1,3}-\d{1,4}$/', $form) === 1 ? [] : array_values(
            array_filter($known, static fn (string $one) => levenshtein($one, $form) === 1),
        );

        return count($near) === 1 ? $near[0] : $form;
    }

    /** @return array{int|null, int|null} */
    private static function number(string $text): array
    {
        foreach ([mb_substr($text, -self::FOOT), mb_substr($text, 0, self::HEAD)] as $edge) {
            if (preg_match_all('~\b(?:page|pg\.?|p\.)\s*(\d{1,3})\s*(?:of|/|ot|0f)\s*(\d{1,3})\b~iu', $edge, $all, PREG_SET_ORDER) > 0) {
                [, $page, $count] = $all[count($all) - 1];
                if ((int) $page >= 1 && (int) $page <= (int) $count) {
                    return [(int) $page, (int) $count];
                }
            }
        }
        $foot = mb_substr($text, -40);
        if (preg_match('~\b(\d{1,3})\s*(?:of|/)\s*(\d{1,3})\W*$~iu', $foot, $m) === 1 && (int) $m[1] >= 1 && (int) $m[1] <= (int) $m[2]) {
            return [(int) $m[1], (int) $m[2]];
        }
        // Of a number that was not read its count may be.
        if (preg_match('~(?<!\d )\bof\s+(\d{1,3})\W*$~i', $foot, $m) === 1 && (int) $m[1] > 1) {
            return [null, (int) $m[1]];
        }
        if (preg_match('~\bpage\s*(\d{1,3})\W*$|[-–—]\s*(\d{1,3})\s*[-–—]\W*$~iu', $foot, $m) === 1) {
            return [(int) ($m[2] ?? $m[1]) ?: (int) $m[1], null];
        }

        // In a running head, "Home inspection report, p. 2"; not where a sentence speaks of a page.
        $head = mb_substr($text, 0, self::HEAD);
        $own = '~(?<!see |on |to |in |from |and )\b(?:page|pg\.?|p\.)\s?(\d{1,3})\b(?!\s*(?:of|and|to|,|–|-))~i';
        if (preg_match($own, $head, $m) === 1) {
            return [(int) $m[1], null];
        }
        $said = implode('|', array_keys(self::NUMBERS));
        if (preg_match("~^\W*page ({$said})\b|\bpage ({$said})\W*$~iu", $text, $m) === 1) {
            return [self::NUMBERS[strtolower($m[1] !== '' ? $m[1] : $m[2])], null];
        }

        return [null, null];
    }

    /**
     * The first line, where it is set as a title: taller than the text, or in capitals.
     *
     * @param list<Word> $words
     */
    private static function heading(array $words): string
    {
        if ($words === []) {
            return '';
        }
        $heights = array_map(static fn (Word $word) => $word->height, $words);
        sort($heights);
        $usual = $heights[intdiv(count($heights), 2)];
        $top = min(array_map(static fn (Word $word) => $word->y, $words));
        // The first lines from the top; a title may come after a letterhead.
        $lines = [];
        foreach ($words as $word) {
            if ($word->y > $top + 150) {
                continue;
            }
            $lines[(int) round($word->bottom() / max(4.0, $usual * 0.6))][] = $word;
        }
        ksort($lines);
        foreach (array_slice($lines, 0, 6) as $line) {
            usort($line, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $said = trim(implode(' ', array_map(static fn (Word $word) => $word->text, $line)));
            $tall = array_sum(array_map(static fn (Word $word) => $word->height, $line)) / count($line) > self::TALLER * $usual;
            $letters = (string) preg_replace('/[^\p{L}]/u', '', $said);
            $isLoud = mb_strlen($letters) >= 8 && mb_strtoupper($letters) === $letters;
            // A line of a text is none, however tall it was read.
            $isText = preg_match('/^\W*\p{Ll}|\p{Ll}{3,} .*\p{Ll}\.$/u', $said) === 1;
            if (($tall || $isLoud) && ! $isText && mb_strlen($letters) >= 4 && count($line) <= 12) {
                return preg_match(self::CLOSING, $said) === 1 ? '' : mb_strimwidth($said, 0, 80, '…');
            }
            if (count($line) >= self::SENTENCE && preg_match('/\p{Ll}{3,} \p{Ll}{2,}/u', $said) === 1) {
                return '';
            }
        }

        return '';
    }
}
