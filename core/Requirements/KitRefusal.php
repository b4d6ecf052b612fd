<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a kit is not kept or applied. */
enum KitRefusal: string implements Reason
{
    use Refuses;

    case SavedMeanwhile = 'kit.saved-meanwhile';
    case OfficeKit = 'kit.office-kit';
    case NoSuchItem = 'kit.no-such-item';
    case FileHasEnded = 'kit.file-has-ended';
    case NoSuchKit = 'kit.no-such-kit';
    case HoldsDealData = 'kit.holds-deal-data';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::SavedMeanwhile => 'Someone saved version {version} of this kit. Your change is not saved. Look at theirs, then '.
                'make your change again.',
            self::OfficeKit => 'Only the broker or administrator keeps an office’s kits. You can always make a kit of your own.',
            self::NoSuchItem => 'This paper is no longer in the kit. Check the list again.',
            self::FileHasEnded => 'This file is {status}. You can only apply kits to open files.',
            self::NoSuchKit => 'This kit is no longer available.',
            self::HoldsDealData => '{faults}',
        };
    }
}
