<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a paper is not changed, moved or taken out. */
enum PaperRefusal: string implements Reason
{
    use Refuses;

    case NothingToPrint = 'paper.nothing-to-print';
    case NotSeen = 'paper.not-seen';
    case NoTag = 'paper.no-tag';
    case SeveralStages = 'paper.several-stages';
    case NoSuchState = 'paper.no-such-state';
    case VersionsStay = 'paper.versions-stay';
    case NothingToCopy = 'paper.nothing-to-copy';
    case CalledFor = 'paper.called-for';
    case NoReason = 'paper.no-reason';
    case NoName = 'paper.no-name';
    case WithReviewer = 'paper.with-reviewer';
    case NoLongerFilled = 'paper.no-longer-filled';
    case NoLongerInFile = 'paper.no-longer-in-file';
    case IsVoid = 'paper.is-void';
    case IsOut = 'paper.is-out';
    case NoSuchStep = 'paper.no-such-step';
    case AlreadyRemoved = 'paper.already-removed';
    case StaysInFile = 'paper.stays-in-file';
    case OutForSignature = 'paper.out-for-signature';
    case Signed = 'paper.signed';
    case NotArrived = 'paper.not-arrived';
    case Void = 'paper.void';
    case InReview = 'paper.in-review';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NothingToPrint => '“{title}” has not arrived yet, so there is nothing to print.',
            self::NotSeen => 'You can no longer see this paper. Nothing was changed.',
            self::NoTag => 'Type at least one tag. The tags stay as they are.',
            self::SeveralStages => 'Papers are put in order within one part of the board. To move one to another part, open it and '.
                'change its stage.',
            self::NoSuchState => 'This paper never looked like that.',
            self::VersionsStay => 'This paper can no longer be filled in. Its versions stay as they are.',
            self::NothingToCopy => '“{title}” has not arrived yet, so there is nothing to copy.',
            self::CalledFor => '“{title}” is required: {reason}. It goes away when that changes, or a reviewer can mark it as '.
                'not applicable.',
            self::NoReason => 'Give a reason for voiding the paper. It stays in the file’s history.',
            self::NoName => 'A paper needs a name and a stage. The old ones were kept.',
            self::WithReviewer => '“{title}” is with the reviewer. It can be changed when it is sent back.',
            self::NoLongerFilled => 'This paper can no longer be filled in.',
            self::NoLongerInFile => 'One of these papers is no longer in this file.',
            self::IsVoid => '“{title}” is void. Add it to the file again first.',
            self::IsOut => '“{title}” is out for signature. Recall the round first.',
            self::NoSuchStep => 'A paper that is {from} cannot become {to}.',
            self::AlreadyRemoved => '“{title}” is already removed from the file.',
            self::StaysInFile => '“{title}” is {state} and stays in the file.',
            self::OutForSignature => 'This paper is out for signature. Recall the round to change it.',
            self::Signed => 'This paper is signed. A change needs an amendment.',
            self::NotArrived => 'This paper has not arrived yet.',
            self::Void => 'This paper is void. Add it to the file again first.',
            self::InReview => 'This paper is with the reviewer. It can be changed when it is sent back.',
        };
    }
}
