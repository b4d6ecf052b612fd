<?php

declare(strict_types=1);

namespace Unanimus\Terms;

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
    case LoanDays = 'loan_days';
    case Concessions = 'concessions';
    case InspectionDays = 'inspection_days';
    case AppraisalDays = 'appraisal_days';
    case OfferDate = 'offer_date';
    case OfferExpiry = 'offer_expiry';
    case OfferExpiryTime = 'offer_expiry_time';
    case Acceptance = 'acceptance';
    case Closing = 'closing';
    case Possession = 'possession';
    case Included = 'included';
    case Excluded = 'excluded';
    case EscrowHolder = 'escrow_holder';
    case Lender = 'lender';

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::EarnestDays => 'Earnest money due',
            self::LoanPercent => 'Loan',
            self::LoanDays => 'Loan approval',
            self::InspectionDays => 'Inspection',
            self::AppraisalDays => 'Appraisal',
            self::OfferDate => 'Offer dated',
            self::OfferExpiry => 'Offer expires',
            self::OfferExpiryTime => 'Expires at',
            self::Acceptance => 'Accepted',
            self::EscrowHolder => 'Escrow with',
            default => ucfirst(str_replace('_', ' ', $this->value)),
        };
    }

    /** What it holds. */
    public function kind(): Kind
    {
        return match ($this) {
            self::Price, self::EarnestMoney, self::Concessions => Kind::Money,
            self::LoanPercent => Kind::Percent,
            self::EarnestDays, self::LoanDays, self::InspectionDays, self::AppraisalDays => Kind::Number,
            self::OfferDate, self::OfferExpiry, self::Acceptance, self::Closing, self::Possession => Kind::Date,
            self::OfferExpiryTime => Kind::Time,
            default => Kind::Text,
        };
    }

    /** @return array<string, string>|null the choices when it is one of a few, as kept and as read */
    public function choices(): ?array
    {
        return $this === self::Financing
            ? ['cash' => 'cash', 'conventional' => 'conventional loan', 'government' => 'government-insured loan']
            : null;
    }

    /** @return list<self> the terms whose day may anchor deadlines */
    public static function anchors(): array
    {
        return [self::OfferDate, self::OfferExpiry, self::Acceptance, self::Closing, self::Possession];
    }
}
