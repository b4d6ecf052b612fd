<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\Press;
use Unanimus\Terms\Kind;

/**
 * What is filled in, drawn page by page: shown over the page on the screen and printed over it on paper.
 */
final class FilledPages
{
    /**
     * What is filled in, with what was put over the printed pages by hand.
     *
     * @param list<LayerPiece> $pieces
     * @return array<int, Drawing> by page, from 1; only pages with something on them
     */
    public static function draw(Form $form, Filling $filling, array $pieces = []): array
    {
        $drawings = [];
        $printed = Continuation::shortened($form, $filling);
        foreach ($form->blanks as $blank) {
            if (! isset($printed[$blank->name])) {
                continue;
            }
            $drawing = $drawings[$blank->page] ??= new Drawing(...$form->pages[$blank->page - 1]);
            $blank->kind === Kind::Tick
                ? $drawing->cross($blank->place)
                : $drawing->entry($blank->place, $printed[$blank->name], $blank->kind === Kind::Lines);
        }

        return LayerPiece::draw($pieces, $drawings, $form->pages);
    }

    /**
     * The form as PDF with what is filled in, and a continuation page where a text is too long for its blank.
     *
     * @param list<LayerPiece> $pieces
     * @return string the bytes
     *
     * @throws \Unanimus\Pages\ToolFailed when the pages cannot be drawn
     */
    public static function pdf(Form $form, Filling $filling, Press $press, array $pieces = []): string
    {
        $pdf = $press->drawOver($form->pdf, self::draw($form, $filling, $pieces));
        $more = Continuation::pages($form, $filling);

        return $more === [] ? $pdf : $press->append($pdf, $press->print($more));
    }
}
