<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * One paper among several in one PDF.
 */
final readonly class StackPart
{
    /**
     * @param string $form number of the library's form it is, empty when it is none
     * @param string $title the form's, or what its first page says at its head
     * @param int $first page of the PDF it begins on, from 1
     * @param int $pages how many it has
     */
    public function __construct(public string $form, public string $title, public int $first, public int $pages)
    {
    }

    /** @param  array{form?: string, title?: string, first?: int, pages?: int}  $data  as kept */
    public static function fromArray(array $data): self
    {
        return new self($data['form'] ?? '', $data['title'] ?? '', $data['first'] ?? 1, $data['pages'] ?? 1);
    }

    /** As read: "Purchase agreement (pages 1 to 4)". */
    public function readable(): string
    {
        $last = $this->first + $this->pages - 1;

        return "{$this->title} (".($this->pages === 1 ? "page {$this->first}" : "pages {$this->first} to {$last}").')';
    }
}
