<?php

declare(strict_types=1);

namespace Unanimus\Reports;

use Unanimus\Dates\LocalDate;

/** One side of a deal as reports count it. */
final readonly class DealRow
{
    /**
     * @param string $stands "closed", "pending" or "fell"
     * @param LocalDate|null $day on which it closed, is to close, or ended
     * @param string $side "listing" or "buyer"
     * @param array<string, string> $agents names by key
     * @param list<string> $labels of the file
     * @param int|null $price in cents; null: none is known
     * @param int|null $gross in cents; null: nothing is known of the commission
     * @param int|null $company what the company keeps, in cents
     * @param int|null $toContract days from listing to contract
     * @param int|null $toClosing days from contract to closing
     * @param string $reason why it fell through
     * @param string $source where the client came from, as it was typed
     */
    public function __construct(
        public string $file,
        public string $name,
        public string $stands,
        public ?LocalDate $day,
        public string $side,
        public string $office,
        public array $agents,
        public array $labels,
        public ?int $price,
        public ?int $gross,
        public ?int $company,
        public ?int $toContract = null,
        public ?int $toClosing = null,
        public string $reason = '',
        public string $source = '',
    ) {
    }
}
