<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a file is not opened, joined, moved or ended. */
enum FileRefusal: string implements Reason
{
    use Refuses;

    case HasFollowOn = 'file.has-follow-on';
    case DealStillOpen = 'file.deal-still-open';
    case NotPaidOut = 'file.not-paid-out';
    case EndsInTheFuture = 'file.ends-in-the-future';
    case OnlyBrokerReopens = 'file.only-broker-reopens';
    case NoOpenSide = 'file.no-open-side';
    case MayNotJoin = 'file.may-not-join';
    case MayNotOpenFiles = 'file.may-not-open-files';
    case NobodyChosen = 'file.nobody-chosen';
    case TaskGone = 'file.task-gone';
    case NotOwnListing = 'file.not-own-listing';
    case OtherHasEnded = 'file.other-has-ended';
    case EndedForForms = 'file.ended-for-forms';
    case NotLoosePapers = 'file.not-loose-papers';
    case PutElsewhere = 'file.put-elsewhere';
    case StillOut = 'file.still-out';
    case NotAFileOfYours = 'file.not-a-file-of-yours';
    case HasEnded = 'file.has-ended';
    case NoSuchStep = 'file.no-such-step';
    case NoReasonToReopen = 'file.no-reason-to-reopen';
    case NoReasonToEnd = 'file.no-reason-to-end';
    case NotSettled = 'file.not-settled';
    case StillOpen = 'file.still-open';
    case NoPractice = 'file.no-practice';
    case PracticeStays = 'file.practice-stays';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::PracticeStays => 'Papers of a practice file stay in it, and no others are copied there.',
            self::NoPractice => 'This is a real file. It stays.',
            self::HasFollowOn => 'There is already a follow-on file: {name}.',
            self::DealStillOpen => 'This deal is still open. Terminate it first. Then a follow-on file can use what belongs to the '.
                'listing.',
            self::NotPaidOut => 'The commission disbursement is not authorized yet. The broker authorizes it on the commission sheet.',
            self::EndsInTheFuture => 'A file ends today or earlier, not in the future.',
            self::OnlyBrokerReopens => 'Only the broker can reopen a file that is {status}.',
            self::NoOpenSide => 'There is no open side in this file to join.',
            self::MayNotJoin => 'You cannot join this file for a side. Ask its agent or the broker.',
            self::MayNotOpenFiles => 'Only agents, coordinators, and brokers open files. Ask your administrator for one of these roles.',
            self::NobodyChosen => 'Choose who to assign the tasks to.',
            self::TaskGone => 'One of these tasks is gone. Nothing was changed. Check the list and try again.',
            self::NotOwnListing => 'Only the {side}’s own agent can change the listing.',
            self::OtherHasEnded => '{name} has ended. Reopen it to copy papers into it.',
            self::EndedForForms => 'This file has ended. Reopen it to add forms.',
            self::NotLoosePapers => 'Only papers without a deal can be put into a file.',
            self::PutElsewhere => 'These papers are in a file already.',
            self::StillOut => 'Something is still out for signature. Wait until it is signed, or recall it first.',
            self::NotAFileOfYours => 'Choose a file you work on, by its name or listing number. Nothing was copied.',
            self::HasEnded => 'This file is {status}. What was agreed stays as it is. The broker can reopen it.',
            self::NoSuchStep => 'A file that is {from} cannot become {to}.',
            self::NoReasonToReopen => 'Give a reason for reopening the file.',
            self::NoReasonToEnd => 'Give a reason for ending the file.',
            self::NotSettled => 'Your office closes a file only when everything on its checklist is settled. Still open: {count}.',
            self::StillOpen => '{open} The file was not closed. Press “Close file” again to close it all the same.',
        };
    }
}
