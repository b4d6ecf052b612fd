<?php

declare(strict_types=1);

use Unanimus\Files\PaperState;
use Unanimus\Review\NextStep;
use Unanimus\Review\ReviewState;

it('knows the one next step of a paper', function (
    PaperState $state,
    ?ReviewState $review,
    int $missing,
    bool $out,
    bool $marks,
    ?NextStep $step,
) {
    expect(NextStep::of($state, $review, $missing, $out, $marks))->toBe($step);
})->with([
    'sent back comes first' => [PaperState::Draft, ReviewState::SentBack, 3, false, true, NextStep::AnswerRemark],
    'expected' => [PaperState::Expected, ReviewState::NotSubmitted, 0, false, false, NextStep::Upload],
    'blanks before signing' => [PaperState::Draft, ReviewState::NotSubmitted, 2, false, true, NextStep::Fill],
    'filled and signed by someone' => [PaperState::Draft, ReviewState::NotSubmitted, 0, false, true, NextStep::Send],
    'filled and signed by no one' => [PaperState::Draft, ReviewState::NotSubmitted, 0, false, false, NextStep::Submit],
    'filled, signed by no one, asked for by no one' => [PaperState::Draft, null, 0, false, false, null],
    'out' => [PaperState::Out, ReviewState::NotSubmitted, 0, true, true, NextStep::SeeRound],
    'signed' => [PaperState::Signed, ReviewState::NotSubmitted, 0, false, true, NextStep::Submit],
    'ready' => [PaperState::Ready, ReviewState::NotSubmitted, 0, false, false, NextStep::Submit],
    'submitted' => [PaperState::Signed, ReviewState::Submitted, 0, false, true, null],
    'accepted' => [PaperState::Signed, ReviewState::Accepted, 0, false, true, null],
    'does not apply' => [PaperState::Draft, ReviewState::DoesNotApply, 0, false, false, null],
    'signed and not on the checklist' => [PaperState::Signed, null, 0, false, true, null],
]);

it('says how many blanks there are, and whose step it is', function () {
    expect(NextStep::Fill->label(1))
        ->toBe('Fill 1 blank')
        ->and(NextStep::Fill->label(4))
        ->toBe('Fill 4 blanks')
        ->and(array_filter(NextStep::cases(), fn (NextStep $step) => ! $step->isMine()))
        ->toEqualCanonicalizing([NextStep::Upload, NextStep::SeeRound]);
});
