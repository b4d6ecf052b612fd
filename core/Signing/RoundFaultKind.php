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

    /** The last day is before today. */
    case LastDayPast;

    /** A scan with places already, in which more are being looked for; what is found after it went out is not asked for. */
    case StillRead;

    /** Two places on one spot. */
    case OnOneSpot;

    /** A place over printed words. */
    case OverText;

    /** A page without the initials that the others have. */
    case WithoutInitials;

    /** Someone of a role signs nothing where another of the role does. */
    case SignsNothing;

    /** A signer’s name is not the one in the file any more. */
    case NameDiffers;

    /** Whether the round cannot be sent with it; otherwise it is said, and the sender decides. */
    public function isBlocking(): bool
    {
        return match ($this) {
            self::LastDayAfterOffer,
            self::FactUnchecked,
            self::PagesUnseen,
            self::StillRead,
            self::OnOneSpot,
            self::OverText,
            self::WithoutInitials,
            self::SignsNothing,
            self::NameDiffers => false,
            default => true,
        };
    }
}
