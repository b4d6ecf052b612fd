<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Parties\Side;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/**
 * What a commission sheet may begin with before anyone has entered figures: what the file itself says. It is shown to be
 * confirmed; nothing is computed from it, and where the file says nothing the place is empty.
 */
final readonly class Proposed
{
    /**
     * @param string|null $rate percent of the price, as kept in the file's terms; null: the terms do not say
     * @param string|null $rateFrom the term it is from, as people call it
     * @param string|null $fee the standing fees of the file's kits together; null: they have none
     */
    private function __construct(public ?string $rate, public ?string $rateFrom, public ?string $fee, public string $feeName)
    {
    }

    /**
     * What a deal brings before anything is entered: its price by the rates that the terms name for our sides. Null: they name none, or
     * there is no price.
     *
     * @param list<string|null> $rates percent, as kept in the terms
     */
    public static function byTerms(?Money $price, array $rates): ?Money
    {
        $known = array_filter($rates, static fn (?string $rate) => $rate !== null && $rate !== '');

        return $price === null || $known === [] ? null : array_reduce(
            $known,
            static fn (Money $sum, string $rate) => $sum->plus($price->share(Percent::of($rate))),
            Money::zero(),
        );
    }

    /**
     * @param Side|null $side whose commission it is; null: both, in one agent's hand
     * @param list<array{label: string, amount: string|null}> $fees of the file's kits; amount null: left open
     */
    public static function of(Facts $facts, ?Side $side, array $fees): self
    {
        $term = match ($side?->isListing()) {
            false => Term::BuyerCommission,
            true => Term::ListingCommission,
            // With both sides in one hand the terms do not say how they add up.
            null => null,
        };
        $stands = $term === null ? '' : (string) $facts->value($term->value);
        $rate = $stands === '' ? null : $stands;
        $standing = array_filter($fees, static fn (array $fee) => $fee['amount'] !== null);
        $sum = array_reduce($standing, static fn (Money $sum, array $fee) => $sum->plus(Money::of((string) $fee['amount'])), Money::zero());

        return new self(
            $rate,
            $rate === null ? null : $term->label(),
            $standing === [] ? null : $sum->decimal(),
            mb_strimwidth(implode(' and ', array_unique(array_column($standing, 'label'))), 0, 60, '…'),
        );
    }

    /**
     * Where the percentage on a sheet is from, in words; empty where none stands there.
     *
     * @param string $entered as kept
     */
    public function sourceOfRate(string $entered): string
    {
        return match (true) {
            $entered === '' => '',
            $this->rate === null => 'entered here',
            Percent::of($entered)->decimal() === Percent::of($this->rate)->decimal() => "from the file’s terms: {$this->rateFrom}",
            default => 'entered here; the file’s terms say '.Percent::of($this->rate),
        };
    }

    /**
     * Where the flat fee on a sheet is from, in words; empty where none stands there.
     *
     * @param string $entered as kept
     */
    public function sourceOfFee(string $entered): string
    {
        return match (true) {
            $entered === '' => '',
            $this->fee === null => 'entered here',
            Money::of($entered)->cents === Money::of($this->fee)->cents => 'from the file’s kits',
            default => 'entered here; the file’s kits say '.Money::of($this->fee),
        };
    }
}
