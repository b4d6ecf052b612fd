<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A paper that seems to lie in a stack.
 */
final readonly class ProposedPart
{
    /**
     * @param int $first page of the stack, from 1
     * @param string $form number of its form; empty: none
     * @param float $sure how sure it is that it begins and ends there, from 0 to 1
     * @param int|null $copyOf first page of the part it is a second copy of
     * @param list<int> $order its pages in the order they belong in, where they lie otherwise; empty: as they lie
     */
    public function __construct(
        public int $first,
        public int $last,
        public string $form,
        public string $heading,
        public float $sure,
        public ?int $copyOf = null,
        public array $order = [],
    ) {
    }

    /** @return array<string, mixed> as stack:propose prints it */
    public function toArray(): array
    {
        return [
            'first' => $this->first,
            'last' => $this->last,
            'form' => $this->form === '' ? null : $this->form,
            'heading' => $this->heading,
            'sure' => round($this->sure, 2),
            ...$this->copyOf === null ? [] : ['copyOf' => $this->copyOf],
            ...$this->order === [] ? [] : ['order' => $this->order],
        ];
    }
}
