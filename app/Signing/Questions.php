<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Event;
use App\Models\Round;
use Illuminate\Support\Collection;
use Unanimus\Signing\EventKind;

/** What signers of a round asked, and what they were answered. */
final readonly class Questions
{
    /**
     * @param Round $round with its events
     * @param string|null $seat of whose questions; null for everyone's
     * @return Collection<int, array{once: string, seat: string, question: string, asked: Event, answer: string|null}> in order
     */
    public static function of(Round $round, ?string $seat = null): Collection
    {
        $answers = $round->events
            ->where('kind', EventKind::Answered->value)
            ->mapWithKeys(static fn (Event $event) => [(string) ($event->data['asked'] ?? '') => (string) ($event->data['answer'] ?? '')]);

        return $round->events
            ->where('kind', EventKind::Asked->value)
            ->filter(static fn (Event $event) => $seat === null || $event->seat === $seat)
            ->map(
                static fn (Event $event) => [
                    'once' => $event->once_key,
                    'seat' => (string) $event->seat,
                    'question' => (string) ($event->data['question'] ?? ''),
                    'asked' => $event,
                    'answer' => $answers[$event->once_key] ?? null,
                ],
            )
            ->values();
    }
}
