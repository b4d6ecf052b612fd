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

    /** So many forms are named in a list only. */
    private const LISTED = 3;

    /** What a page says is attached to its paper; check boxes are read as letters. */
    private const ATTACHED = '/\battach(?:ed|ments?)\b:?(?:\W*(?:\w{1,2}\W+)?\b[A-Z]{1,4}-?\d{1,4}\b(?!\W{0,6}rev\b))+/iu';

    /** How much taller than the text a heading is. */
    private const TALLER = 1.22;

    /** So many words on one line are no title, and what stands under them is none of a paper. */
    private const SENTENCE = 9;

    /** Wider than between two words of one line. */
    private const GAP = 60.0;

    /** How a letter begins, after whom it is from and to. */
    private const LETTER = '/^.{0,500}?\b(?:dear (?:\p{Lu}|sir|madam|all|both|buyers?|sellers?)|to whom it may concern)|'.
        '^.{0,120}?\b\d{1,2}, \d{4}\b.{0,200}?\bre:\s/isu';

    /** An email as it is printed, and its subject. */
    private const PRINTED_EMAIL = '/^.{0,60}?\bfrom:.{3,160}?\b(?:sent|date):.{3,80}?\bto:.{3,400}?\bsubject:\s*([^\n]{3,80})/isu';

    /** What a paper calls itself on a line of its own, however that is set. */
    private const CALLED = '/\b(?:invoice|receipt|estimate|statement|report|certificate|affidavit|agreement|contract|addendum|amendment|'.
        'disclosure|notice|deed|policy|commitment|survey|appraisal|authorization|acknowledg\w+|application|checklist|release|waiver|'.
        'counteroffer|lease|warranty|proposal|quotation|questionnaire|advisory)s?\b/iu';

    /** How a letter ends. */
    private const REGARDS = '/\b(?:sincerely|(?:kind|best|warm)(?:est)? regards|regards|yours truly|respectfully)\b.{0,140}$/isu';

    /** What is set as a title in the middle of a paper or on its last page, and begins none. */
    private const CLOSING = '/^\W*(?:(?:section|article|part|paragraph|clause|chapter)\s+(?:\d|[ivx]+\b)|\d{1,2}\.\s|[ivx]{1,4}\.\s|'.
        'in witness|signatures?\W*$|signature pages?|execut(?:ed|ion)|continued|page \w+\W*$)|'.
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
     * @param float $left how far from the left its text begins, in points
     * @param float $usual how tall its words are, in points; 0: not known
     * @param string $first its first line
     */
    public function __construct(
        public string $form,
        public ?int $page,
        public ?int $count,
        public string $heading,
        public string $text,
        public bool $isBlank,
        public string $shape,
        public float $left = 0.0,
        public float $usual = 0.0,
        public string $first = '',
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
        $lines = self::lines($words);

        return new self(
            self::form($text, $known),
            $page,
            $count,
            self::heading($words),
            $text,
            $isBlank,
            sprintf('%.0fx%.0f', round($size[0] / 12), round($size[1] / 12)),
            self::middle(array_map(static fn (array $line) => $line[0]->x, $lines)),
            self::middle(array_map(static fn (Word $word) => $word->height, $words)),
            implode(' ', array_map(static fn (Word $word) => $word->text, $lines[0] ?? [])),
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

    /** Whether a letter begins on it, or an email that was printed. */
    public function beginsLetter(): bool
    {
        return preg_match(self::LETTER, $this->text) === 1 || preg_match(self::PRINTED_EMAIL, $this->text) === 1;
    }

    /** Whether a letter ends on it. */
    public function endsLetter(): bool
    {
        return preg_match(self::REGARDS, $this->text) === 1;
    }

    /** Whether its text is set as another's: only what begins elsewhere and is taller or less tall is set otherwise. */
    public function isSetLike(self $other): bool
    {
        return min($this->usual, $other->usual) <= 0.0 || abs($this->left - $other->left) < 12.0 ||
            max($this->usual, $other->usual) < 1.07 * min($this->usual, $other->usual);
    }

    /** @param  list<string>  $known */
    private static function form(string $text, array $known): string
    {
        foreach ([mb_substr($text, -self::FOOT), mb_substr($text, 0, self::HEAD)] as $edge) {
            $edge = (string) preg_replace(self::ATTACHED, '', $edge);
            // Letters that stand for digits where a page was read from a picture.
            preg_match_all('/\b([A-Z]{1,4})[-–—~ ]{0,2}([\dTIlOSZ]{1,4})\b/u', $edge, $found, PREG_SET_ORDER);
            $named = [];
            foreach ($found as [, $letters, $digits]) {
                $number = "{$letters}-".strtr($digits, ['T' => '1', 'I' => '1', 'l' => '1', 'O' => '0', 'S' => '5', 'Z' => '2']);
                in_array($number, $known, true) && ($named[] = $number);
            }
            // Many beside each other are a list of what is attached; the page's own number may not have been read.
            $isList = count(array_unique($named)) >= self::LISTED && preg_match('/\brev\b/iu', $edge) !== 1;
            if ($named !== [] && ! $isList) {
                return $named[count($named) - 1];
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
        $usual = self::middle(array_map(static fn (Word $word) => $word->height, $words));
        $top = min(array_map(static fn (Word $word) => $word->y, $words));
        // The first lines from the top; a title may come after a letterhead.
        $lines = self::lines(array_values(array_filter($words, static fn (Word $word) => $word->y <= $top + 150)));
        $first = implode(' ', array_map(static fn (Word $word) => $word->text, $lines[0] ?? []));
        $text = implode(' ', array_map(static fn (Word $word) => $word->text, $words));
        if (preg_match(self::PRINTED_EMAIL, $text) === 1) {
            return self::subject($lines);
        }
        $isHead = preg_match('/\p{L}{4,}/u', $first) === 1 && preg_match('/^\W*dear\b/i', $first) !== 1;
        if (preg_match(self::LETTER, $text) === 1 && $isHead) {
            return mb_strimwidth($first, 0, 80, '…');
        }
        foreach (array_slice($lines, 0, 6) as $line) {
            $said = trim(implode(' ', array_map(static fn (Word $word) => $word->text, $line)));
            $tall = array_sum(array_map(static fn (Word $word) => $word->height, $line)) / count($line) > self::TALLER * $usual;
            $letters = (string) preg_replace('/[^\p{L}]/u', '', $said);
            $isLoud = mb_strlen($letters) >= 8 && mb_strtoupper($letters) === $letters;
            // A line of a text is none, however tall it was read; nor is a check box with what it is for: "L]buyer".
            $isText = preg_match('/^\w?[\]\[|}{]|^\W*\p{Ll}|\p{Ll}{3,} .*\p{Ll}\.$|,$|^\W*dear\b/u', $said) === 1;
            $isCalled = count($line) <= 7 && preg_match(self::CALLED, $said) === 1 && preg_match('/^[^\p{L}\d]*\p{Lu}/u', $said) === 1 &&
                preg_match('/[.,;:]\W*$|\(/u', $said) !== 1;
            if (($tall || $isLoud || $isCalled) && ! $isText && mb_strlen($letters) >= 4 && count($line) <= 12) {
                return preg_match(self::CLOSING, $said) === 1 ? '' : mb_strimwidth($said, 0, 80, '…');
            }
            if (count($line) >= self::SENTENCE && preg_match('/\p{Ll}{3,} \p{Ll}{2,}/u', $said) === 1) {
                return '';
            }
        }

        return '';
    }

    /**
     * What a printed email is about.
     *
     * @param list<non-empty-list<Word>> $lines
     */
    private static function subject(array $lines): string
    {
        foreach ($lines as $line) {
            $said = implode(' ', array_map(static fn (Word $word) => $word->text, $line));
            if (preg_match('/^\W*subject:\s*(\S.+)$/iu', $said, $m) === 1) {
                return mb_strimwidth($m[1], 0, 80, '…');
            }
        }

        return '';
    }

    /**
     * Words in lines from the top, each from the left; on a scan that lies askew a line rises or falls.
     *
     * @param list<Word> $words
     * @return list<non-empty-list<Word>>
     */
    private static function lines(array $words): array
    {
        usort($words, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        $lines = [];
        foreach ($words as $word) {
            [$best, $least] = [null, 0.5];
            foreach ($lines as $at => $line) {
                $last = $line[count($line) - 1];
                $off = abs($last->y + $last->height / 2 - $word->y - $word->height / 2) / max(1.0, $last->height, $word->height);
                $off < $least && $word->x - $last->right() < self::GAP && ([$best, $least] = [$at, $off]);
            }
            $best === null ? ($lines[] = [$word]) : ($lines[$best][] = $word);
        }
        usort($lines, static fn (array $a, array $b) => $a[0]->bottom() <=> $b[0]->bottom());

        return $lines;
    }

    /** @param  list<float>  $numbers */
    private static function middle(array $numbers): float
    {
        sort($numbers);

        return $numbers[intdiv(count($numbers), 2)] ?? 0.0;
    }
}
