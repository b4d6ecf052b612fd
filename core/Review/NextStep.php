<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Files\PaperState;

/**
 * The one next thing to do with a paper of a file.
 */
enum NextStep: string
{
    case AnswerRemark = 'remark';
    case Upload = 'upload';
    /** Something is done instead of brought. */
    case Do = 'do';
    case Fill = 'fill';
    case Send = 'send';
    case SeeRound = 'round';
    case Submit = 'submit';

    /**
     * What comes next; null when nothing is owed on it.
     *
     * @param ReviewState|null $review where its requirement stands; null: no requirement asks for it
     * @param int $missing required blanks that are empty
     * @param bool $isOut whether it is in a round that is out
     * @param bool $hasMarks whether anyone signs on it
     * @param bool $isAction whether something is done instead of brought
     */
    public static function of(
        PaperState $state,
        ?ReviewState $review,
        int $missing,
        bool $isOut,
        bool $hasMarks,
        bool $isAction = false,
    ): ?self {
        return match (true) {
            $review === ReviewState::SentBack => self::AnswerRemark,
            $review === ReviewState::DoesNotApply => null,
            $state === PaperState::Expected => $isAction ? self::Do : self::Upload,
            $missing > 0 => self::Fill,
            $state === PaperState::Draft && $hasMarks => self::Send,
            $isOut => self::SeeRound,
            $review === ReviewState::NotSubmitted && in_array(
                $state,
                [PaperState::Draft, PaperState::Ready, PaperState::Signed],
                true,
            ) => self::Submit,
            default => null,
        };
    }

    /** As read on its button. @param  int  $missing  required blanks that are empty */
    public function label(int $missing): string
    {
        return match ($this) {
            self::AnswerRemark => 'Answer remark',
            self::Upload => 'Upload',
            self::Do => 'Mark as done',
            self::Fill => $missing === 1 ? 'Fill 1 blank' : "Fill {$missing} blanks",
            self::Send => 'Send for signature',
            self::SeeRound => 'See round',
            self::Submit => 'Submit',
        };
    }

    /** Whether it waits on whoever works on the file, not on others. */
    public function isMine(): bool
    {
        return $this !== self::Upload && $this !== self::SeeRound;
    }
}
