<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Terms\Facts;

/**
 * A question about one fact of the deal: "property.year_built below 1978". A fact that is not known answers no.
 */
final readonly class Condition
{
    /** The operators, as stored and as read. */
    public const OPERATORS = ['is' => 'is', 'is_not' => 'is not', 'below' => 'is before', 'at_least' => 'is at least', 'known' => 'is known'];

    /** @throws \InvalidArgumentException when the operator is not one of ours */
    public function __construct(public string $fact, public string $operator, public string $value = '')
    {
        if (! isset(self::OPERATORS[$operator])) {
            throw new \InvalidArgumentException("“{$operator}” is not an operator of conditions.");
        }
    }

    /** Whether it holds. */
    public function holds(Facts $facts): bool
    {
        $known = $facts->value($this->fact);

        return $known !== null && match ($this->operator) {
            'is' => $known === $this->value,
            'is_not' => $known !== $this->value,
            'below' => is_numeric($known) && (float) $known < (float) $this->value,
            'at_least' => is_numeric($known) && (float) $known >= (float) $this->value,
            default => true,
        };
    }
}
