<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Terms\Facts;

/**
 * Several conditions put together: all of them, any of them, or none of them. An empty group of all holds always.
 */
final readonly class Group implements Test
{
    public const MODES = ['all' => 'all of these', 'any' => 'any of these', 'none' => 'none of these'];

    /** How deep groups may stand in each other. */
    private const DEEPEST = 5;

    /** @param  list<Test>  $tests */
    private function __construct(public string $mode, public array $tests)
    {
    }

    /** The group that holds always. */
    public static function always(): self
    {
        return new self('all', []);
    }

    /**
     * From its stored form: {"all": [["property.year_built", "below", "1978"], {"any": […]}]}; a bare list of conditions is all of them.
     *
     * @param array<mixed> $data
     *
     * @throws ConditionUnreadable when something in it cannot be read
     */
    public static function fromArray(array $data, int $depth = 0): self
    {
        if ($depth > self::DEEPEST) {
            throw new ConditionUnreadable('Conditions stand too deep in each other.');
        }
        if (array_is_list($data)) {
            $data = ['all' => $data];
        }
        $mode = (string) array_key_first($data);
        if (count($data) !== 1 || ! isset(self::MODES[$mode]) || ! is_array($data[$mode]) || ! array_is_list($data[$mode])) {
            throw new ConditionUnreadable('A group of conditions is “all”, “any” or “none” with a list.');
        }
        $tests = [];
        foreach ($data[$mode] as $one) {
            if (! is_array($one) || $one === []) {
                throw new ConditionUnreadable('A condition is a fact, an operator and a value.');
            }
            $tests[] =
                array_is_list($one) && is_string($one[0])
                    ? new Condition($one[0], is_string($one[1] ?? null) ? $one[1] : '', is_scalar($one[2] ?? null) ? (string) $one[2] : '')
                    : self::fromArray($one, $depth + 1);
        }

        return new self($mode, $tests);
    }

    /** Whether it asks nothing. */
    public function isEmpty(): bool
    {
        return $this->tests === [];
    }

    public function holds(Facts $facts): bool
    {
        $holding = array_filter($this->tests, static fn (Test $test) => $test->holds($facts));

        return match ($this->mode) {
            'all' => count($holding) === count($this->tests),
            'any' => $holding !== [],
            default => $holding === [],
        };
    }

    public function words(): string
    {
        if ($this->tests === []) {
            return $this->mode === 'any' ? 'never' : 'always';
        }
        $words = array_map(
            static fn (Test $test) => $test instanceof self && count($test->tests) > 1 ? "({$test->words()})" : $test->words(),
            $this->tests,
        );

        return match ($this->mode) {
            'all' => implode(' and ', $words),
            'any' => implode(' or ', $words),
            default => count($words) === 1 ? "not: {$words[0]}" : 'neither '.implode(' nor ', $words),
        };
    }

    public function facts(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(static fn (Test $test) => $test->facts(), $this->tests))));
    }

    public function toArray(): array
    {
        return [$this->mode => array_map(static fn (Test $test) => $test->toArray(), $this->tests)];
    }
}
