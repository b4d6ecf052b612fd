<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;

/**
 * The terms of a deal that papers are fed from, with what each may hold.
 */
enum Term: string
{
    case Price = 'price';
    case EarnestMoney = 'earnest_money';
    case EarnestDays = 'earnest_days';
    case Financing = 'financing';
    case LoanPercent = 'loan_percent';
    case LoanGiven = 'loan_given';
    case LoanDays = 'loan_days';
    case Concessions = 'concessions';
    case InspectionDays = 'inspection_days';
    case AppraisalDays = 'appraisal_days';
    case OfferDate = 'offer_date';
    case OfferExpiry = 'offer_expiry';
    case OfferExpiryTime = 'offer_expiry_time';
    case Acceptance = 'acceptance';
    case AcceptanceTime = 'acceptance_time';
    case Closing = 'closing';
    case Possession = 'possession';
    case Included = 'included';
    case Excluded = 'excluded';
    case EscrowHolder = 'escrow_holder';
    case Lender = 'lender';
    case SaleOfHome = 'sale_of_home';
    case BuyerCosts = 'buyer_costs';
    case Payoff = 'payoff';
    case SecondPayoff = 'second_payoff';
    case ListingCommission = 'listing_commission';
    case BuyerCommission = 'buyer_commission';
    case CommissionNote = 'commission_note';
    case ClientSource = 'client_source';
    case TransferTax = 'transfer_tax';
    case TitleCosts = 'title_costs';
    case AnnualTax = 'annual_tax';
    case TaxPaidThrough = 'tax_paid_through';
    case ClosingDay = 'closing_day';
    case Warranty = 'warranty';
    case Repairs = 'repairs';
    case OtherCosts = 'other_costs';
    case ListedOn = 'listed_on';
    case ListingExpires = 'listing_expires';
    case Rent = 'rent';
    case Deposit = 'deposit';
    case LeaseStart = 'lease_start';
    case LeaseEnd = 'lease_end';
    case ReferralPercent = 'referral_percent';
    case ReferredTo = 'referred_to';
    case Agency = 'agency';

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::EarnestDays => 'Earnest money due',
            self::LoanDays => 'Loan approval',
            self::InspectionDays => 'Inspection',
            self::AppraisalDays => 'Appraisal',
            self::OfferDate => 'Offer dated',
            self::OfferExpiry => 'Offer expires',
            self::OfferExpiryTime => 'Expires at',
            self::Acceptance => 'Accepted',
            self::AcceptanceTime => 'Accepted at',
            self::EscrowHolder => 'Escrow with',
            self::LoanGiven => 'Loan amount',
            self::SaleOfHome => 'Sale of buyers’ home first',
            self::BuyerCosts => 'Buyers’ closing costs',
            self::Payoff => 'Payoff of first loan',
            self::SecondPayoff => 'Payoff of second loan',
            self::ListingCommission => 'Commission, listing side',
            self::BuyerCommission => 'Commission, buyer side',
            self::CommissionNote => 'Unusual about the commission',
            self::ClientSource => 'Client came from',
            self::TitleCosts => 'Title and settlement',
            self::AnnualTax => 'Property tax a year',
            self::TaxPaidThrough => 'Property tax paid through',
            self::ClosingDay => 'Tax of the closing day',
            self::Warranty => 'Home warranty',
            self::Repairs => 'Repairs agreed',
            self::ReferralPercent => 'Referral fee',
            self::LoanPercent => 'Loan',
            self::Agency => 'We act for',
            default => ucfirst(str_replace('_', ' ', $this->value)),
        };
    }

    /** What it holds. */
    public function kind(): Kind
    {
        return match ($this) {
            self::Price,
            self::EarnestMoney,
            self::Concessions,
            self::LoanGiven,
            self::BuyerCosts,
            self::Payoff,
            self::SecondPayoff,
            self::TitleCosts,
            self::AnnualTax,
            self::Warranty,
            self::Repairs,
            self::OtherCosts,
            self::Rent,
            self::Deposit => Kind::Money,
            self::LoanPercent, self::ListingCommission, self::BuyerCommission, self::TransferTax, self::ReferralPercent => Kind::Percent,
            self::EarnestDays, self::LoanDays, self::InspectionDays, self::AppraisalDays => Kind::Number,
            self::OfferDate,
            self::OfferExpiry,
            self::Acceptance,
            self::Closing,
            self::Possession,
            self::ListedOn,
            self::ListingExpires,
            self::LeaseStart,
            self::LeaseEnd,
            self::TaxPaidThrough => Kind::Date,
            self::OfferExpiryTime, self::AcceptanceTime => Kind::Time,
            default => Kind::Text,
        };
    }

    /** @return array<string, string>|null the choices when it is one of a few, as kept and as read */
    public function choices(): ?array
    {
        return match ($this) {
            self::Financing => ['cash' => 'cash', 'conventional' => 'conventional loan', 'government' => 'government-insured loan'],
            self::Agency => Agency::choices(),
            self::SaleOfHome => ['yes' => 'yes', 'no' => 'no'],
            self::ClosingDay => ['buyers' => 'the buyers’', 'sellers' => 'the sellers’'],
            default => null,
        };
    }

    /**
     * Lets pass a value that such a term may have: amounts of a deal are not below zero, days are whole ones.
     *
     * @param string $kept as {@see Kind::parse} gives it
     *
     * @throws EntryUnreadable saying why not
     */
    public function check(string $kept, string $typed): void
    {
        if ($kept === '') {
            return;
        }
        if ($this->kind() === Kind::Money && Money::of($kept)->isNegative()) {
            throw new EntryUnreadable(AmountUnreadable::negative($typed)->getMessage());
        }
        if ($this->kind() === Kind::Number && preg_match('/^\d{1,4}(?:\.0+)?$/', $kept) !== 1) {
            throw new EntryUnreadable("“{$typed}” is not a number of days. Enter a whole number, such as 10, or 0 for none.");
        }
    }

    /** The side whose own affair it is, not the other's; null for what both agree on. */
    public function side(): ?Side
    {
        return match ($this) {
            self::Payoff, self::SecondPayoff, self::TitleCosts, self::OtherCosts, self::ListingCommission => Side::Seller,
            self::BuyerCosts => Side::Buyer,
            default => null,
        };
    }

    /** @return list<self> the terms whose day may anchor deadlines */
    public static function anchors(): array
    {
        return [
            self::ListedOn,
            self::ListingExpires,
            self::OfferDate,
            self::OfferExpiry,
            self::Acceptance,
            self::LeaseStart,
            self::Closing,
            self::Possession,
            self::LeaseEnd,
        ];
    }
}
