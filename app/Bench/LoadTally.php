<?php

declare(strict_types=1);

namespace App\Bench;

/** How long each kind of answer took, and which were none. */
final class LoadTally
{
    /** @var array<string, list<float>> milliseconds */
    private array $costs = [];

    /** @var array<string, int> */
    private array $errors = [];

    public function note(string $what, float $milliseconds, int $status): void
    {
        $this->costs[$what][] = $milliseconds;
        // Whoever is sent to another page was signed out: that is no answer to what they asked.
        $status !== 200 && ($this->errors["{$what}: {$status}"] = ($this->errors["{$what}: {$status}"] ?? 0) + 1);
    }

    /** @return list<array{string, int, float, float, float}> kind, how many, milliseconds of 50, 95 and 99 in a hundred */
    public function rows(): array
    {
        ksort($this->costs);
        $rows = [];
        foreach ($this->costs as $what => $costs) {
            $rows[] = [$what, count($costs), self::within($costs, 50), self::within($costs, 95), self::within($costs, 99)];
        }

        return $rows;
    }

    /** @param  list<string>  $kinds */
    public function p95(array $kinds): float
    {
        return self::within(array_merge(...array_values(array_intersect_key($this->costs, array_flip($kinds)))), 95);
    }

    /** @return array<string, int> */
    public function errors(): array
    {
        return $this->errors;
    }

    public function count(): int
    {
        return array_sum(array_map(count(...), $this->costs));
    }

    /** @return list<string> */
    public function kinds(): array
    {
        return array_keys($this->costs);
    }

    /** @param  list<float>  $costs */
    private static function within(array $costs, int $inHundred): float
    {
        sort($costs);

        return $costs === [] ? 0.0 : $costs[(int) ceil(count($costs) * $inHundred / 100) - 1];
    }
}
