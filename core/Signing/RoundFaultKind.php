<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * Why a round should not go out as it is.
 */
enum RoundFaultKind
{
    case NoAddress;
    case NobodySigns;
    case PaperUnsigned;
    /** A scan on which nobody signs yet, while its places are being looked for. */
    case BeingRead;
    /** Places that were found stand in pencil: nobody has looked at them. */
    case InPencil;
    /** Places that name somebody without saying whom. */
    case Unclear;
    case NothingToSign;
    case BlankMissing;
    case PaperNotOpen;
    /** The offer would have expired before the last signature. */
    case LastDayAfterOffer;

    /** A fact from elsewhere that nobody has checked stands on a contract. */
    case FactUnchecked;

    /** Pages that nobody has looked at at the desk. */
    case PagesUnseen;

    /** Whether the round cannot be sent with it; otherwise it is said, and the sender decides. */
    public function isBlocking(): bool
    {
        return ! in_array($this, [self::LastDayAfterOffer, self::FactUnchecked, self::PagesUnseen], true);
    }
}
