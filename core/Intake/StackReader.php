<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Pages\PageSkew;
use Unanimus\Pages\PageTurn;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\ScanLook;
use Unanimus\Pages\Word;

/**
 * Reads a stack from the scanner or a merged file: what papers lie in it, which pages lie on their side or head, which are
 * blank. The stack itself stays as it came.
 */
final class StackReader
{
    /** A page with fewer words is a picture of one, or blank. */
    private const WORDS = 5;

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @param (\Closure(int): mixed)|null $each told the number of each page before it is read, as one may take seconds
     *
     * @return array{parts: list<ProposedPart>, turns: array<int, int>, blanks: list<int>, skews: array<int, float>,
     *     texts: array<int, string>, words: array<int, list<Word>>}
     *     turns in degrees clockwise, skews in degrees that lines fall, and what stands on it, by page
     *
     * @throws \Unanimus\Pages\PdfRefused when it is no usable PDF
     * @throws \Unanimus\Pages\ToolFailed when a page cannot be read
     */
    public function read(string $pdf, ?\Closure $each = null): array
    {
        $titles = [];
        foreach ($this->library->all() as $form) {
            /** @var Form $form */
            $titles[$form->number] = $form->title;
        }
        $known = array_keys($titles);
        $said = PageWords::of($pdf);
        $pages = $turns = $blanks = $skews = $texts = $all = [];
        foreach (PdfLook::into($pdf, gate: false)->pages() as $index => $size) {
            $number = $index + 1;
            $each === null || $each($number);
            $words = $said[$number] ?? [];
            $isPicture = count($words) < self::WORDS;
            $isBlank = $isPicture && $words === [] && ScanLook::isBlank($pdf, $number);
            $turn = 0;
            if ($isPicture && ! $isBlank) {
                [$turn, $read] = ScanLook::read($pdf, $number);
                $words = count($read) > count($words) ? $read : $words;
                $skew = PageSkew::ofWords($read);
                $skew === 0.0 || ($skews[$number] = $skew);
            } elseif (! $isBlank) {
                $turn = PageTurn::ofWords($words);
                $words = self::upright($words, $turn, $size);
            }
            $turn === 0 || ($turns[$number] = $turn);
            $isBlank && ($blanks[] = $number);
            $texts[$number] = implode(' ', array_map(static fn (Word $word) => $word->text, $words));
            $all[$number] = $words;
            $pages[$number] = StackPage::of($words, $isBlank, $turn % 180 === 0 ? $size : [$size[1], $size[0]], $known);
        }

        $parts = StackProposal::of($pages, $titles);

        return ['parts' => $parts, 'turns' => $turns, 'blanks' => $blanks, 'skews' => $skews, 'texts' => $texts, 'words' => $all];
    }

    /**
     * Where words stand once their page is turned.
     *
     * @param list<Word> $words
     * @param array{float, float} $size
     * @return list<Word>
     */
    private static function upright(array $words, int $turn, array $size): array
    {
        [$width, $height] = $size;

        return $turn === 0 ? $words : array_map(
            static fn (Word $word) => match ($turn) {
                90 => new Word($word->text, $height - $word->bottom(), $word->x, $word->height, $word->width),
                180 => new Word($word->text, $width - $word->right(), $height - $word->bottom(), $word->width, $word->height),
                default => new Word($word->text, $word->y, $width - $word->right(), $word->height, $word->width),
            },
            $words,
        );
    }
}
