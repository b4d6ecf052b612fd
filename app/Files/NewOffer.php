<?php

declare(strict_types=1);

namespace App\Files;

/** An offer as it is recorded by hand. */
final readonly class NewOffer
{
    /** @param  array<string, string|null>  $terms  as typed, by the name of the term */
    public function __construct(public string $buyers, public string $agent, public string $note, public array $terms)
    {
    }
}
