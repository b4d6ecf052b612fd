<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use App\Terms\FactBook;
use Unanimus\Files\MadeBy;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Pages\PageText;
use Unanimus\Pages\Word;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\Kind;

/** A paper as running text: what is printed on it, what its empty blanks are for, what is ticked, who signs where. */
final class PaperText
{
    /**
     * @param string $pdf path of its pages
     * @return array<int, list<string>> paragraphs by page
     */
    public static function of(Paper $paper, string $pdf): array
    {
        $form = $paper->latest?->made_by === MadeBy::Uploaded ? null : $paper->form();
        $values = $form === null ? null : self::values($paper, $form);

        $pages = PageText::of(
            $pdf,
            $form === null || $values === null ? [] : self::unprinted($form, $values, $paper->latest?->made_by === MadeBy::Signed),
        );

        return $form === null
            ? $pages
            : array_map(static fn (array $page) => self::headed($page, array_column($form->sections, 'title')), $pages);
    }

    /**
     * Headings on lines of their own.
     *
     * @param list<string> $paragraphs
     * @param list<string> $headings
     * @return list<string>
     */
    private static function headed(array $paragraphs, array $headings): array
    {
        $all = [];
        foreach ($paragraphs as $paragraph) {
            foreach ($headings as $heading) {
                if (str_starts_with($paragraph, "{$heading} ")) {
                    $all[] = $heading;
                    $paragraph = substr($paragraph, strlen($heading) + 1);
                    break;
                }
            }
            $all[] = $paragraph;
        }

        return $all;
    }

    /** @return array<string, string>|null what stands in its blanks; null: it was not kept */
    private static function values(Paper $paper, Form $form): ?array
    {
        if ($paper->isDraft()) {
            return array_map(
                static fn ($filled) => $filled->value,
                Filling::of($form, $paper->entries(), FactBook::of($paper->file))->blanks,
            );
        }

        return $paper->latest?->read()->form?->values;
    }

    /**
     * @param array<string, string> $values
     * @return array<int, list<Word>>
     */
    private static function unprinted(Form $form, array $values, bool $signed): array
    {
        $words = [];
        foreach ($form->blanks as $blank) {
            $value = $values[$blank->name] ?? '';
            $says = match (true) {
                $blank->kind === Kind::Tick => $value === '' ? '(not checked)' : '(checked)',
                $value === '' => "({$blank->label}: left blank)",
                default => null,
            };
            $says === null ||
                ($words[$blank->page][] = new Word(
                    $says,
                    $blank->place->x,
                    $blank->place->y + $blank->place->height - 10,
                    $blank->place->width,
                    9,
                ));
        }
        foreach ($signed ? [] : $form->marks as $mark) {
            $who = $mark->seat->label();
            $says = match ($mark->kind) {
                MarkKind::Signature => "({$who} signs here)",
                MarkKind::Initials => "({$who} initials here)",
                MarkKind::Date => "(date {$who} signs)",
                default => "({$mark->kind->label()} of {$who})",
            };
            $words[$mark->page][] = new Word($says, $mark->place->x, $mark->place->y + $mark->place->height - 10, $mark->place->width, 9);
        }

        return $words;
    }
}
