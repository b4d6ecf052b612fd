<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a message does not go out, or a form letter or rule is not kept. */
enum MessageRefusal: string implements Reason
{
    use Refuses;

    case NobodyChosen = 'message.nobody-chosen';
    case NoAddress = 'message.no-address';
    case NoSubject = 'message.no-subject';
    case NoWords = 'message.no-words';
    case UnknownField = 'message.unknown-field';
    case EmptyField = 'message.empty-field';
    case TimePassed = 'message.time-passed';
    case SentMeanwhile = 'message.sent-meanwhile';
    case TooLarge = 'message.too-large';
    case NotThere = 'message.not-there';
    case NoName = 'message.no-name';
    case OneEach = 'message.one-each';
    case SenderLeft = 'message.sender-left';
    case OpenElsewhere = 'message.open-elsewhere';
    case LetterInUse = 'message.letter-in-use';
    case NotOurClient = 'message.not-our-client';
    case LetterChanged = 'message.letter-changed';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NobodyChosen => 'Select who gets this message.',
            self::NoAddress => '{name} has no email address. Enter one, or leave them out.',
            self::NoSubject => 'Enter a subject.',
            self::NoWords => 'Write what it should say.',
            self::UnknownField => 'There is no field {field}. Select one from the list, or remove the braces.',
            self::EmptyField => 'This file has no {field} yet. Enter it in the file, or type it here.',
            self::TimePassed => 'That time has passed, or is more than 90 days ahead. Choose another one.',
            self::SentMeanwhile => 'This message was already sent. Your last change was not sent with it.',
            self::TooLarge => 'The papers are too large for an email together. Send them as a link.',
            self::NotThere => '“{title}” has not come in yet and cannot be sent.',
            self::NoName => 'Give it a name by which it is found again.',
            self::OneEach => 'Each link is for one person. Send a separate email to each.',
            self::SenderLeft => '{name} no longer works here, so this message was not sent.',
            self::NotOurClient => '{name} is no client of ours in this file, so there is no page for them.',
            self::OpenElsewhere => 'This draft was opened in another window since. Continue there. What you typed here is still here, '.
                'but it is not saved.',
            self::LetterInUse => 'Automatic emails in {office} use this letter. Turn them off first.',
            self::LetterChanged => 'Someone changed this letter meanwhile. Your text is still here. To see theirs, open the letter in '.
                'another window; saving again replaces it.',
        };
    }
}
