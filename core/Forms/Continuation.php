<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Typeface;
use Unanimus\Terms\Kind;

/**
 * Texts that are too long for their blanks: the blank says where they go on, the continuation page has the whole of them.
 */
final class Continuation
{
    /** Smaller than this nobody reads it, in points. */
    private const LEAST = 5.0;

    private const WIDTH = 612.0;

    private const HEIGHT = 792.0;

    private const MARGIN = 56.0;

    /** @return array<string, int> the number under which each text goes on, by blank */
    public static function numbers(Form $form, Filling $filling): array
    {
        $numbers = [];
        $printed = $filling->printed();
        foreach ($form->blanks as $blank) {
            $text = $printed[$blank->name] ?? '';
            if (
                $text !== '' &&
                $blank->kind !== Kind::Tick &&
                ! Drawing::fits($blank->place, $text, $blank->kind === Kind::Lines, self::LEAST)
            ) {
                $numbers[$blank->name] = count($numbers) + 1;
            }
        }

        return $numbers;
    }

    /** @return array<string, string> what prints in each blank, long texts cut with the number under which they go on */
    public static function shortened(Form $form, Filling $filling): array
    {
        $printed = $filling->printed();
        foreach (self::numbers($form, $filling) as $name => $number) {
            $blank = $form->blank($name);
            $blank === null ||
                ($printed[$name] = self::beginning($blank->place, $printed[$name], $blank->kind === Kind::Lines, " … ({$number})"));
        }

        return $printed;
    }

    /** @return list<Drawing> the pages the whole texts stand on; none when all fit */
    public static function pages(Form $form, Filling $filling): array
    {
        $numbers = self::numbers($form, $filling);
        $pages = [];
        $y = self::HEIGHT;
        $page = null;
        foreach ($numbers as $name => $number) {
            $label = $form->blank($name)->label ?? $name;
            $lines = [
                ['('.$number.') '.$label, true],
                ...array_map(
                    static fn (string $line) => [$line, false],
                    Typeface::wrap($filling->printed()[$name], 9.5, self::WIDTH - 2 * self::MARGIN),
                ),
                ['', false],
            ];
            foreach ($lines as [$line, $heading]) {
                if ($page === null || $y > self::HEIGHT - self::MARGIN - 20) {
                    $page = self::sheet($form, count($pages) + 1);
                    $pages[] = $page;
                    $y = 118.0;
                }
                $page->text(self::MARGIN, $y, $heading ? 10.5 : 9.5, $line, weight: $heading ? 'bold' : 'normal');
                $y += 14;
            }
        }

        return $pages;
    }

    private static function sheet(Form $form, int $number): Drawing
    {
        return (new Drawing(self::WIDTH, self::HEIGHT))
            ->text(self::MARGIN, 64, 15, 'Continuation', weight: 'bold')
            ->text(
                self::MARGIN,
                80,
                8.5,
                "This page is part of {$form->number} rev. {$form->revision}, {$form->title}. What was too long for its space ".
                    'continues here.',
                fill: '#444444',
            )
            ->line(self::MARGIN, 88, self::WIDTH - self::MARGIN, 88, 1.2, '#222222')
            ->text(self::MARGIN, self::HEIGHT - 24, 7, "{$form->number} · continuation, page {$number}", fill: '#555555');
    }

    /** As many words as fit with the reference after them; nothing but the reference where not one does. */
    private static function beginning(Rect $place, string $text, bool $lines, string $reference): string
    {
        $words = preg_split('/\s+/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        [$fits, $beyond] = [0, count($words)];
        while ($beyond - $fits > 1) {
            $middle = intdiv($fits + $beyond, 2);
            Drawing::fits($place, implode(' ', array_slice($words, 0, $middle)).$reference, $lines, self::LEAST + 1.5)
                ? ($fits = $middle)
                : ($beyond = $middle);
        }

        return ltrim(implode(' ', array_slice($words, 0, $fits)).$reference);
    }
}
