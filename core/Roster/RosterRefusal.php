<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why somebody does not join, leave, or help another. */
enum RosterRefusal: string implements Reason
{
    use Refuses;

    case NobodyNamed = 'roster.nobody-named';
    case ToThemselves = 'roster.to-themselves';
    case NoAgent = 'roster.no-agent';
    case EndsBefore = 'roster.ends-before';
    case IsOver = 'roster.is-over';
    case Already = 'roster.already';
    case LastAdministrator = 'roster.last-administrator';
    case NotTheirs = 'roster.not-theirs';
    case NoTitle = 'roster.no-title';
    case Settled = 'roster.settled';
    case NoRole = 'roster.no-role';
    case NoDays = 'roster.no-days';
    case NoSteps = 'roster.no-steps';
    case KitChanged = 'roster.kit-changed';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoRole => 'Choose who does “{title}”.',
            self::NoDays => 'Enter a number of days for “{title}”. A minus means after that day.',
            self::NoSteps => 'Leave at least one step.',
            self::KitChanged => 'Someone changed these steps meanwhile. Reload the page to see them. Nothing was changed.',
            self::NobodyNamed => 'Select who goes on with this file.',
            self::ToThemselves => 'That is the one who leaves. Select someone else.',
            self::NoAgent => 'Only an agent who works here can go on with a file.',
            self::EndsBefore => 'It would end before it begins. Check the days.',
            self::IsOver => 'That day has passed.',
            self::Already => '{name} has an open one already.',
            self::LastAdministrator => '{name} is the last administrator. Give someone else that role first.',
            self::NotTheirs => 'Only the broker or an administrator of {office} does this.',
            self::NoTitle => 'Say what is to be done.',
            self::Settled => 'This is done already; nothing was changed.',
        };
    }
}
