<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Post;
use App\Models\Event;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SealedSet;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Signing\MarkWords;
use App\Storage\Bytes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Moment;
use Unanimus\Evidence\EvidenceRecord;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\SigningKey;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeLine;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\PaperReading;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SealRefused;

/** Makes the sealed set of a complete round: signatures drawn in, the evidence record behind, all under one seal. */
final class SealSet
{
    public function __construct(private readonly Bytes $bytes, private readonly Press $press, private readonly TimeStamps $stamps)
    {
    }

    /**
     * Seals a round in the transaction that runs.
     *
     * @throws SealRefused when what would be drawn is not what was sent or chosen
     * @throws StampUnavailable when no time stamp can be had now
     */
    public function __invoke(Round $round): void
    {
        $round->refresh();
        if ($round->status !== RoundStatus::Complete || SealedSet::query()->where('round_id', $round->id)->exists()) {
            return;
        }
        [$set, $pages, $name] = $this->lay($round);
        $this->store($round, $this->sealed($set, $name), $pages);
    }

    /**
     * Seals a round in transactions of its own. The time-stamping authority is asked while none is open.
     *
     * @throws SealRefused when what would be drawn is not what was sent or chosen
     * @throws StampUnavailable when no time stamp can be had now
     */
    public function work(int $brokerageId, int $roundId): void
    {
        $laid = Sight::within($brokerageId, function () use ($roundId): ?array {
            $round = Round::query()->find($roundId);

            return $round === null || $round->status !== RoundStatus::Complete || SealedSet::query()->where('round_id', $roundId)->exists()
                ? null
                : $this->lay($round);
        });
        if ($laid === null) {
            return;
        }
        [$set, $pages, $name] = $laid;
        $sealed = $this->sealed($set, $name);
        Sight::within($brokerageId, function () use ($roundId, $sealed, $pages): void {
            // Whoever comes second waits here and finds the set made.
            DB::table('rounds')->where('id', $roundId)->lockForUpdate()->first();
            SealedSet::query()->where('round_id', $roundId)->exists() ||
                $this->store(
                    Round::query()
                        ->with(['papers.paper.requirement', 'signers', 'file.office', 'sender'])
                        ->findOrFail($roundId),
                    $sealed,
                    $pages,
                );
        });
    }

    /** @return array{string, int, string} the set with its signatures drawn in, how many pages it has, and the name it is sealed in */
    private function lay(Round $round): array
    {
        $round->load(['papers.paper.requirement', 'signers', 'marks', 'events', 'file.office', 'sender']);
        $this->check($round);
        $scratch = new Scratch();
        $parts = [];
        $drawings = [];
        $page = 0;
        foreach ($round->papers as $sent) {
            $pdf = $this->bytes->path((string) $sent->sha256);
            foreach ($this->drawings($round, $sent, PdfLook::into($pdf)->pages()) as $on => $drawing) {
                $drawings[$page + $on] = $drawing;
            }
            $parts[] = new SetPart($sent->title, $pdf, $sent->pages, sections: $sent->paper->sections());
            $page += $sent->pages;
        }
        $record = $this->record($round)->pages();
        $parts[] = new SetPart('Evidence record', $scratch->put('record.pdf', $this->press->print($record)), count($record));
        $set = $this->press->assemble($parts, static fn (int $page) => $drawings[$page] ?? null, "{$round->file->name}: {$round->title}");

        return [$set, $page + count($record), (string) DB::table('brokerages')->where('id', $round->brokerage_id)->value('name')];
    }

    private function sealed(string $set, string $name): string
    {
        $key = SigningKey::fromPem(
            (string) file_get_contents((string) config('unanimus.seal.key')),
            (string) config('unanimus.seal.passphrase'),
        );

        return (new Seal($key, $this->stamps, $name))->over($set, now()->toImmutable());
    }

    /** Holds what would be drawn against what was sent and chosen, event by event and byte by byte. */
    private function check(Round $round): void
    {
        $sent = $round->events->firstWhere('kind', EventKind::Sent->value);
        if (($sent->data['places'] ?? '') !== $round->sentDigest()) {
            throw SealRefused::placesDiffer();
        }
        foreach ($round->papers as $paper) {
            hash_file('sha256', $this->bytes->path((string) $paper->sha256)) === $paper->sha256 ||
                throw SealRefused::paperDiffers($paper->title);
        }
        foreach ($round->signers as $signer) {
            $chosen = $round->events->last(
                static fn (Event $event) => $event->seat === $signer->seat && $event->kind === EventKind::Adopted->value,
            );
            $signature = $signer->signature() ?? throw SealRefused::signatureMissing($signer->seatOf()->label());
            if ($chosen === null || ! hash_equals((string) ($chosen->data['signature'] ?? ''), $signature->digest())) {
                throw SealRefused::signatureDiffers($signer->seatOf()->label());
            }
        }
        $state = $round->state();
        foreach ($round->marks as $mark) {
            $mark->act() === null ||
                $round->signers->contains('seat', $mark->seat) ||
                throw SealRefused::signatureMissing($mark->seatOf()->label());
        }
        foreach ($round->signers as $signer) {
            $state->owes($signer->seat) === [] || throw SealRefused::markNotMade($signer->seatOf()->label());
        }
    }

    private function store(Round $round, string $sealed, int $pages): void
    {
        $base = ['brokerage_id' => $round->brokerage_id, 'deal_file_id' => $round->deal_file_id];
        $sha256 = $this->bytes->keep($round->brokerage_id, $sealed);
        $set = SealedSet::create([...$base, 'round_id' => $round->id, 'sha256' => $sha256, 'pages' => $pages, 'sealed_at' => now()]);
        $first = 1;
        foreach ($round->papers as $sent) {
            $before = $sent->paper->versions()->where('made_by', MadeBy::Sent)->orderByDesc('number')->first();
            $read = new PaperReading($before?->read()->form);
            $sent->paper->addVersion($sha256, $sent->pages, MadeBy::Signed, "round {$round->key}", null, $first, $read);
            $sent->paper->moveTo(PaperState::Signed);
            $first += $sent->pages;
        }
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Sealed set filed',
            ['round' => $round->title, 'pages' => $pages, 'sha256' => $sha256],
            SeenBy::side($round->side),
        );
        $round->setRelation('sealedSet', $set);
        Post::finished($round, $set);
    }

    /**
     * @param list<array{float, float}> $sizes
     * @return array<int, Drawing>
     */
    private function drawings(Round $round, RoundPaper $sent, array $sizes): array
    {
        $drawings = [];
        $words = new MarkWords($round);
        foreach ($round->marks->where('round_paper_id', $sent->id) as $mark) {
            $drawing = $drawings[$mark->page] ??= new Drawing(...$sizes[$mark->page - 1]);
            $words->draw($drawing, $mark);
        }

        return $drawings;
    }

    private function moment(Round $round, Signer $signer, EventKind $kind): string
    {
        $at = $this->when($round, $signer, $kind);

        return $at === null ? '—' : Moment::record($at, $round->file->office->zone);
    }

    private function when(Round $round, Signer $signer, EventKind $kind): ?Carbon
    {
        return $round->events->last(static fn (Event $event) => $event->seat === $signer->seat && $event->kind === $kind->value)?->at;
    }

    private function record(Round $round): EvidenceRecord
    {
        $names = $round->signers->pluck('name', 'seat');

        return new EvidenceRecord(
            $round->key,
            "{$round->file->name}: {$round->title}",
            array_values(
                $round->papers
                    ->map(
                        static fn (RoundPaper $sent) => [
                            'title' => $sent->title,
                            'pages' => $sent->pages,
                            'sha256' => (string) $sent->sha256,
                        ],
                    )
                    ->all(),
            ),
            array_values(
                $round->signers
                    ->map(
                        fn (Signer $signer) => [
                            'name' => $signer->name,
                            'seat' => $signer->seatOf()->label(),
                            'address' => (string) $signer->email,
                            'agreed' => $this->moment($round, $signer, EventKind::Consented),
                            'finished' => $this->moment($round, $signer, EventKind::Finished),
                            'places' => self::places($round, $signer),
                        ],
                    )
                    ->all(),
            ),
            array_values(
                $round->events
                    ->map(
                        static fn (Event $event) => [
                            'at' => Moment::record($event->at, $round->file->office->zone),
                            'who' => $event->seat === null ? $round->sender->name : (string) ($names[$event->seat] ?? $event->seat),
                            'what' => EventKind::from($event->kind)
                                ->told($event->data).(isset($event->data['where']) ? ": {$event->data['where']}" : ''),
                            'from' => trim((string) $event->address),
                        ],
                    )
                    ->all(),
            ),
            $round->file->office->zone,
            $this->timeLine($round),
            url('/proof'),
            self::consent($round),
        );
    }

    /** How many places they signed or filled in on which paper. */
    private static function places(Round $round, Signer $signer): string
    {
        $made = $round->state()->made;
        $on = [];
        foreach ($round->papers as $sent) {
            $count = $round->marks
                ->where('round_paper_id', $sent->id)
                ->where('seat', $signer->seat)
                ->filter(static fn (SigningMark $mark) => $made->stands($mark->key))
                ->count();
            $count === 0 || ($on[] = "{$sent->title}: ".($count === 1 ? '1 place' : "{$count} places"));
        }

        return implode(' · ', $on);
    }

    /** What they agreed to, in each language in which somebody read it. */
    private static function consent(Round $round): string
    {
        return $round->events
            ->where('kind', EventKind::Consented->value)
            ->map(static fn (Event $event) => (string) ($event->data['terms'] ?? __('client.sign.terms', [], 'en')))
            ->unique()
            ->implode(' · ');
    }

    private function timeLine(Round $round): TimeLine
    {
        $moments = [];
        foreach ($round->signers as $signer) {
            $kinds = [EventKind::Opened, EventKind::Consented, EventKind::Finished];
            // Two of one name are two.
            $moments["{$signer->name}, {$signer->seatOf()->label()}"] = array_values(
                array_filter(array_map(fn (EventKind $kind) => $this->when($round, $signer, $kind), $kinds)),
            );
        }
        $zone = $round->file->office->zone;

        return new TimeLine($moments, $round->sent_at ?? now(), $round->over_at ?? now(), $zone);
    }
}
