<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\Word;

/**
 * How a page lies over another print of the same: larger or smaller, moved, and here and there pushed down by what was filled in.
 * It rests on words that stand on both.
 *
 * @internal to its area
 */
final readonly class PageFit
{
    private const LEAST_ANCHORS = 5;

    /** So many words around a place say where it went. */
    private const NEAR = 6;

    /** @param  list<array{float, float, float, float}>  $anchors  x and foot of a word on the one and on the other page */
    private function __construct(private array $anchors, private float $scale)
    {
    }

    /**
     * @param list<Word> $from
     * @param list<Word> $to
     * @return self|null null where too few words stand once on both
     */
    public static function between(array $from, array $to): ?self
    {
        $anchors = array_map(
            static fn (array $pair) => [$pair[0]->x, $pair[0]->bottom(), $pair[1]->x, $pair[1]->bottom()],
            self::same(self::printed($from), self::printed($to)),
        );
        if (count($anchors) < self::LEAST_ANCHORS) {
            return null;
        }

        return new self($anchors, self::scale($anchors));
    }

    /** Where a place of the one page is on the other. */
    public function place(Rect $place): Rect
    {
        [$x, $foot] = [$place->x + $place->width / 2, $place->y + $place->height];
        $near = $this->anchors;
        usort($near, static fn (array $a, array $b) => self::distance($a, $x, $foot) <=> self::distance($b, $x, $foot));
        $near = array_slice($near, 0, self::NEAR);
        $dx = self::median(array_map(fn (array $one) => $one[2] - $this->scale * $one[0], $near));
        $dy = self::median(array_map(fn (array $one) => $one[3] - $this->scale * $one[1], $near));
        $height = $place->height * $this->scale;

        return new Rect(
            round($place->x * $this->scale + $dx, 2),
            round($foot * $this->scale + $dy - $height, 2),
            round($place->width * $this->scale, 2),
            round($height, 2),
        );
    }

    /**
     * Words of the one page with the same on the other: those that stand once on both, and from each of them on those that
     * follow and go before alike, "Buyer" and "Date" of each line among them.
     *
     * @param list<array{string, Word}> $from
     * @param list<array{string, Word}> $to
     * @return list<array{Word, Word}>
     */
    private static function same(array $from, array $to): array
    {
        $there = self::once($to);
        $pairs = [];
        foreach (self::once($from) as $text => $at) {
            if (! isset($there[$text])) {
                continue;
            }
            foreach ([1, -1] as $way) {
                for ($i = $at, $j = $there[$text]; isset($from[$i], $to[$j]) && $from[$i][0] === $to[$j][0]; $i += $way, $j += $way) {
                    $pairs[$i] ??= [$from[$i][1], $to[$j][1]];
                }
            }
        }

        return array_values($pairs);
    }

    /**
     * @param list<Word> $words
     * @return list<array{string, Word}>
     */
    private static function printed(array $words): array
    {
        $printed = array_map(static fn (Word $word) => [StencilPage::plain($word->text), $word], $words);

        return array_values(array_filter($printed, static fn (array $one) => $one[0] !== ''));
    }

    /**
     * Where the words are that stand once on a page.
     *
     * @param list<array{string, Word}> $words
     * @return array<string, int>
     */
    private static function once(array $words): array
    {
        $found = [];
        $often = [];
        foreach ($words as $index => [$text]) {
            isset($found["~{$text}"]) && ($often["~{$text}"] = true);
            mb_strlen($text) < 3 || ($found["~{$text}"] = $index);
        }

        return array_diff_key($found, $often);
    }

    /**
     * Told by what stands side by side, since what is filled in pushes words down and hardly ever aside; else by any two.
     *
     * @param list<array{float, float, float, float}> $anchors
     */
    private static function scale(array $anchors): float
    {
        usort($anchors, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        $ratios = self::ratios($anchors, static fn (array $a, array $b) => [abs($b[0] - $a[0]), abs($b[2] - $a[2])]);
        if ($ratios === []) {
            usort($anchors, static fn (array $a, array $b) => $a[1] <=> $b[1]);
            $ratios = self::ratios($anchors, static fn (array $a, array $b) => [
                hypot($b[0] - $a[0], $b[1] - $a[1]),
                hypot($b[2] - $a[2], $b[3] - $a[3]),
            ]);
        }
        $scale = $ratios === [] ? 1.0 : self::median($ratios);

        return $scale > 0.25 && $scale < 4 ? $scale : 1.0;
    }

    /**
     * How much farther words of the one half are from those of the other half than they were.
     *
     * @param list<array{float, float, float, float}> $anchors
     * @param \Closure(array<float>, array<float>): array{float, float} $apart how far two are on the one and on the other page
     * @return list<float>
     */
    private static function ratios(array $anchors, \Closure $apart): array
    {
        $half = intdiv(count($anchors), 2);
        $ratios = [];
        foreach (array_slice($anchors, 0, $half) as $index => $one) {
            [$was, $is] = $apart($one, $anchors[$index + $half]);
            $was > 40 && ($ratios[] = $is / $was);
        }

        return $ratios;
    }

    /** @param  array{float, float, float, float}  $anchor */
    private static function distance(array $anchor, float $x, float $foot): float
    {
        // What stands on the same line or just above says more than what stands beside it far away.
        return hypot(($anchor[0] - $x) / 3, $anchor[1] - $foot);
    }

    /** @param  list<float>  $numbers */
    private static function median(array $numbers): float
    {
        sort($numbers);

        return $numbers === [] ? 0.0 : $numbers[intdiv(count($numbers), 2)];
    }
}
