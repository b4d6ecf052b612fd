<?php

declare(strict_types=1);

namespace App\Files;

/** An offer as it is recorded by hand. */
final readonly class NewOffer
{
    /**
     * @param array<string, string|null> $terms as typed, by the name of the term
     * @param int|null $version the paper's version it was read from
     */
    public function __construct(
        public string $buyers,
        public string $agent,
        public string $note,
        public array $terms,
        public ?int $version = null,
    ) {
    }
}
