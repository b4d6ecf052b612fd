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

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::AlreadyArrived => '“{title}” has already arrived. Open it and upload this file as a new version.',
            self::NewerVersion => '“{title}” has a newer version than this upload. Nothing was moved.',
            self::NotInFile => '“{name}” is not in the file.',
            self::NotSeparated => '“{name}” could not be separated. It stays in the file as one paper.',
            self::SettledMeanwhile => 'Somebody has filed this email or put it away meanwhile. Reload the page.',
            self::NoPaperInIt => 'No papers came along with this email.',
            self::OnePaperOnly => '“{name}” holds one paper only.',
        };
    }
}
