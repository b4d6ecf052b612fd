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
    case FeeOfNothing = 'commission.fee-of-nothing';
    case FeeOfNoAgent = 'commission.fee-of-no-agent';
    case LineOfNothing = 'commission.line-of-nothing';
    case LineWithoutPercent = 'commission.line-without-percent';
    case NoLine = 'commission.no-line';
    case TeamIncomplete = 'commission.team-incomplete';
    case TeamOfOneself = 'commission.team-of-oneself';
    case NoReason = 'commission.no-reason';
    case NotAuthorized = 'commission.not-authorized';
    case SaleClosed = 'commission.sale-closed';
    case UnknownField = 'commission.unknown-field';
    case EmptyField = 'commission.empty-field';
    case DebtOfNothing = 'commission.debt-of-nothing';
    case NotOwed = 'commission.not-owed';
    case AlreadyPaid = 'commission.already-paid';

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
            self::FeeOfNothing => 'Say what “{label}” is a percentage of.',
            self::FeeOfNoAgent => '“{label}” is a percentage of an agent’s part, and no agent pays it.',
            self::LineOfNothing => 'Enter the amount for “{kind}”.',
            self::LineWithoutPercent => 'Enter the percentage for “{kind}”.',
            self::NoLine => 'Enter the commission: a percentage of the price, or a line of its own.',
            self::TeamIncomplete => 'A team needs both: who leads it, and what percentage they get.',
            self::TeamOfOneself => 'No one leads themselves. Choose another lead.',
            self::NoReason => 'Enter a reason. It is saved in the history.',
            self::NotAuthorized => 'The disbursement is not authorized.',
            self::SaleClosed => 'Someone was already paid from this authorization, so it cannot be withdrawn.',
            self::UnknownField => 'There is no field {field}. Choose from those below the text.',
            self::EmptyField => 'The text names {field}, and the file does not say it. Enter it in the terms, or change the text.',
            self::DebtOfNothing => 'Enter how much is owed.',
            self::NotOwed => '{payee} is owed {owed}, not {amount}. Nothing was saved.',
            self::AlreadyPaid => '{payee} is already marked as paid. Nothing was saved.',
        };
    }
}
