<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * One signer's part in a round's plan: the turn they are asked in and what they do at their places.
 */
final readonly class Turn
{
    /**
     * @param int $turn those with the same number are asked together; lower numbers first
     * @param list<Act> $acts at the places that need one of theirs, in order
     * @param list<AskedPaper> $asks papers they are to add
     * @param Part $part what they are asked for; who only looks agrees to nothing and owes nothing
     */
    public function __construct(
        public string $seat,
        public int $turn,
        public array $acts,
        public Part $part = Part::Signs,
        public array $asks = [],
    ) {
    }

    /**
     * The part of someone who signs at each of these places.
     *
     * @param list<string> $keys of marks
     */
    public static function signing(string $seat, int $turn, array $keys): self
    {
        return new self($seat, $turn, array_map(static fn (string $key) => new Act($key), $keys));
    }

    /** What is done at a place of theirs; null when it is none. */
    public function act(string $key): ?Act
    {
        foreach ($this->acts as $act) {
            if ($act->key === $key) {
                return $act;
            }
        }

        return null;
    }

    /** The paper asked of them under that key; null when it is none. */
    public function ask(string $key): ?AskedPaper
    {
        foreach ($this->asks as $ask) {
            if ($ask->key === $key) {
                return $ask;
            }
        }

        return null;
    }

    /** @return list<string> the other places of which only one may stand with that one */
    public function besides(Act $act): array
    {
        $others = array_filter($this->acts, static fn (Act $one) => $act->group !== '' && $one->group === $act->group && $one !== $act);

        return array_values(array_map(static fn (Act $one) => $one->key, $others));
    }
}
