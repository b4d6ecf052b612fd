<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\ToolFailed;
use Unanimus\Signing\MarkKind;

/**
 * Places of a form in which a paper that came back has nothing: signatures, initials, dates, and required blanks. Only ink is
 * looked for; whose it is nobody says.
 */
final readonly class UnwrittenPlaces
{
    /** Kinds that somebody writes by hand. */
    private const KINDS = [MarkKind::Signature, MarkKind::Initials, MarkKind::Date];

    /**
     * @param string $form its number
     * @param array<int, int> $pages by page of the form, the page of the paper
     * @param list<array{mark: MarkPlace, page: int}> $marks without ink, with the page of the paper
     * @param list<array{blank: string, page: int}> $blanks required ones without ink
     * @param list<int> $unlike pages of the paper that do not lie on their page of the form, and were not looked at
     */
    private function __construct(
        public string $form,
        public string $revision,
        public array $pages,
        public array $marks,
        public array $blanks,
        public array $unlike,
    ) {
    }

    /**
     * Looks at a paper whose pages are known to be those of a form.
     *
     * @param array<int, int> $pages by page of the form, the page of the paper
     */
    public static function of(string $pdf, Form $form, array $pages): self
    {
        $marks = $blanks = $unlike = [];
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
        }

        return new self($form->number, $form->revision, $pages, $marks, $blanks, $unlike);
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
        );
    }
}
