<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\Letter;
use App\Models\Signer;

/** Emails that the mail server does not accept. */
final class Refused
{
    /** Why the newest email to a signer did not go out and will not by itself; null when it did, or still may. */
    public static function to(Signer $signer): ?string
    {
        $newest = Letter::query()
            ->where('action', "signer {$signer->key}")
            ->latest('id')
            ->first();
        if ($newest?->returned_at !== null) {
            return "it came back, {$newest->returned_because}.";
        }
        $waiting = $newest === null ? null : SendLetter::waiting($newest->id);

        return $waiting !== null && $waiting->stopped ? $waiting->fault : null;
    }
}
