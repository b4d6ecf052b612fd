<?php

declare(strict_types=1);

namespace Unanimus\Access;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why someone is not let in, or their access is not changed. */
enum AccessRefusal: string implements Reason
{
    use Refuses;

    case LastOfTheirSide = 'access.last-of-their-side';
    case MayNotRemove = 'access.may-not-remove';
    case NotAMember = 'access.not-a-member';
    case AlreadyDecided = 'access.already-decided';
    case MayNotAdmit = 'access.may-not-admit';
    case AlreadyAsked = 'access.already-asked';
    case LastAdministrator = 'access.last-administrator';
    case OwnAccess = 'access.own-access';
    case AddressTaken = 'access.address-taken';
    case SecondFactorKept = 'access.second-factor-kept';
    case SecondFactorOn = 'access.second-factor-on';
    case TwinGone = 'access.twin-gone';
    case HasPassword = 'access.has-password';
    case NotOwnView = 'access.not-own-view';
    case OnlyAdministrator = 'access.only-administrator';
    case NameMissing = 'access.name-missing';
    case NoZone = 'access.no-zone';
    case NoAddress = 'access.no-address';
    case TwoStepsOwed = 'access.two-steps-owed';
    case NoRoleSaid = 'access.no-role-said';
    case NobodyMay = 'access.nobody-may';
    case NotTheirOffice = 'access.not-their-office';
    case TooManyPeople = 'access.too-many-people';
    case CompanyAnswer = 'access.company-answer';
    case CompanyNoAddress = 'access.company-no-address';
    case CompanyStranger = 'access.company-stranger';
    case CompanyOther = 'access.company-other';
    case CompanyAway = 'access.company-away';
    case CompanyOnly = 'access.company-only';
    case CompanyNoPlace = 'access.company-no-place';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::LastOfTheirSide => 'Someone has to work for this side of the file. Add another agent first.',
            self::MayNotRemove => 'Only the file’s own agent or the broker can remove colleagues.',
            self::NotAMember => '{name} does not work on this file.',
            self::AlreadyDecided => 'This was already {standing}.',
            self::MayNotAdmit => 'Only the file’s own agent or the broker decides who joins.',
            self::AlreadyAsked => 'You already asked. You will get an email when the file’s agent or broker decides.',
            self::LastAdministrator => 'The brokerage needs an administrator. Make someone else administrator first.',
            self::OwnAccess => 'You cannot close your own access. Ask another administrator.',
            self::AddressTaken => 'Someone here already signs in with this address.',
            self::SecondFactorKept => 'Two-step sign-in is already on. Your recovery codes did not change.',
            self::SecondFactorOn => 'Two-step sign-in is already on. Turn it off first to set it up again.',
            self::TwinGone => 'That file is no longer on this listing or address.',
            self::HasPassword => '{name} already has a password.',
            self::NotOwnView => 'Only the person who saved a shared view can delete it.',
            self::OnlyAdministrator => 'Only an administrator of that office can make brokers and administrators.',
            self::NameMissing => 'Say how the brokerage, its office and its administrator are called.',
            self::NoZone => '“{zone}” is no time zone. It is named such as America/New_York.',
            self::TwoStepsOwed => 'Your brokerage requires two-step sign-in for your role. It stays on.',
            self::NoRoleSaid => 'Say what they are: agent, coordinator, broker, bookkeeper or administrator.',
            self::NoAddress => '“{email}” is not an email address.',
            self::NobodyMay => 'Someone has to be able to do this: “{what}”. Leave at least one role selected.',
            self::NotTheirOffice => 'You do not manage {office}.',
            self::TooManyPeople => 'Your brokerage has as many people here as it may have. Close the access of someone who left first.',
            self::CompanyAnswer => 'Your company’s sign-in gave an answer that is not for here, or too old. Try again.',
            self::CompanyNoAddress => 'Your company’s sign-in did not say a confirmed email address. Ask whoever manages it.',
            self::CompanyStranger => '{email} has no access here. Ask your administrator for an invitation to that address.',
            self::CompanyOther => '{email} was signed in by another company account before. Ask your administrator.',
            self::CompanyAway => 'Your company’s sign-in does not answer. Nothing was changed. Try again in a minute.',
            self::CompanyOnly => 'Your brokerage signs in with its company account. Choose “Use your company account”.',
            self::CompanyNoPlace => '{issuer} is not an identity provider that can be reached: {why}',
        };
    }
}
