<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;
use Unanimus\Money\Percent;

/**
 * What a commission is computed from.
 */
final readonly class Entries
{
    /**
     * @param Percent $rate of the price, that our side earns
     * @param Percent $agentShare of what our side earns, that goes to the agent
     * @param Money $fee a flat fee that the agent pays to the company from their share
     */
    public function __construct(
        public Money $price,
        public Percent $rate,
        public Percent $agentShare,
        public Money $fee,
        public string $feeName,
        public string $agent,
        public string $company,
    ) {
    }
}
