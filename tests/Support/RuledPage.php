<?php

declare(strict_types=1);

namespace Tests\Support;

use Unanimus\Forms\Proposal;
use Unanimus\Forms\ProposedBlank;
use Unanimus\Pages\PageRead;
use Unanimus\Pages\PageRules;
use Unanimus\Pages\Word;
use Unanimus\Pages\WritingPlace;
use Unanimus\Signing\PageMarks;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** Pages of words and lines as they are read, made without a file, and what they ask for. */
final class RuledPage
{
    /**
     * A page of 612 by 792 points, from the top: [x, y, "words"] in five points a letter, [left, right, y] a ruled line,
     * [left, top, right, bottom] a frame.
     *
     * @param list<list<float|int|string>> $parts
     * @param list<WritingPlace> $fields
     */
    public static function of(array $parts, array $fields = []): PageRead
    {
        $words = $across = $down = [];
        foreach ($parts as $part) {
            if (count($part) === 4) {
                [$left, $top, $right, $bottom] = array_map(floatval(...), $part);
                array_push($across, [$left, $right, $top], [$left, $right, $bottom]);
                array_push($down, [$top, $bottom, $left], [$top, $bottom, $right]);
            } elseif (is_string($part[2])) {
                array_push($words, ...self::words((float) $part[0], (float) $part[1], $part[2]));
            } else {
                $across[] = array_map(floatval(...), $part);
            }
        }

        return new PageRead(1, 792.0, $words, PageRules::ofLines($across, $down), $fields);
    }

    /**
     * A page as typed: rows of words, five points a letter, and ruled lines where underscores stand; an empty row leaves room.
     *
     * @param list<string> $rows
     */
    public static function typed(array $rows, float $y = 420.0, float $step = 28.0): PageRead
    {
        $parts = [[60, 100, 'This agreement is made between the parties named in it and they sign it here.']];
        foreach ($rows as $row) {
            $x = 60.0;
            preg_match_all('/_{2,}|[^_]+/u', $row, $runs);
            foreach ($runs[0] as $run) {
                $wide = 5.0 * mb_strlen($run);
                $indent = 5.0 * (strlen($run) - strlen(ltrim($run)));
                if ($run[0] === '_') {
                    $parts[] = [$x, $x + $wide, $y];
                } elseif (trim($run) !== '') {
                    $parts[] = [$x + $indent, $y - 9, trim($run)];
                }
                $x += $wide;
            }
            $y += $step;
        }

        return self::of($parts);
    }

    /** @return list<Word> */
    private static function words(float $x, float $y, string $text): array
    {
        $words = [];
        foreach (explode(' ', $text) as $one) {
            $one === '' || ($words[] = new Word($one, $x, $y, 5.0 * mb_strlen($one), 10.0));
            $x += 5.0 * (mb_strlen($one) + 1);
        }

        return $words;
    }

    /**
     * What a page asks for and how sure that is, in hundredths.
     *
     * @param list<string> $seats
     */
    public static function asks(PageRead $page, array $seats = ['buyer.1', 'buyer.2', 'seller.1', 'agent.1']): string
    {
        return implode(', ', array_map(
            static fn (ProposedMark $mark) => sprintf(
                '%s %s %.0f',
                $mark->kind->value,
                $mark->seat ?? rtrim("? {$mark->word}"),
                100 * $mark->sure,
            ),
            PageMarks::on($page, array_map(Seat::of(...), $seats)),
        ));
    }

    /** What blanks a page seems to have: each its kind, what it is called by, and whose or which fact it is. */
    public static function blanks(PageRead $page): string
    {
        return implode(', ', array_map(
            static fn (ProposedBlank $one) => rtrim("{$one->kind->value} “{$one->label}” {$one->binding}"),
            Proposal::on([$page]),
        ));
    }

    /**
     * What a page asks for while one thing on it moves or grows: each step at which it asks for something else.
     *
     * @param \Closure(float): list<list<float|int|string>> $page
     * @param list<string>|null $seats who may sign; null: what its blanks are is asked
     * @return list<string>
     */
    public static function whileChanging(\Closure $page, float $from, float $to, float $step, ?array $seats): array
    {
        [$told, $last] = [[], null];
        for ($at = $from; $at <= $to; $at += $step) {
            $now = $seats === null ? self::blanks(self::of($page($at))) : self::asks(self::of($page($at)), $seats);
            $now === $last || ($told[] = rtrim("{$at}: {$now}"));
            $last = $now;
        }

        return $told;
    }
}
