<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a form, or a paper on one, is not taken or changed. */
enum FormRefusal: string implements Reason
{
    use Refuses;

    case AmendmentNotOpen = 'form.amendment-not-open';
    case IsActive = 'form.is-active';
    case NotActive = 'form.not-active';
    case RevisionTaken = 'form.revision-taken';
    case NumberOfLibrary = 'form.number-of-library';
    case NoNumber = 'form.no-number';
    case NextIsStarted = 'form.next-is-started';
    case NoPdf = 'form.no-pdf';
    case NewerRevision = 'form.newer-revision';
    case NoSuchBlank = 'form.no-such-blank';
    case Retired = 'form.retired';
    case NothingBelongs = 'form.nothing-belongs';
    case IsCurrent = 'form.is-current';
    case KeepsRevision = 'form.keeps-revision';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::AmendmentNotOpen => '“{title}” is not signed by everyone, or its changes were already applied.',
            self::IsActive => 'This form is active and can no longer change. Start its next revision.',
            self::NotActive => 'Only an active form can be retired.',
            self::RevisionTaken => '{number} was already active as revision “{revision}”. Use another revision.',
            self::NumberOfLibrary => '{number} is a form of the library. Give yours another number.',
            self::NoNumber => 'Give the form a number first: one to three capital letters, a hyphen and up to four digits, such as QR-12.',
            self::NextIsStarted => 'The next revision of {number} is already started as “{title}”. Continue with that one.',
            self::NoPdf => 'Choose a PDF to make a form from.',
            self::NewerRevision => 'Revision {revision} is now the current one. Look at that one first. Nothing was changed.',
            self::NoSuchBlank => 'This paper has no such blank.',
            self::Retired => '{number} {title} is retired. You cannot start new papers on it. Existing papers stay.',
            self::NothingBelongs => 'Nothing in this file belongs to {number} {title}. Nothing was changed.',
            self::IsCurrent => 'This paper already uses the current revision.',
            self::KeepsRevision => 'This paper can no longer be filled in. It keeps its revision.',
        };
    }
}
