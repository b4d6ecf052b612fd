<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why figures of a commission are not taken, or its disbursement not authorized. */
enum CommissionRefusal: string implements Reason
{
    use Refuses;

    case AlreadyAuthorized = 'commission.already-authorized';
    case FiguresAreFinal = 'commission.figures-are-final';
    case DoesNotAddUp = 'commission.does-not-add-up';
    case NothingEntered = 'commission.nothing-entered';
    case ReviewOpen = 'commission.review-open';
    case CompanyToCompany = 'commission.company-to-company';
    case NotReckoned = 'commission.not-reckoned';
    case Held = 'commission.held';
    case TierWithoutEnd = 'commission.tier-without-end';
    case TierBelow = 'commission.tier-below';
    case LastTierEnds = 'commission.last-tier-ends';
    case NoRate = 'commission.no-rate';
    case NoYear = 'commission.no-year';
    case OnlyBroker = 'commission.only-broker';
    case OtherFigures = 'commission.other-figures';
    case FeeNegative = 'commission.fee-negative';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::AlreadyAuthorized => 'The disbursement is already authorized.',
            self::FiguresAreFinal => 'The disbursement is authorized. Its figures are final.',
            self::DoesNotAddUp => 'The sheet does not add up yet.',
            self::NothingEntered => 'The commission is not entered yet. Enter the price, the percentage and the split first.',
            self::ReviewOpen => 'The review is not complete: {settled} of {all} requirements are settled.',
            self::CompanyToCompany => '“{label}” goes from the company to the company. Say who gets it.',
            self::NotReckoned => '{why}',
            self::Held => 'The sheet is not released: {why}',
            self::TierWithoutEnd => 'Say up to which amount tier {n} goes, or leave out those after it.',
            self::TierBelow => 'Tier {n} ends below the one before it.',
            self::LastTierEnds => 'Leave the end of the last tier empty: it holds for all that comes after.',
            self::NoRate => 'Enter the agent’s rate in percent.',
            self::NoYear => 'Enter the day the plan year begins as month and day, such as 03-01, or leave it empty for the calendar year.',
            self::OnlyBroker => 'Only the broker authorizes a disbursement.',
            self::OtherFigures => 'The figures have changed since you opened this page. Look at them again, then authorize.',
            self::FeeNegative => 'A fee cannot be negative. Enter 0 when there is none.',
        };
    }
}
