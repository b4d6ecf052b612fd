<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;

/**
 * A page's words in the order they are read, with the place of each: rows from the top, a wide gap in a row as a tab, the end of a row
 * as a line's end.
 */
final readonly class RunningText
{
    /** Wider than between two words of one sentence, in the height of its words. */
    private const GAP = 1.2;

    /** @param  list<array{int, int, Word}>  $at  where in the text each word begins and ends, in bytes */
    private function __construct(public string $text, private array $at)
    {
    }

    /** @param  list<Word>  $words */
    public static function of(array $words): self
    {
        $text = '';
        $at = [];
        foreach (self::rows($words) as $row) {
            $last = null;
            foreach ($row as $word) {
                // What is filled in between underscores.
                $said = trim($word->text, '_');
                if ($said === '') {
                    continue;
                }
                $isWide = $last !== null && $word->x - $last->right() > self::GAP * max(6.0, $word->height);
                $text .= $last === null ? ($text === '' ? '' : "\n") : ($isWide ? "\t" : ' ');
                $at[] = [strlen($text), strlen($text) + strlen($said), $word];
                $text .= $said;
                $last = $word;
            }
        }

        return new self($text, $at);
    }

    /** Where the words stand that some of the text comes from; those of its first row. */
    public function place(int $from, int $to): Rect
    {
        $words = [];
        foreach ($this->at as [$begin, $end, $word]) {
            $begin < $to && $end > $from && ($words[] = $word);
        }
        $first = $words[0] ?? null;
        if ($first === null) {
            return new Rect(0, 0, 0, 0);
        }
        $right = $first->right();
        foreach ($words as $word) {
            $right = abs($word->y - $first->y) < 5 ? max($right, $word->right()) : $right;
        }

        return new Rect($first->x, $first->y, $right - $first->x, $first->height);
    }

    /**
     * @param list<Word> $words
     * @return list<list<Word>> from the top, each from the left
     */
    private static function rows(array $words): array
    {
        usort($words, static fn (Word $a, Word $b) => $a->bottom() <=> $b->bottom());
        $rows = [];
        foreach ($words as $word) {
            $last = count($rows) - 1;
            if ($last >= 0 && $word->bottom() - $rows[$last][0]->bottom() < 0.45 * max(6.0, $word->height)) {
                $rows[$last][] = $word;
            } else {
                $rows[] = [$word];
            }
        }
        foreach ($rows as &$row) {
            usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        }

        return $rows;
    }
}
