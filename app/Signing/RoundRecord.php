<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Event;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Models\SigningMark;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Unanimus\Dates\Moment;
use Unanimus\Evidence\EvidenceRecord;
use Unanimus\Evidence\TimeLine;
use Unanimus\Signing\EventKind;

/** The evidence record of a round, whole or as it concerns one of its papers: who, how known, when, and what was done where. */
final class RoundRecord
{
    /** @var Collection<int, RoundPaper> */
    private readonly Collection $papers;

    /** @var Collection<int, SigningMark> */
    private readonly Collection $marks;

    /** @param  RoundPaper|null  $only  the paper it stands behind; null for the whole set */
    public function __construct(private readonly Round $round, private readonly ?RoundPaper $only = null)
    {
        $this->papers = $round->papers->filter(static fn (RoundPaper $sent) => $only === null || $sent->id === $only->id)->values();
        $this->marks = $round->marks->filter(static fn (SigningMark $mark) => $only === null || $mark->round_paper_id === $only->id);
    }

    /** The record, drawn as pages by its `pages()`. */
    public function evidence(): EvidenceRecord
    {
        $round = $this->round;
        $names = $round->signers->pluck('name', 'seat');
        $events = $this->events()->map(
            static fn (Event $event) => [
                'at' => Moment::record($event->at, $round->file->office->zone),
                'who' => $event->seat === null ? $round->sender->name : (string) ($names[$event->seat] ?? $event->seat),
                'what' => EventKind::from($event->kind)->told($event->data).(isset($event->data['where']) ? ": {$event->data['where']}" : ''),
                'from' => trim((string) $event->address),
            ],
        );

        return new EvidenceRecord(
            $round->key,
            "{$round->file->name}: ".($this->only === null ? $round->title : $this->only->title),
            array_values($this->papers->map(self::paper(...))->all()),
            array_values($round->signers->filter($this->signsHere(...))->map($this->person(...))->all()),
            array_values($events->all()),
            $round->file->office->zone,
            $this->timeLine(),
            url('/proof'),
            $this->consent(),
        );
    }

    /** @return array{title: string, pages: int, sha256: string} */
    private static function paper(RoundPaper $sent): array
    {
        return ['title' => $sent->title, 'pages' => $sent->pages, 'sha256' => (string) $sent->sha256];
    }

    /** @return array{name: string, seat: string, address: string, agreed: string, finished: string, places: string} */
    private function person(Signer $signer): array
    {
        return [
            'name' => $signer->name,
            'seat' => $signer->seatOf()->label(),
            'address' => (string) $signer->email,
            'agreed' => $this->moment($signer, EventKind::Consented),
            'finished' => $this->moment($signer, EventKind::Finished),
            'places' => $this->places($signer),
        ];
    }

    /** Behind one paper stand those who sign on it. */
    private function signsHere(Signer $signer): bool
    {
        return $this->only === null || $this->marks->contains('seat', $signer->seat);
    }

    /**
     * What was done in the round; behind one paper nothing of what was done on others.
     *
     * @return Collection<int, Event>
     */
    private function events(): Collection
    {
        $here = $this->marks->pluck('key')->flip();
        $signs = $this->round->signers->filter($this->signsHere(...))->pluck('seat')->flip();

        return $this->round->events->filter(
            fn (Event $event) => $this->only === null ||
                (isset($event->data['mark']) ? $here->has($event->data['mark']) : $event->seat === null || $signs->has($event->seat)),
        );
    }

    private function moment(Signer $signer, EventKind $kind): string
    {
        $at = $this->when($signer, $kind);

        return $at === null ? '—' : Moment::record($at, $this->round->file->office->zone);
    }

    private function when(Signer $signer, EventKind $kind): ?Carbon
    {
        return $this->round->events->last(
            static fn (Event $event) => $event->seat === $signer->seat && $event->kind === $kind->value,
        )?->at;
    }

    /** How many places they signed or filled in on which paper. */
    private function places(Signer $signer): string
    {
        $made = $this->round->state()->made;
        $on = [];
        foreach ($this->papers as $sent) {
            $count = $this->marks
                ->where('round_paper_id', $sent->id)
                ->where('seat', $signer->seat)
                ->filter(static fn (SigningMark $mark) => $made->stands($mark->key))
                ->count();
            $count === 0 || ($on[] = "{$sent->title}: ".($count === 1 ? '1 place' : "{$count} places"));
        }

        return implode(' · ', $on);
    }

    /** What they agreed to, in each language in which somebody read it. */
    private function consent(): string
    {
        return $this->events()
            ->where('kind', EventKind::Consented->value)
            ->map(static fn (Event $event) => (string) ($event->data['terms'] ?? __('client.sign.terms', [], 'en')))
            ->unique()
            ->implode(' · ');
    }

    private function timeLine(): TimeLine
    {
        $moments = [];
        foreach ($this->round->signers->filter($this->signsHere(...)) as $signer) {
            $kinds = [EventKind::Opened, EventKind::Consented, EventKind::Finished];
            // Two of one name are two.
            $moments["{$signer->name}, {$signer->seatOf()->label()}"] = array_values(
                array_filter(array_map(fn (EventKind $kind) => $this->when($signer, $kind), $kinds)),
            );
        }

        return new TimeLine($moments, $this->round->sent_at ?? now(), $this->round->over_at ?? now(), $this->round->file->office->zone);
    }
}
