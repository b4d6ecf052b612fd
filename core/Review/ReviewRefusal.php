<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a paper is not submitted, accepted or sent back. */
enum ReviewRefusal: string implements Reason
{
    use Refuses;

    case NotOnChecklist = 'review.not-on-checklist';
    case NotSigned = 'review.not-signed';
    case NotArrived = 'review.not-arrived';
    case NotSubmitted = 'review.not-submitted';
    case NoReason = 'review.no-reason';
    case AlreadySettled = 'review.already-settled';
    case NoRemark = 'review.no-remark';
    case DoesNotApply = 'review.does-not-apply';
    case NotTheirFile = 'review.not-their-file';
    case NothingToRead = 'review.nothing-to-read';
    case NoSuchField = 'review.no-such-field';
    case NotAsked = 'review.not-asked';
    case NoAction = 'review.no-action';
    case SameRequirement = 'review.same-requirement';
    case AlreadyAccepted = 'review.already-accepted';
    case AlreadySubmitted = 'review.already-submitted';
    case BeingRead = 'review.being-read';
    case RemarkSent = 'review.remark-sent';
    case NoAnswer = 'review.no-answer';
    case NotTheirOffice = 'review.not-their-office';
    case OtherVersion = 'review.other-version';
    case SecondReader = 'review.second-reader';
    case BlankEmpty = 'review.blank-empty';
    case BlanksEmpty = 'review.blanks-empty';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NotOnChecklist => '“{title}” is not on the checklist.',
            self::NotSigned => '“{title}” is not signed yet. Send it for signature, then submit it.',
            self::NotArrived => '“{title}” has not arrived yet, so there is nothing to submit.',
            self::NotSubmitted => 'Only a submitted paper can be accepted or sent back.',
            self::NoReason => 'Say why it does not apply.',
            self::AlreadySettled => 'This is already done.',
            self::NoRemark => 'Say in a remark what to fix.',
            self::DoesNotApply => 'This was marked as not applicable.',
            self::NotTheirFile => '{name} does not see this file. Add them to it first.',
            self::NothingToRead => 'Nothing of what you selected has come in yet.',
            self::NoSuchField => 'There is no field {fields}. In braces stand names such as price, closing, paper or agent.',
            self::NotAsked => 'No one is asking whether “{title}” applies anymore.',
            self::NoAction => '“{title}” is a paper. Upload it.',
            self::SameRequirement => '“{title}” is what is asked for itself.',
            self::AlreadyAccepted => 'This was already accepted.',
            self::AlreadySubmitted => 'This was already submitted and is waiting for the broker.',
            self::BeingRead => 'The broker has begun to read it. Ask them to send it back.',
            self::RemarkSent => 'This remark was sent already. Mark it as resolved instead.',
            self::NoAnswer => 'Say what you did about it.',
            self::NotTheirOffice => '{name} does not review for this office.',
            self::OtherVersion => '“{title}” has another version since you opened it. Look at it again, then decide.',
            self::SecondReader => 'You accepted “{title}” already. Another reviewer accepts it second.',
            self::BlankEmpty => '“{title}” has a required blank empty: {label}. Fill it in, then submit it.',
            self::BlanksEmpty => '“{title}” has {count} required blanks empty: {label} …. Fill it in, then submit it.',
        };
    }
}
