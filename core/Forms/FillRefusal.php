<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a client is not asked to fill in, or an answer is not taken. */
enum FillRefusal: string implements Reason
{
    use Refuses;

    case NotTheirBlank = 'fill.not-their-blank';
    case NothingOpen = 'fill.nothing-open';
    case NotADraft = 'fill.not-a-draft';
    case LinkEnded = 'fill.link-ended';
    case LastDayPassed = 'fill.last-day-passed';
    case AlreadyFinished = 'fill.already-finished';
    case NotFinished = 'fill.not-finished';
    case NoPapers = 'fill.no-papers';
    case NobodyAsked = 'fill.nobody-asked';
    case AnswersAreThere = 'fill.answers-are-there';
    case AnswerMissing = 'fill.answer-missing';
    case AnswersMissing = 'fill.answers-missing';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NotTheirBlank => 'This is not yours to fill in.',
            self::NothingOpen => 'Nothing is left to fill in on these papers.',
            self::NotADraft => '“{title}” cannot be filled in. Only drafts can.',
            self::LinkEnded => 'This link no longer works. What you entered is saved. Ask for a new link to continue.',
            self::LastDayPassed => 'The last day, {day}, has passed.',
            self::AlreadyFinished => '{name} already finished. What they entered is in the papers.',
            self::NotFinished => '{name} has not finished yet.',
            self::NoPapers => 'Select at least one paper to fill in.',
            self::NobodyAsked => 'Choose who fills it in.',
            self::AnswersAreThere => 'The file has these answers already.',
            self::AnswerMissing => 'One answer is still missing: {labels}',
            self::AnswersMissing => '{count} answers are still missing: {labels}',
        };
    }
}
