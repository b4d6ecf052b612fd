<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Steps\StepRefused;

/** Where a round stands. */
enum RoundStatus: string
{
    case Drafting = 'drafting';
    case Out = 'out';
    case Complete = 'complete';
    case Declined = 'declined';
    case Lapsed = 'lapsed';
    case Recalled = 'recalled';

    /**
     * Lets pass a change of who signs what until when.
     *
     * @throws StepRefused when it was sent
     */
    public function mustBeDraft(): void
    {
        $this === self::Drafting || throw SigningRefusal::AlreadyOut->because();
    }

    /** Whether nothing can be added to it any more. */
    public function isOver(): bool
    {
        return ! in_array($this, [self::Drafting, self::Out], true);
    }
}
