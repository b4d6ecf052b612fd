<?php

declare(strict_types=1);

namespace Unanimus\Steps;

/**
 * Makes the refusal of a reason.
 *
 * @phpstan-require-implements Reason
 */
trait Refuses
{
    /**
     * The refusal itself, its words filled in.
     *
     * @param string|int|\Stringable ...$with by the names that stand in the words
     */
    public function because(string|int|\Stringable ...$with): StepRefused
    {
        return StepRefused::for($this, $with);
    }
}
