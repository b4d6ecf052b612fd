<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a person of a file is not added, changed or removed. */
enum PartyRefusal: string implements Reason
{
    use Refuses;

    case RoundNamesThem = 'party.round-names-them';
    case AskedToSign = 'party.asked-to-sign';
    case OtherSides = 'party.other-sides';
    case ListChanged = 'party.list-changed';
    case ChangedMeanwhile = 'party.changed-meanwhile';
    case MayNotKeepContacts = 'party.may-not-keep-contacts';
    case NoAddress = 'party.no-address';
    case NotInFile = 'party.not-in-file';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::RoundNamesThem => 'Papers are out for signature under these numbers. Recall the round first, or wait until it is done.',
            self::AskedToSign => '{name} was asked to sign in this file and cannot be removed.',
            self::OtherSides => 'Only their own agent can change the {side}s.',
            self::ListChanged => 'Someone was added or removed. Check the list and try again.',
            self::ChangedMeanwhile => 'Someone changed {label} to “{value}” while you were on this page. To replace it, enter yours again.',
            self::MayNotKeepContacts => 'Only coordinators, brokers, and administrators keep shared contacts.',
            self::NoAddress => '{name} has no email address yet. Enter it next to the name. It is saved in the file.',
            self::NotInFile => 'One of these people is no longer in the file.',
        };
    }
}
