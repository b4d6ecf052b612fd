<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why an offer is not recorded, changed or chosen. */
enum OfferRefusal: string implements Reason
{
    use Refuses;

    case WasCountered = 'offer.was-countered';
    case AnotherIsTheContract = 'offer.another-is-the-contract';
    case IsTheContract = 'offer.is-the-contract';
    case NoLongerChanges = 'offer.no-longer-changes';
    case NotOurListing = 'offer.not-our-listing';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::WasCountered => 'This offer was countered. Accept the counteroffer, or record a new offer.',
            self::AnotherIsTheContract => 'The offer from {buyers} is already the contract.',
            self::IsTheContract => 'This offer is the contract. Terminate the file, or reopen it as active, before you accept '.
                'another offer.',
            self::NoLongerChanges => 'This offer is {state} and can no longer change.',
            self::NotOurListing => 'You compare offers on our own listings. This file is for a buyer, so its terms are the offer.',
        };
    }
}
