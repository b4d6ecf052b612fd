<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\Letter;
use App\Models\Signer;

/** Emails that did not reach whom they were for: the mail server does not accept them, or they came back. */
final class Refused
{
    /** Why the newest email to a signer did not go out and will not by itself; null when it did, or still may. */
    public static function to(Signer $signer): ?string
    {
        return self::of(["signer {$signer->key}"])["signer {$signer->key}"] ?? null;
    }

    /**
     * Why the newest email with a link did not arrive, by what the link is for.
     *
     * @param list<string> $links as the emails have them: "signer 01M…", "fill 01M…", "bring 01M…"
     * @return array<string, string> without those whose email arrived, or still may
     */
    public static function of(array $links): array
    {
        $newest = $links === [] ? [] : Letter::query()->whereIn('action', $links)->orderBy('id')->get()->keyBy('action');
        $why = [];
        foreach ($newest as $link => $letter) {
            if ($letter->returned_at !== null) {
                $why[(string) $link] = "it came back, {$letter->returned_because}.";

                continue;
            }
            $waiting = $letter->sent_at === null ? SendLetter::waiting($letter->id) : null;
            if ($waiting !== null && $waiting->stopped) {
                $why[(string) $link] = $waiting->fault;
            }
        }

        return $why;
    }
}
