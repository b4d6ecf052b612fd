<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why what was uploaded is not put where it was meant to go. */
enum IntakeRefusal: string implements Reason
{
    use Refuses;

    case AlreadyArrived = 'intake.already-arrived';
    case NewerVersion = 'intake.newer-version';
    case NotInFile = 'intake.not-in-file';
    case NotSeparated = 'intake.not-separated';
    case SettledMeanwhile = 'intake.settled-meanwhile';
    case NoPaperInIt = 'intake.no-paper-in-it';
    case OnePaperOnly = 'intake.one-paper-only';
    case NotOnTheTable = 'intake.not-on-the-table';
    case TableChanged = 'intake.table-changed';
    case TableSettled = 'intake.table-settled';
    case NoFileForPart = 'intake.no-file-for-part';
    case NothingOnTable = 'intake.nothing-on-table';
    case NobodyAsked = 'intake.nobody-asked';
    case NothingAsked = 'intake.nothing-asked';
    case NothingToRemind = 'intake.nothing-to-remind';
    case NoAddressToRemind = 'intake.no-address-to-remind';
    case NotAskedHere = 'intake.not-asked-here';
    case NotCut = 'intake.not-cut';
    case StillReading = 'intake.still-reading';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::AlreadyArrived => '“{title}” has already arrived. Open it and upload this file as a new version.',
            self::NewerVersion => '“{title}” has a newer version than this upload. Nothing was moved.',
            self::NotInFile => '“{name}” is not in the file.',
            self::NotSeparated => '“{name}” could not be separated. It stays in the file as one paper.',
            self::SettledMeanwhile => 'Someone has filed or archived this email meanwhile. Reload the page.',
            self::NoPaperInIt => 'No papers came along with this email.',
            self::NotOnTheTable => 'This page is no longer on the table. Reload the page.',
            self::TableChanged => 'Someone else has sorted here meanwhile. This is how it stands now.',
            self::TableSettled => 'These pages were filed already.',
            self::NoFileForPart => 'Choose a file for “{title}”. Nothing was filed yet.',
            self::NothingOnTable => 'All pages are put aside, so there is nothing to file.',
            self::NobodyAsked => 'Say who you are asking.',
            self::NothingAsked => 'Say what you are asking for: select a paper, or name one.',
            self::NothingToRemind => 'Nothing is missing from {name}, or the last day has passed.',
            self::NoAddressToRemind => '{name} has no email address here. Share the link with them again.',
            self::NotAskedHere => 'This is no longer asked for here. Reload the page.',
            self::NotCut => 'The pages of “{title}” could not be cut out. Nothing was filed; they still lie here.',
            self::StillReading => 'The pages are still being prepared. Try again in a moment.',
            self::OnePaperOnly => '“{name}” holds one paper only.',
        };
    }
}
