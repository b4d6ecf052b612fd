<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

/** The figures of a commission that a person enters: what is computed rests on these and the price. */
final readonly class Figures
{
    private const LONGEST_NAME = 60;

    public function __construct(public Percent $rate, public Percent $agentShare, public Money $fee, public string $feeName)
    {
    }

    /**
     * Reads them as typed; an empty fee is none.
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     */
    public static function read(string $rate, string $agentShare, string $fee, string $feeName): self
    {
        return new self(
            Percent::of($rate),
            Percent::of($agentShare),
            Money::parse($fee === '' ? '0' : $fee),
            mb_strimwidth(trim($feeName) ?: 'Fee', 0, self::LONGEST_NAME),
        );
    }
}
