<?php

declare(strict_types=1);

namespace Unanimus\Reports;

/** Sums over sides of deals, in whole cents; what is not known is counted apart and never as nothing. */
final readonly class Tally
{
    private function __construct(
        public int $sides,
        public int $volume,
        public int $gross,
        public int $company,
        public int $unknown,
    ) {
    }

    /**
     * Volume is the price of each side: a deal of which both sides are ours counts twice, as it does in sides.
     *
     * @param list<DealRow> $rows
     */
    public static function of(array $rows): self
    {
        [$volume, $gross, $company, $unknown] = [0, 0, 0, 0];
        foreach ($rows as $row) {
            $volume += $row->price ?? 0;
            $gross += $row->gross ?? 0;
            $company += $row->company ?? 0;
            $unknown += $row->gross === null ? 1 : 0;
        }

        return new self(count($rows), $volume, $gross, $company, $unknown);
    }

    /**
     * Of sums that were taken elsewhere, all in whole cents.
     *
     * @param int $unknown sides of which nothing is known of the commission
     */
    public static function ofSums(int $sides, int $volume, int $gross, int $company, int $unknown): self
    {
        return new self($sides, $volume, $gross, $company, $unknown);
    }

    /** How much more it is than before, in whole percent; null: before there was nothing. */
    public static function more(int $now, int $before): ?int
    {
        return $before === 0 ? null : (int) round(($now - $before) * 100 / $before);
    }
}
