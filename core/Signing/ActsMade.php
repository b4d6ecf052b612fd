<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What the signers of a round have done at their places so far, and what that leaves to be done.
 *
 * @internal to its area, but for what a state says of it
 */
final readonly class ActsMade
{
    /**
     * @param array<string, Turn> $turns by seat
     * @param array<string, list<string>> $keys of the marks made, by seat
     * @param array<string, string> $values what was typed, by key of the mark
     */
    public function __construct(private array $turns, private array $keys = [], public array $values = [])
    {
    }

    /** @return list<string> keys of the marks of a seat, in the order they were made */
    public function of(string $seat): array
    {
        return $this->keys[$seat] ?? [];
    }

    /** @return list<string> keys of all marks that stand: made, and what they depend on stands too */
    public function standing(): array
    {
        return array_values(array_filter(array_merge(...array_values($this->keys)), $this->stands(...)));
    }

    /** Whether a mark was made and what it depends on still stands. */
    public function stands(string $key): bool
    {
        return $this->standsWith($key, []);
    }

    /** Whether what a place depends on stands, if it depends on anything. */
    public function isAskedFor(Act $act): bool
    {
        return $act->when === '' || $this->standsWith($act->when, [$act->key]);
    }

    /** @return list<string> marks a seat still owes; of places of which only one may stand, the first while none does */
    public function owedBy(string $seat): array
    {
        $owed = [];
        $groups = [];
        $turn = $this->turns[$seat] ?? null;
        foreach ($turn->acts ?? [] as $act) {
            if (! $act->isRequired || isset($groups[$act->group]) || in_array($act->key, $this->of($seat), true)) {
                continue;
            }
            if ($this->isAskedFor($act) && array_intersect($turn?->besides($act) ?? [], $this->of($seat)) === []) {
                $owed[] = $act->key;
                $act->group === '' || ($groups[$act->group] = true);
            }
        }

        return $owed;
    }

    /** The same with one more mark; of its group no other stands any more. */
    public function with(string $seat, Act $act, ?string $value): self
    {
        $stay = array_values(array_diff($this->of($seat), $this->turns[$seat]->besides($act)));
        in_array($act->key, $stay, true) || ($stay[] = $act->key);

        return new self(
            $this->turns,
            [...$this->keys, $seat => $stay],
            $value === null ? $this->values : [...$this->values, $act->key => $value],
        );
    }

    /** The same without a mark that was made. */
    public function without(string $seat, string $key): self
    {
        return new self(
            $this->turns,
            [...$this->keys, $seat => array_values(array_diff($this->of($seat), [$key]))],
            array_diff_key($this->values, [$key => true]),
        );
    }

    /** The same without anything a seat has done. */
    public function withoutSeat(string $seat): self
    {
        return new self(
            $this->turns,
            array_diff_key($this->keys, [$seat => true]),
            array_diff_key($this->values, array_flip($this->of($seat))),
        );
    }

    /** @param  list<string>  $seen  places on the way here: a ring of places that depend on each other never stands */
    private function standsWith(string $key, array $seen): bool
    {
        if (in_array($key, $seen, true)) {
            return false;
        }
        foreach ($this->turns as $seat => $turn) {
            $act = in_array($key, $this->of($seat), true) ? $turn->act($key) : null;
            if ($act !== null) {
                return $act->when === '' || $this->standsWith($act->when, [...$seen, $key]);
            }
        }

        return false;
    }
}
