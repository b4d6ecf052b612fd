<?php

declare(strict_types=1);

namespace App\Bench;

use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkFinder;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\Seat;

/** How many places to sign are found on the library's own forms, as they are and scanned, held against what their makers meant. */
final class Proposals
{
    private const KINDS = [MarkKind::Signature, MarkKind::Initials, MarkKind::Date];

    private int $meant = 0;

    private int $found = 0;

    private int $right = 0;

    private int $proposed = 0;

    private int $false = 0;

    private int $pages = 0;

    private float $milliseconds = 0.0;

    /**
     * @param list<string> $numbers of forms; empty for all
     * @return string the figures, in a line
     */
    public static function of(Library $library, array $numbers = [], bool $scanned = false): string
    {
        $score = new self();
        foreach ($library->all() as $form) {
            if ($form->marks !== [] && ($numbers === [] || in_array($form->number, $numbers, true))) {
                $score->measure($form, $scanned);
            }
        }

        return sprintf(
            '%.1f %% of %d found, %.1f %% of the right kind and seat, %.1f %% false, %.0f ms a page',
            100 * $score->found / max(1, $score->meant),
            $score->meant,
            100 * $score->right / max(1, $score->meant),
            100 * $score->false / max(1, $score->proposed),
            $score->milliseconds / max(1, $score->pages),
        );
    }

    private function measure(Form $form, bool $scanned): void
    {
        $scratch = new Scratch();
        $seats = array_values(array_unique(array_map(static fn (MarkPlace $mark) => (string) $mark->seat, $form->marks)));
        $pdf = $scanned ? self::scan($form->pdf, $scratch) : $form->pdf;
        $start = hrtime(true);
        $found = array_values(
            array_filter(
                MarkFinder::in($pdf, array_map(Seat::of(...), $seats), scans: $scanned),
                static fn (ProposedMark $one) => in_array($one->kind, self::KINDS, true),
            ),
        );
        $this->milliseconds += (hrtime(true) - $start) / 1e6;
        $this->pages += count($form->pages);
        $this->proposed += count($found);
        $meant = array_filter($form->marks, static fn (MarkPlace $mark) => in_array($mark->kind, self::KINDS, true));
        foreach ($meant as $mark) {
            $there = array_filter($found, static fn (ProposedMark $one) => self::isThere($one, $mark));
            $right = array_filter(
                $there,
                static fn (ProposedMark $one) => $one->kind === $mark->kind && (string) $one->seat === (string) $mark->seat,
            );
            $this->meant++;
            $this->found += $there === [] ? 0 : 1;
            $this->right += $right === [] ? 0 : 1;
        }
        foreach ($found as $one) {
            $this->false += array_filter($form->marks, static fn (MarkPlace $mark) => self::isThere($one, $mark)) === [] ? 1 : 0;
        }
    }

    private static function isThere(ProposedMark $one, MarkPlace $mark): bool
    {
        return $one->page === $mark->page && $one->place->overlaps($mark->place);
    }

    private static function scan(string $pdf, Scratch $scratch): string
    {
        $tool = new NativeTool(60);
        $tool->run(['pdftocairo', '-png', '-gray', '-r', '200', $pdf, $scratch->path('page')]);
        $pictures = glob($scratch->path('page').'*.png') ?: [];
        $tool->run(['img2pdf', ...$pictures, '-o', $scratch->path('scan.pdf')]);

        return $scratch->path('scan.pdf');
    }
}
