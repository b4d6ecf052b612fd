<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * How much a scanned page lies askew, and the page set straight.
 */
final class PageSkew
{
    /** Points along a line before its fall says anything. */
    private const FAR = 120.0;

    /** Degrees from which on it is no carelessness of the scanner. */
    private const MOST = 8.0;

    /**
     * Degrees that its lines fall from left to right; nought where too little stands on it to tell.
     *
     * @param list<Word> $words in reading order
     */
    public static function ofWords(array $words): float
    {
        $slopes = [];
        $first = $last = null;
        foreach ($words as $word) {
            $follows = $last !== null && $word->x > $last->x && abs(self::middle($word) - self::middle($last)) < $last->height * 0.8;
            if (! $follows) {
                self::add($slopes, $first, $last);
                $first = $word;
            }
            $last = $word;
        }
        self::add($slopes, $first, $last);
        sort($slopes);
        $degrees = count($slopes) < 3 ? 0.0 : rad2deg(atan($slopes[intdiv(count($slopes), 2)]));

        return abs($degrees) > self::MOST ? 0.0 : round($degrees, 2);
    }

    /**
     * A PDF with pages turned by some degrees about their middle, nothing of them drawn anew.
     *
     * @param array<int, float> $skews degrees that lines fall, by page from 1
     * @return string its bytes
     *
     * @throws PdfRefused when it is no usable PDF
     * @throws EditLost when a page did not arrive
     * @throws ToolFailed when it cannot be written
     */
    public static function straighten(string $pdf, array $skews): string
    {
        $edit = PdfEdit::of($pdf, gate: false);
        foreach ($skews as $number => $degrees) {
            $page = $edit->look->pageDictionary($number);
            [$left, $bottom, $right, $top] = $edit->look->resolve($page->{'/CropBox'} ?? $page->{'/MediaBox'} ?? [0, 0, 612, 792]);
            // Against the fall of its lines, about its middle; however the page is turned, that is the same way round.
            [$cos, $sin] = [cos(deg2rad($degrees)), sin(deg2rad($degrees))];
            [$x, $y] = [($left + $right) / 2, ($bottom + $top) / 2];
            $moved = [$x - $cos * $x + $sin * $y, $y - $sin * $x - $cos * $y];
            $before = $edit->addStream([], sprintf("q %.6F %.6F %.6F %.6F %.4F %.4F cm\n", $cos, $sin, -$sin, $cos, ...$moved));
            $after = $edit->addStream([], "\nQ\n");
            $contents = $page->{'/Contents'} ?? [];
            $streams = is_array($edit->look->resolve($contents)) ? $edit->look->resolve($contents) : [$contents];
            $edit->put($edit->look->pageObject($number), (object) [...(array) $page, '/Contents' => [$before, ...$streams, $after]]);
        }
        $pages = count($edit->look->pages());

        return $edit->write([], static fn (PdfLook $written) => match (true) {
            count($written->pages()) !== $pages => 'a page',
            array_filter(
                array_keys($skews),
                static fn (int $number) => count($written->pageDictionary($number)->{'/Contents'} ?? []) < 3,
            ) !== [] => 'a page set straight',
            default => null,
        });
    }

    /** @param  list<float>  $slopes */
    private static function add(array &$slopes, ?Word $first, ?Word $last): void
    {
        if ($first === null || $last === null || $last->x - $first->x < self::FAR) {
            return;
        }
        $slopes[] = (self::middle($last) - self::middle($first)) / ($last->x - $first->x);
    }

    private static function middle(Word $word): float
    {
        return $word->y + $word->height / 2;
    }
}
