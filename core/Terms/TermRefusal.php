<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a term or a fact of a file is not set. */
enum TermRefusal: string implements Reason
{
    use Refuses;

    case NothingToCheck = 'term.nothing-to-check';
    case CheckedAgainstNothing = 'term.checked-against-nothing';
    case OtherSides = 'term.other-sides';
    case NoSuchTerm = 'term.no-such-term';
    case ChangedMeanwhile = 'term.changed-meanwhile';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NothingToCheck => 'These are checked already, or no longer in the file.',
            self::CheckedAgainstNothing => 'Say what you checked them against, such as “county record” or “deed”.',
            self::OtherSides => 'This belongs to the {side}s’ side. Only their own agent can change it.',
            self::NoSuchTerm => 'There is no term “{name}”.',
            self::ChangedMeanwhile => '{who} changed {label} to “{value}” while you were on this page. To replace it, enter yours again.',
        };
    }
}
