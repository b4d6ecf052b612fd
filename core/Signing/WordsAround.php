<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;

/**
 * Who is named over a line, or in the sentence that it stands in.
 *
 * @internal to its area
 */
final readonly class WordsAround
{
    /** Words of one row stand no farther apart, in points. */
    private const GAP = 12.0;

    /** How far over a line the heading of its section may stand, in points. */
    private const SECTION = 200.0;

    /**
     * @param list<SigningLine> $lines from the top
     * @param list<Word> $words
     */
    public function __construct(private array $lines, private array $words)
    {
    }

    /** The nearest line of words over it, in its column, that is nothing but a role. */
    public function heading(SigningLine $line, MarkKind $kind): ?SignerWords
    {
        $place = $line->at->place;
        // Boxes side by side have each their own: "Owner 1 | Owner 2".
        $own = $line->at->by === 'box' ? $this->headingWithin($line, $kind, $place->x - 4, $line->right()) : null;

        return $own ?? $this->headingWithin($line, $kind, $this->beginningOf($line) - 90, $line->right() + 8);
    }

    private function headingWithin(SigningLine $line, MarkKind $kind, float $left, float $right): ?SignerWords
    {
        $place = $line->at->place;
        $rows = [];
        foreach ($this->words as $word) {
            $middle = $word->y + $word->height / 2;
            if (
                $middle < $place->y + $place->height - 6 &&
                $middle > $place->y - 230 &&
                $word->x < $right &&
                $word->right() > $left
            ) {
                $rows[(int) round($middle / 5)][] = $word;
            }
        }
        krsort($rows);
        [$entity, $under] = [null, 0];
        foreach ($rows as $at => $row) {
            if ($entity !== null && $under - $at > 6) {
                return $entity;
            }
            // What stands on the row of another line is that line's label, no heading.
            $middle = array_sum(array_map(static fn (Word $word) => $word->y + $word->height / 2, $row)) / count($row);
            if (array_filter($this->lines, static fn (SigningLine $other) => abs($other->foot() - 5 - $middle) < 9) !== []) {
                continue;
            }
            usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $text = implode(' ', array_map(static fn (Word $word) => $word->text, $row));
            $isShort = count($row) <= 6 && preg_match('/:$/', $text) === 1 && SignerWords::in($text) !== null;
            if ($isShort || SignerWords::isAll($text) || SignerWords::isNamed($text) || SignerWords::act(rtrim($text, ': ').':')) {
                return SignerWords::in($text);
            }
            // "Purchaser's acknowledgment (initial)", however far it reaches over short lines.
            $whole = $kind === MarkKind::Initials ? $this->onward($row) : '';
            if (MarkLabels::isInitials($whole) && SignerWords::in($whole) !== null) {
                return SignerWords::in($whole);
            }
            if ($entity !== null) {
                return $entity;
            }
            // "Greywater Holdings, LLC", then "By: ____": it is signed for them, by whom the row right over that names.
            $owner = MarkLabels::isBy($line->before) ? SignerWords::owner($text) : null;
            [$entity, $under] = [MarkLabels::isBy($line->before) ? SignerWords::entity($text) : null, $at];
            if ($owner !== null || ($entity === null && count($row) > 9)) {
                return $owner;
            }
        }

        return $entity;
    }

    /** Who is named by the heading of the section that a line ends, over what they say in it: "Acceptance by seller". */
    public function section(SigningLine $line): ?SignerWords
    {
        $rows = [];
        foreach ($this->words as $word) {
            $up = $line->foot() - $word->bottom();
            if ($up > 12 && $up < self::SECTION && $word->x > $line->at->place->x - 60 && $word->x < $line->right()) {
                $rows[(int) round($word->bottom() / 5)][] = $word;
            }
        }
        krsort($rows);
        foreach ($rows as $row) {
            usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);
            $text = $this->onward([$row[0]]);
            if (SignerWords::isSection($text)) {
                return SignerWords::in($text);
            }
        }

        return null;
    }

    /**
     * The words of a row with those that follow them without a gap.
     *
     * @param non-empty-list<Word> $row from the left
     */
    private function onward(array $row): string
    {
        $last = end($row);
        $more = array_filter($this->words, static fn (Word $word) => $word->x > $last->x && abs($word->bottom() - $last->bottom()) < 4);
        usort($more, static fn (Word $a, Word $b) => $a->x <=> $b->x);
        foreach ($more as $word) {
            if ($word->x - $last->right() > self::GAP) {
                break;
            }
            $row[] = $last = $word;
        }

        return implode(' ', array_map(static fn (Word $word) => $word->text, $row));
    }

    /** Whom the page has sign below, "The undersigned seller agrees to pay …", where nothing nearer says it. */
    public function undersigned(SigningLine $line): ?SignerWords
    {
        $over = array_filter($this->words, static fn (Word $word) => $word->bottom() < $line->foot() - 4);
        usort($over, static fn (Word $a, Word $b) => [round($a->bottom() / 5), $a->x] <=> [round($b->bottom() / 5), $b->x]);
        $text = implode(' ', array_map(static fn (Word $word) => $word->text, $over));
        preg_match_all('/\bundersigned\s+((?:[\p{L}’\']+\s+)?[\p{L}’\']+)/iu', $text, $m);
        $who = $m[1] === [] ? null : SignerWords::in((string) end($m[1]));

        return $who?->role === null ? null : $who;
    }

    /**
     * Who says it in the sentence that initials stand before or after: "____ Purchaser has received it.", "Seller agrees. Initials: ____".
     *
     * @param array<int, array{MarkKind, float}> $kinds
     */
    public function sentence(int $index, array $kinds): ?SignerWords
    {
        $line = $this->lines[$index];
        if (BlockEntries::isDone($line->after)) {
            return SignerWords::in($line->after);
        }
        for ($at = $index; ($kinds[$at - 1][0] ?? null) === MarkKind::Initials && $this->lines[$at - 1]->isBeside($line); $at--);
        $says = $this->left($at);

        return BlockEntries::isDone($says) || (MarkLabels::isInitials($says) && SignerWords::begin($says)) ? SignerWords::in($says) : null;
    }

    /** "Broker: Quillmark Realty   By: ____": whom somebody signs for, in the words of its row. */
    public function owner(int $index): ?SignerWords
    {
        return SignerWords::owner((string) preg_replace('/\s*\bby\W*$/iu', '', $this->left($index)));
    }

    /** Where a row begins in which nothing but check boxes stands before a line. */
    private function beginningOf(SigningLine $line): float
    {
        $x = $line->at->place->x;
        $isOpen = $line->before === '' && ! $line->isCell();
        foreach ($isOpen ? $this->lines : [] as $other) {
            if ($other !== $line && $other->isBeside($line) && $other->at->place->x < $x) {
                return $x;
            }
        }
        foreach ($isOpen ? $this->words : [] as $word) {
            abs($word->bottom() - $line->foot()) < 6 && ($x = min($x, $word->x));
        }

        return $x;
    }

    /** All that stands left of a line on its row, up to the line before it. */
    private function left(int $index): string
    {
        $line = $this->lines[$index];
        $before = $this->lines[$index - 1] ?? null;
        $from = $before !== null && $before->isBeside($line) ? $before->right() : 0.0;
        $row = array_filter(
            $this->words,
            static fn (Word $word) => $word->right() < $line->at->place->x + 3 && $word->x >= $from &&
                abs($word->bottom() - $line->foot()) < 6,
        );
        usort($row, static fn (Word $a, Word $b) => $a->x <=> $b->x);

        return implode(' ', array_map(static fn (Word $word) => $word->text, $row));
    }
}
