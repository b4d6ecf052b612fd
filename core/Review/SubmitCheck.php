<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Files\PaperState;
use Unanimus\Steps\StepRefused;

/**
 * Whether a paper can be handed to the reviewer.
 */
final class SubmitCheck
{
    /**
     * Lets pass a paper that is here: pages from outside, a signed one, or a form that nobody signs.
     *
     * @param bool $isForSigning whether its form has places for signatures
     *
     * @throws StepRefused when it has not come in, is out or void, or is still to be signed
     */
    public static function paper(string $title, PaperState $state, bool $isForSigning): void
    {
        match (true) {
            ! in_array(
                $state,
                [PaperState::Ready, PaperState::Signed, PaperState::Draft],
                true,
            ) => throw ReviewRefusal::NotArrived->because(
                title: $title,
            ),
            $state === PaperState::Draft && $isForSigning => throw ReviewRefusal::NotSigned->because(title: $title),
            default => null,
        };
    }

    /**
     * Whether what is asked for is met by further papers, though its own has not come: one of them is here.
     *
     * @param list<PaperState> $further
     */
    public static function isMetByFurther(PaperState $own, array $further): bool
    {
        return $own === PaperState::Expected &&
            array_filter($further, static fn (PaperState $state) => in_array($state, [PaperState::Ready, PaperState::Signed], true)) !== [];
    }

    /**
     * Lets pass a filled form: the reviewer reads it as it is filled, and with required blanks empty there is nothing to read.
     *
     * @param list<string> $missing labels of required blanks that are empty
     *
     * @throws StepRefused when there are any
     */
    public static function blanks(string $title, array $missing): void
    {
        match (count($missing)) {
            0 => null,
            1 => throw ReviewRefusal::BlankEmpty->because(title: $title, label: $missing[0]),
            default => throw ReviewRefusal::BlanksEmpty->because(title: $title, count: count($missing), label: $missing[0]),
        };
    }
}
