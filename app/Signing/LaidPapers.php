<?php

declare(strict_types=1);

namespace App\Signing;

/** The PDFs of a complete round, drawn and not sealed yet: the set, and each paper on its own under the id it has in the round. */
final readonly class LaidPapers
{
    /**
     * @param string $name in which they are sealed
     * @param string $set bytes of the set
     * @param int $pages of the set
     * @param array<int, array{string, int}> $single bytes and pages of each paper with its record
     * @param bool $isPractice whether they stay without a seal
     */
    public function __construct(
        public string $name,
        public string $set,
        public int $pages,
        public array $single,
        public bool $isPractice = false,
    ) {
    }

    /**
     * The same with each PDF turned into another.
     *
     * @param callable(string): string $seal
     */
    public function map(callable $seal): self
    {
        $set = $seal($this->set);
        // Of one paper alone the set is the paper: it is sealed once.
        $single = array_map(fn (array $one) => [$one[0] === $this->set ? $set : $seal($one[0]), $one[1]], $this->single);

        return new self($this->name, $set, $this->pages, $single);
    }
}
