<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Event;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Terms\When;
use Illuminate\Support\Carbon;
use Unanimus\Signing\Device;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\SignerStatus;

/** Where a round stands, paper by paper and person by person. */
final readonly class RoundWatch
{
    private RoundState $state;

    /** @param  Round  $round  sent, with its papers, signers, marks and events */
    public function __construct(private Round $round)
    {
        $this->state = $round->state();
    }

    /**
     * What someone has done on a paper: how many places of how many.
     *
     * @return array{made: int, of: int} of none where nothing is asked of them there
     */
    public function places(RoundPaper $sent, Signer $signer): array
    {
        $of = $made = 0;
        foreach ($this->round->marks->where('round_paper_id', $sent->id)->where('seat', $signer->seat) as $mark) {
            $act = $mark->act();
            if ($act === null || ! ($act->isRequired || $this->state->made->stands($act->key)) || ! $this->state->made->isAskedFor($act)) {
                continue;
            }
            $of++;
            $this->isMade($mark, $signer) && $made++;
        }

        return ['made' => $made, 'of' => $of];
    }

    /** Since when someone stands where they stand, and on what: "Thu, Nov 26, 9:40 pm, on an iPhone"; empty where nothing happened. */
    public function since(Signer $signer): string
    {
        // Whoever came into the place did none of what was done there before.
        $came = $this->last(EventKind::Replaced, static fn (Event $event) => ($event->data['seat'] ?? '') === $signer->seat);
        $own = $this->round->events->last(static fn (Event $event) => $event->seat === $signer->seat && $event->id > ($came->id ?? 0));
        $byPen = $this->last(
            EventKind::SignedOnPaper,
            static fn (Event $event) => in_array($signer->seat, (array) ($event->data['seats'] ?? []), true),
        );
        [$at, $device] = match (true) {
            $byPen !== null => [$byPen->at, ''],
            $own !== null => [$own->at, Device::of((string) $own->device)],
            $signer->status === SignerStatus::Waiting => [null, ''],
            default => [$came->at ?? $this->turnBegan($signer) ?? $this->round->sent_at, ''],
        };

        return $at === null ? '' : When::list($at, $this->round->file->office->zone).($device === '' ? '' : ", on {$device}");
    }

    /**
     * What was done in somebody's place, in order: by them, and by whoever had it before.
     *
     * @return list<array{at: string, who: string, what: string, from: string}> who: empty for whoever has it now
     */
    public function done(Signer $signer): array
    {
        $record = new RoundRecord($this->round);
        $zone = $this->round->file->office->zone;
        $events = $this->round->events->filter(static fn (Event $event) => $event->seat === $signer->seat);

        return array_values($events->map(static function (Event $event) use ($record, $signer, $zone): array {
            $who = $record->holder($event);
            $where = isset($event->data['where']) ? ": {$event->data['where']}" : '';

            return [
                'at' => When::list($event->at, $zone),
                'who' => $who === $signer->name ? '' : $who,
                'what' => EventKind::from($event->kind)->told($event->data).$where,
                'from' => implode(' · ', array_filter([Device::of((string) $event->device), trim((string) $event->address)])),
            ];
        })->all());
    }

    /** When the last of those who sign before them was done. */
    private function turnBegan(Signer $signer): ?Carbon
    {
        $before = $this->round->signers->filter(static fn (Signer $one) => $one->turn < $signer->turn)->pluck('seat')->all();

        return $this->round->events->last(
            static fn (Event $event) => ($event->kind === EventKind::Finished->value && in_array($event->seat, $before, true)) ||
                ($event->kind === EventKind::SignedOnPaper->value &&
                    array_intersect($before, (array) ($event->data['seats'] ?? [])) !== []),
        )?->at;
    }

    /** @param  callable(Event): bool  $fits */
    private function last(EventKind $kind, callable $fits): ?Event
    {
        return $this->round->events->last(static fn (Event $event) => $event->kind === $kind->value && $fits($event));
    }

    private function isMade(SigningMark $mark, Signer $signer): bool
    {
        return isset($this->state->onPaper[$signer->seat]) || $this->state->made->stands($mark->key);
    }
}
