<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * All that is known of one deal, by name: what papers are filled from and rules are asked about.
 */
final readonly class Facts
{
    /** @param  array<string, Fact>  $facts by name: "price", "buyer.1.name", "property.year_built" */
    public function __construct(private array $facts)
    {
    }

    /**
     * Facts from bare values, all from one source; empty ones are not known.
     *
     * @param array<string, string|null> $values
     */
    public static function from(array $values, string $source = 'given'): self
    {
        $facts = [];
        foreach ($values as $name => $value) {
            if ($value !== null && $value !== '') {
                $facts[$name] = new Fact($value, $source);
            }
        }

        return new self($facts);
    }

    /** What is known under that name, or null. "financing?cash" is the tick "x" when the fact "financing" is "cash". */
    public function get(string $binding): ?Fact
    {
        if (! str_contains($binding, '?')) {
            return $this->facts[$binding] ?? null;
        }
        [$name, $value] = explode('?', $binding, 2);
        $fact = $this->facts[$name] ?? null;

        return $fact !== null && $fact->value === $value ? new Fact('x', $fact->source) : null;
    }

    /** The value known under that name, or null. */
    public function value(string $binding): ?string
    {
        return $this->get($binding)?->value;
    }

    /** @param  array<string, Fact>  $more */
    public function with(array $more): self
    {
        return new self([...$this->facts, ...$more]);
    }

    /** The same without what is known under that name. */
    public function without(string $name): self
    {
        return new self(array_diff_key($this->facts, [$name => true]));
    }

    /** @return array<string, Fact> */
    public function all(): array
    {
        return $this->facts;
    }
}
