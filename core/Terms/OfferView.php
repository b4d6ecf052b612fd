<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;

/**
 * An offer made ready to be laid beside others: what it leaves the sellers, how sure it is, and its days as a small line.
 */
final readonly class OfferView
{
    /** The terms an offer states, in the order they are compared. */
    public const TERMS = [
        Term::Price,
        Term::EarnestMoney,
        Term::Financing,
        Term::LoanPercent,
        Term::Concessions,
        Term::Repairs,
        Term::BuyerCommission,
        Term::SaleOfHome,
        Term::InspectionDays,
        Term::AppraisalDays,
        Term::LoanDays,
        Term::OfferDate,
        Term::OfferExpiry,
        Term::Closing,
        Term::Possession,
    ];

    /** What is the listing's, whoever buys; all else of a file's terms belongs to the deal and is left aside. */
    private const OF_LISTING = [
        Term::ListingCommission,
        Term::BuyerCommission,
        Term::TransferTax,
        Term::TitleCosts,
        Term::AnnualTax,
        Term::TaxPaidThrough,
        Term::ClosingDay,
        Term::Warranty,
        Term::OtherCosts,
        Term::Payoff,
        Term::SecondPayoff,
    ];

    /** The contingencies, with the term that gives their days. */
    private const CONTINGENCIES = ['Inspection' => Term::InspectionDays, 'Appraisal' => Term::AppraisalDays, 'Loan' => Term::LoanDays];

    /**
     * @param list<array{label: string, days: int}> $contingencies by their days
     * @param list<string> $strength what makes it sure or unsure, in words
     */
    private function __construct(
        public ?NetSheet $net,
        public ?Money $down,
        public ?int $daysToClosing,
        public array $contingencies,
        public array $strength,
    ) {
    }

    /**
     * Reads an offer against what is known of the listing.
     *
     * @param Facts $file what is known of the file; of it only what the sellers owe and pay whoever buys is taken
     */
    public static function of(Facts $offer, Facts $file, LocalDate $today): self
    {
        $listing = array_intersect_key($file->all(), array_flip(array_map(static fn (Term $term) => $term->value, self::OF_LISTING)));
        $terms = Derived::from(new Facts([...$listing, ...$offer->all()]));
        $closing = $offer->value('closing');
        $contingencies = [];
        foreach (self::CONTINGENCIES as $label => $term) {
            $days = $offer->value($term->value);
            $days !== null && ctype_digit($days) && ($contingencies[] = ['label' => $label, 'days' => (int) $days]);
        }
        usort($contingencies, static fn (array $a, array $b) => $a['days'] <=> $b['days']);

        return new self(
            NetSheet::of($terms),
            ($down = $terms->value('down_payment')) !== null
                ? Money::of($down)
                : ($offer->value('financing') === 'cash' && $offer->value('price') !== null
                    ? Money::of((string) $offer->value('price'))
                    : null),
            $closing === null ? null : $today->daysUntil(LocalDate::of($closing)),
            $contingencies,
            self::strength($offer, $terms),
        );
    }

    /** The days of its longest period or to closing, for lines that are compared on one scale. */
    public function longest(): int
    {
        return max(0, $this->daysToClosing ?? 0, ...array_column($this->contingencies, 'days'));
    }

    /**
     * What to know before offers are ranked by what they leave: closings in different years carry different property tax.
     *
     * @param list<Facts> $offers those that are compared
     * @param Facts $listing what is known of the listing
     */
    public static function warning(array $offers, Facts $listing): ?string
    {
        $years = array_unique(
            array_map(
                static fn (Facts $offer) => substr((string) $offer->value('closing'), 0, 4),
                array_filter($offers, static fn (Facts $offer) => $offer->value('closing') !== null),
            ),
        );
        sort($years);
        if (count($years) < 2) {
            return null;
        }
        $needed = [Term::AnnualTax, Term::TaxPaidThrough, Term::ClosingDay];
        $isKnown = array_filter($needed, static fn (Term $term) => $listing->value($term->value) === null) === [];

        return 'These offers close in different years ('.implode(' and ', $years).'). '.($isKnown
            ? 'Each includes property tax up to its own closing. Check the date taxes are paid through before you compare them.'
            : 'Property tax up to closing differs between them and is not counted yet: enter it on the net sheet before you compare them.');
    }

    /** @return list<string> in words */
    private static function strength(Facts $offer, Facts $terms): array
    {
        $words = [];
        if ($offer->value('financing') === 'cash') {
            $words[] = 'cash, no lender to wait for';
        } elseif (
            $terms->value('loan_amount') !== null &&
            $offer->value('price') !== null &&
            ! Money::of((string) $offer->value('price'))->isZero()
        ) {
            $own =
                100 -
                BigDecimal::of($terms->value('loan_amount'))
                    ->multipliedBy(100)
                    ->dividedBy((string) $offer->value('price'), 0, RoundingMode::HALF_UP)
                    ->toInt();
            $words[] = "{$own}% down";
        }
        if ($offer->value('sale_of_home') === 'yes') {
            $words[] = 'depends on the sale of their home';
        }
        $open = [];
        foreach (self::CONTINGENCIES as $label => $term) {
            $days = $offer->value($term->value);
            $days === '0' && ($words[] = 'no '.lcfirst($label).' contingency');
            // Who pays cash has no loan to wait for.
            $days === null && ($term !== Term::LoanDays || $offer->value('financing') !== 'cash') && ($open[] = lcfirst($label));
        }
        $earnest = $offer->value('earnest_money');
        if (
            $earnest !== null &&
            $offer->value('price') !== null &&
            BigDecimal::of($earnest)->multipliedBy(50)->isGreaterThanOrEqualTo((string) $offer->value('price'))
        ) {
            $words[] = 'earnest money of 2% or more';
        }
        $open === [] || ($words[] = 'not recorded: '.implode(', ', $open));

        return $words;
    }
}
