<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Pages on the sorting table that become one paper: in their order, with the name and the place it gets.
 */
final readonly class TablePart
{
    /**
     * @param string $key what it is called for as long as it lies on the table
     * @param string $title empty: as proposed
     * @param string $file key of the file it goes into; empty: the table's own
     * @param string $row key of the row of that file it goes to; "own": a paper of its own; empty: as proposed
     * @param list<TablePage> $pages
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $file,
        public string $row,
        public array $pages,
    ) {
    }

    /** @param  list<TablePage>  $pages */
    public function of(array $pages): self
    {
        return new self($this->key, $this->title, $this->file, $this->row, $pages);
    }

    /** @return array{key: string, title: string, file: string, row: string, pages: list<array{int, int, int, int}>} as kept */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'title' => $this->title,
            'file' => $this->file,
            'row' => $this->row,
            'pages' => array_map(static fn (TablePage $page) => $page->toArray(), $this->pages),
        ];
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(
            (string) $kept['key'],
            (string) ($kept['title'] ?? ''),
            (string) ($kept['file'] ?? ''),
            (string) ($kept['row'] ?? ''),
            array_map(TablePage::fromArray(...), array_values($kept['pages'])),
        );
    }
}
