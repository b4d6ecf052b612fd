<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Terms\Facts;

/**
 * A paper that a kit brings: a form of the library, or a placeholder for one that must come from outside.
 */
final readonly class KitItem
{
    /**
     * @param string|null $form number in the library; null: a placeholder
     * @param list<Condition> $conditions all must hold; none: always
     * @param string $reason why it is asked for, as read; may name facts as {property.year_built}
     */
    public function __construct(
        public string $title,
        public ?string $form,
        public string $stage,
        public array $conditions,
        public string $reason,
        public bool $required = true,
    ) {
    }

    /** Whether the deal calls for it. */
    public function isCalledFor(Facts $facts): bool
    {
        foreach ($this->conditions as $condition) {
            if (! $condition->holds($facts)) {
                return false;
            }
        }

        return true;
    }

    /** The reason with the deal's own facts in it. */
    public function reasonFor(Facts $facts): string
    {
        return (string) preg_replace_callback('/\{([a-z_.0-9]+)\}/', static fn (array $m) => $facts->value($m[1]) ?? '…', $this->reason);
    }
}
