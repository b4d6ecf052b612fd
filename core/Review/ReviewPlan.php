<?php

declare(strict_types=1);

namespace Unanimus\Review;

/**
 * How an office reviews: which stages are read by nobody, by one, or by two, and how many of what was accepted are looked at once
 * more. As it comes, each paper is read by one and nothing is looked at again.
 */
final readonly class ReviewPlan
{
    /** The most accepted papers of which one is looked at again. */
    public const FEWEST = 100;

    /**
     * @param list<string> $none stages whose papers are complete as they are submitted
     * @param list<string> $second stages whose papers two accept, one after the other
     * @param int $spot one in so many accepted papers is looked at again; 0: none
     * @param list<string> $agents keys of those whose papers two accept, whatever the stage
     * @param bool $closesWhole whether a file is closed only once every line of its checklist is settled
     */
    private function __construct(
        public array $none,
        public array $second,
        public int $spot,
        public array $agents,
        public bool $closesWhole,
    ) {
    }

    /**
     * @param array<string, mixed> $kept as stored
     * @param list<string> $stages those there are
     */
    public static function of(array $kept, array $stages): self
    {
        $none = array_values(array_intersect($stages, (array) ($kept['none'] ?? [])));

        return new self(
            $none,
            // What nobody reads, nobody reads twice.
            array_values(array_diff(array_intersect($stages, (array) ($kept['second'] ?? [])), $none)),
            max(0, min(self::FEWEST, (int) ($kept['spot'] ?? 0))),
            array_values(array_filter((array) ($kept['agents'] ?? []), is_string(...))),
            (bool) ($kept['whole'] ?? false),
        );
    }

    /** Whether a paper of that stage is read at all. */
    public function isRead(string $stage): bool
    {
        return ! in_array($stage, $this->none, true);
    }

    /**
     * Whether another reviewer accepts it once more.
     *
     * @param list<string> $agents keys of those whose file it is
     */
    public function needsSecond(string $stage, array $agents = []): bool
    {
        return in_array($stage, $this->second, true) || ($this->isRead($stage) && array_intersect($agents, $this->agents) !== []);
    }

    /** Whether the paper that was accepted as that one, counted from 1, is looked at again. */
    public function isSpotChecked(int $count): bool
    {
        return $this->spot > 0 && $count % $this->spot === 0;
    }

    /** @return array{none: list<string>, second: list<string>, spot: int, agents: list<string>, whole: bool} as stored */
    public function toArray(): array
    {
        return [
            'none' => $this->none,
            'second' => $this->second,
            'spot' => $this->spot,
            'agents' => $this->agents,
            'whole' => $this->closesWhole,
        ];
    }
}
