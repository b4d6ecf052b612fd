<?php

declare(strict_types=1);

namespace App\Signing;

use App\Access\OwnAddress;
use App\Models\Brokerage;
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
use Unanimus\Parties\Language;
use Unanimus\Signing\Device;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\Part;

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
        $events = $this->events()->map(
            fn (Event $event) => [
                'at' => Moment::record($event->at, $round->file->office->zone),
                'who' => $event->seat === null ? (string) ($event->data['by'] ?? $round->sender->name) : $this->holder($event),
                'what' => EventKind::from($event->kind)->told($event->data).
                    (isset($event->data['where']) ? ": {$event->data['where']}" : ''),
                'from' => implode(', ', array_filter([
                    trim((string) $event->address),
                    Device::of((string) $event->device),
                    isset($event->data['here']) ? 'in person' : '',
                ])),
            ],
        );

        return new EvidenceRecord(
            $round->key,
            implode(': ', array_unique([$round->file->name, $this->only === null ? $round->title : $this->only->title])),
            array_values($this->papers->map(self::paper(...))->all()),
            array_values($round->signers->filter($this->signsHere(...))->flatMap($this->people(...))->all()),
            array_values($events->all()),
            $round->file->office->zone,
            $this->timeLine(),
            OwnAddress::within(
                Brokerage::query()->whereKey($round->brokerage_id)->value('address'),
                static fn () => url('/proof'),
            ),
            $this->consent(),
        );
    }

    /** @return array{title: string, pages: int, sha256: string} */
    private static function paper(RoundPaper $sent): array
    {
        return ['title' => $sent->title, 'pages' => $sent->pages, 'sha256' => (string) $sent->sha256];
    }

    /** @return list<array{name: string, seat: string, known: string, agreed: string, finished: string, places: string}> */
    private function people(Signer $signer): array
    {
        $seat = $signer->seatOf()->label();
        $onPaper = isset($this->round->state()->onPaper[$signer->seat]) || $signer->part !== Part::Signs;
        $before = $this->replacements($signer->seat)->map(
            fn (Event $event) => [
                'name' => (string) $event->data['was'],
                'seat' => $seat,
                'known' => "asked at {$event->data['was_address']} until ".
                    Moment::record($event->at, $this->round->file->office->zone).
                    ", then {$event->data['name']} was put in this place",
                'agreed' => '',
                'finished' => '',
                'places' => '',
            ],
        );

        return array_values([
            ...$before,
            [
                'name' => $signer->name,
                'seat' => $seat,
                'known' => $this->known($signer).
                    ($signer->part === Part::Signs
                        ? ''
                        : ' · '.lcfirst($signer->part->done()).' '.$this->moment($signer, EventKind::Finished)),
                'agreed' => $onPaper ? '' : $this->moment($signer, EventKind::Consented),
                'finished' => $this->moment($signer, EventKind::Finished),
                'places' => $onPaper ? '' : $this->places($signer),
            ],
        ]);
    }

    /** How it was known who signed: by link, by link and code, or by whoever handed the device over. */
    private function known(Signer $signer): string
    {
        $here = $this->last($signer, EventKind::Consented)->data['here'] ?? null;
        if (is_string($here)) {
            return "signed in person, on the device of {$here}";
        }
        if (isset($this->round->state()->onPaper[$signer->seat])) {
            $added = $this->round->events->last(
                static fn (Event $event) => $event->kind === EventKind::SignedOnPaper->value &&
                    in_array($signer->seat, (array) $event->data['seats'], true),
            );

            return 'signed on paper; '.
                ($added->data['by'] ?? $this->round->sender->name).
                " added the scan, SHA-256 {$added?->data['sha256']}, ".
                ($added === null ? '' : Moment::record($added->at, $this->round->file->office->zone));
        }
        $code = $this->last($signer, EventKind::CodeEntered) === null ? '' : ' and by an access code told to them';
        $language = $signer->language === Language::English ? '' : " · read in {$signer->language->name}";

        return "known by a link sent to {$signer->email}{$code}{$language}";
    }

    /** @return Collection<int, Event> in order */
    private function replacements(string $seat): Collection
    {
        return $this->round->events
            ->where('kind', EventKind::Replaced->value)
            ->filter(static fn (Event $event) => ($event->data['seat'] ?? '') === $seat)
            ->values();
    }

    /** Who had the place when something was done there. */
    public function holder(Event $event): string
    {
        $after = $this->replacements((string) $event->seat)->first(static fn (Event $one) => $one->id > $event->id);

        return (string) ($after->data['was'] ?? ($this->round->signers->firstWhere('seat', $event->seat)->name ?? $event->seat));
    }

    /** Behind one paper stand those who sign on it. */
    private function signsHere(Signer $signer): bool
    {
        return $this->only === null || $signer->part !== Part::Signs || $this->marks->contains('seat', $signer->seat);
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
        return $this->last($signer, $kind)?->at;
    }

    private function last(Signer $signer, EventKind $kind): ?Event
    {
        return $this->round->events->last(
            static fn (Event $event) => $event->seat === $signer->seat && $event->kind === $kind->value,
        );
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
