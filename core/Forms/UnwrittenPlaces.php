<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;
use Unanimus\Signing\MarkKind;

/**
 * What ink says of a form that came back: places that have none (signatures, initials, dates, required blanks), and what was
 * changed by hand. Only ink is looked for; whose it is nobody says.
 */
final readonly class UnwrittenPlaces
{
    /** Kinds that somebody writes by hand. */
    private const KINDS = [MarkKind::Signature, MarkKind::Initials, MarkKind::Date];

    /** More changes than these on a page are told as one. */
    private const MOST_CHANGES = 8;

    /**
     * @param string $form its number
     * @param array<int, int> $pages by page of the form, the page of the paper
     * @param list<array{mark: MarkPlace, page: int}> $marks without ink, with the page of the paper
     * @param list<array{blank: string, page: int}> $blanks required ones without ink
     * @param list<int> $unlike pages of the paper that do not lie on their page of the form, and were not looked at
     * @param list<array{page: int, place: Rect|null}> $changed where something was written or struck out that the page has no place
     *                                                          for; null: all over the page
     */
    private function __construct(
        public string $form,
        public string $revision,
        public array $pages,
        public array $marks,
        public array $blanks,
        public array $unlike,
        public array $changed = [],
    ) {
    }

    /**
     * Looks at a paper whose pages are known to be those of a form.
     *
     * @param array<int, int> $pages by page of the form, the page of the paper
     * @param PrintedPaper|null $printed the paper as it was printed for signing, where that is known
     */
    public static function of(string $pdf, Form $form, array $pages, ?PrintedPaper $printed = null): self
    {
        $marks = $blanks = $unlike = $changed = [];
        foreach ($pages as $formPage => $page) {
            try {
                $ink = FormInk::of($form, $formPage, $pdf, $page);
            } catch (ToolFailed) {
                $ink = null;
            }
            if ($ink === null) {
                $unlike[] = $page;

                continue;
            }
            foreach ($form->marks as $mark) {
                $isHere = $mark->page === $formPage && in_array($mark->kind, self::KINDS, true);
                $isHere && ! $ink->isWritten($mark->place) && ($marks[] = ['mark' => $mark, 'page' => $page]);
            }
            foreach ($form->blanksOn($formPage) as $blank) {
                $blank->required && ! $ink->isWritten($blank->place) && ($blanks[] = ['blank' => $blank->name, 'page' => $page]);
            }
            array_push($changed, ...self::changed($ink, $pdf, $page, $form, $formPage, $printed));
        }

        return new self($form->number, $form->revision, $pages, $marks, $blanks, $unlike, $changed);
    }

    /** @return list<array{page: int, place: Rect|null}> */
    private static function changed(FormInk $ink, string $pdf, int $page, Form $form, int $formPage, ?PrintedPaper $printed): array
    {
        if ($printed !== null) {
            try {
                $ink = FormInk::over($printed->pdf, $printed->firstPage + $formPage - 1, $pdf, $page) ?? $ink;
            } catch (ToolFailed) {
                $printed = null;
            }
        }
        $marks = array_filter($form->marks, static fn (MarkPlace $mark) => $mark->page === $formPage);
        // What was printed into a blank is not there to be written over.
        $blanks = array_filter(
            $form->blanksOn($formPage),
            static fn (Blank $blank) => $printed === null || ($printed->values[$blank->name] ?? '') === '',
        );
        $open = array_map(static fn (MarkPlace|Blank $one) => $one->place, [...$marks, ...$blanks]);
        $found = HandChanges::on($ink, $open);

        return count($found) > self::MOST_CHANGES
            ? [['page' => $page, 'place' => null]]
            : array_map(static fn (Rect $place) => ['page' => $page, 'place' => $place], $found);
    }

    /**
     * Which pages of a paper are which of a form, by what their text says of itself; in order, where it says nothing and there are
     * as many.
     *
     * @param array<int, string> $texts by page of the paper
     * @return array<int, int> by page of the form, the page of the paper
     */
    public static function pages(Form $form, array $texts): array
    {
        $pages = [];
        foreach ($texts as $page => $text) {
            $number = PageCheck::number($text);
            if ($number !== null && $number[2] === count($form->pages)) {
                $pages[$number[1]] ??= $page;
            }
        }
        if ($pages === [] && count($texts) === count($form->pages)) {
            foreach (array_keys($texts) as $index => $page) {
                $pages[$index + 1] = $page;
            }
        }
        ksort($pages);

        return $pages;
    }

    /** @return array<string, mixed> as kept */
    public function toArray(): array
    {
        return [
            'form' => $this->form,
            'revision' => $this->revision,
            'pages' => (object) $this->pages,
            'marks' => array_map(static fn (array $one) => [...$one['mark']->toArray(), 'on' => $one['page']], $this->marks),
            'blanks' => array_map(static fn (array $one) => [$one['blank'], $one['page']], $this->blanks),
            'unlike' => $this->unlike,
            'changed' => array_map(static fn (array $one) => ['page' => $one['page'], 'place' => $one['place']?->toArray()], $this
                ->changed),
        ];
    }

    /** @param  array<string, mixed>|null  $kept */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null || ! isset($kept['form']) ? null : new self(
            (string) $kept['form'],
            (string) $kept['revision'],
            array_map(intval(...), (array) $kept['pages']),
            array_map(
                static fn (array $one) => ['mark' => MarkPlace::fromArray($one), 'page' => (int) $one['on']],
                array_values($kept['marks']),
            ),
            array_map(static fn (array $one) => ['blank' => (string) $one[0], 'page' => (int) $one[1]], array_values($kept['blanks'])),
            array_map(intval(...), array_values($kept['unlike'])),
            array_map(
                static fn (array $one) => [
                    'page' => (int) $one['page'],
                    'place' => $one['place'] === null ? null : Rect::fromArray($one['place']),
                ],
                array_values($kept['changed'] ?? []),
            ),
        );
    }
}
