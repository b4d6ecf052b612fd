<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A paper as it goes into a PDF together with others.
 */
final readonly class SetPart
{
    /**
     * @param string $pdf its path
     * @param int|null $pages how many of its pages go in, where that is known already
     * @param list<int> $only which pages, from 1; none named: all of them
     * @param list<Bookmark> $sections its headings, each with the page of the whole paper it is on
     * @param string $note what was left out, in words
     */
    public function __construct(
        public string $title,
        public string $pdf,
        public ?int $pages = null,
        public array $only = [],
        public array $sections = [],
        public string $note = '',
    ) {
    }

    /** As native tools are told it: "1,3,5", or all. */
    public function range(): string
    {
        return $this->only === [] ? '1-z' : implode(',', $this->only);
    }

    /**
     * Its headings that go in, each with its page among those before and its own.
     *
     * @param int $before how many pages stand before it
     * @return list<Bookmark>
     */
    public function sectionsAfter(int $before): array
    {
        $sections = [];
        foreach ($this->sections as $section) {
            $at = $this->only === [] ? $section->page : (int) array_search($section->page, [0, ...$this->only], true);
            $at < 1 || ($sections[] = new Bookmark($section->title, $before + $at));
        }

        return $sections;
    }
}
