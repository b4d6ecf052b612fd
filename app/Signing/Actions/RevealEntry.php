<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Event;
use App\Models\Round;
use App\Models\SigningMark;
use Illuminate\Support\Facades\Crypt;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\EventKind;

/** Shows a private entry to someone who may read it; that they looked is in the history, what they saw is not. */
final class RevealEntry
{
    /** @return string|null null while nothing stands there */
    public function __invoke(Round $round, SigningMark $mark): ?string
    {
        // Of who had the place before, nothing stands any more.
        if (! $round->state()->made->stands($mark->key)) {
            return null;
        }
        $last = $round->events->last(
            static fn (Event $event) => ($event->data['mark'] ?? '') === $mark->key &&
                $event->kind === EventKind::Marked->value,
        );
        $secret = $last->data['secret'] ?? null;
        if (! is_string($secret)) {
            return null;
        }
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Private entry looked at',
            ['round' => $round->title, 'what' => $mark->terms()->hint, 'seat' => $mark->seat],
            SeenBy::side($round->side),
        );

        return Crypt::decryptString($secret);
    }
}
