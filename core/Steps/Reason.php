<?php

declare(strict_types=1);

namespace Unanimus\Steps;

/**
 * Why a step is refused: one case for each rule that refuses. Whoever must act on it asks for the case, the person reads its words.
 */
interface Reason extends \BackedEnum
{
    /** What the person is told, with the names of what is put in: "“{title}” has not arrived yet." */
    public function words(): string;

    /** The refusal itself, its words filled in. */
    public function because(string|int|\Stringable ...$with): StepRefused;
}
