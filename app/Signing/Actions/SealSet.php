<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Access\OwnSeal;
use App\History\History;
use App\Mail\Post;
use App\Models\Event;
use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\SealedSet;
use App\Models\Sight;
use App\Papers\Actions\NoteDelivery;
use App\Signing\LaidPapers;
use App\Signing\MarkWords;
use App\Signing\PenScan;
use App\Signing\RoundRecord;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Evidence\Vouchers;
use Unanimus\Files\DeliveryHow;
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
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SealRefused;

/** Makes the sealed set of a complete round: signatures drawn in, the evidence record behind, all under one seal. */
final class SealSet
{
    public function __construct(
        private readonly Bytes $bytes,
        private readonly Press $press,
        private readonly TimeStamps $stamps,
        private readonly ChangeSigned $change,
        private readonly SettleReturned $returned,
        private readonly NoteDelivery $delivery,
    ) {
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
        $this->store($round, $this->sealed($this->lay($round), $round->brokerage_id));
    }

    /**
     * Seals a round in transactions of its own. The time-stamping authority is asked while none is open.
     *
     * @throws SealRefused when what would be drawn is not what was sent or chosen
     * @throws StampUnavailable when no time stamp can be had now
     */
    public function work(int $brokerageId, int $roundId): void
    {
        $laid = Sight::within($brokerageId, function () use ($roundId): ?LaidPapers {
            $round = Round::query()->find($roundId);

            return $round === null || $round->status !== RoundStatus::Complete || SealedSet::query()->where('round_id', $roundId)->exists()
                ? null
                : $this->lay($round);
        });
        if ($laid === null) {
            return;
        }
        $sealed = $this->sealed($laid, $brokerageId);
        Sight::within($brokerageId, function () use ($roundId, $sealed): void {
            // Whoever comes second waits here and finds the set made.
            DB::table('rounds')->where('id', $roundId)->lockForUpdate()->first();
            SealedSet::query()->where('round_id', $roundId)->exists() ||
                $this->store(
                    Round::query()
                        ->with(['papers.paper.requirement', 'signers', 'file.office', 'sender'])
                        ->findOrFail($roundId),
                    $sealed,
                );
        });
    }

    private function lay(Round $round): LaidPapers
    {
        $round->load(['papers.paper.requirement', 'signers', 'marks', 'events', 'file.office', 'sender']);
        $this->check($round);
        $scratch = new Scratch();
        $parts = $drawings = $single = [];
        $page = 0;
        foreach ($round->papers as $sent) {
            [$pdf, $drawn] = $this->drawnPaper($round, $sent, $scratch);
            $part = new SetPart($sent->title, $pdf, $sent->pages, sections: $sent->paper->sections());
            foreach ($drawn as $on => $drawing) {
                $drawings[$page + $on] = $drawing;
            }
            $parts[] = $part;
            $page += $sent->pages;
            if ($round->papers->count() > 1) {
                $title = "{$round->file->name}: {$sent->title}";
                $single[$sent->id] = $this->assemble([$part], $drawn, new RoundRecord($round, $sent), $scratch, $title);
            }
        }
        $set = $this->assemble($parts, $drawings, new RoundRecord($round), $scratch, "{$round->file->name}: {$round->title}");
        $single = $single === [] ? [(int) $round->papers->firstOrFail()->id => $set] : $single;
        $name = (string) DB::table('brokerages')->where('id', $round->brokerage_id)->value('name');

        return new LaidPapers($name, $set[0], $set[1], $single, $round->file->practice);
    }

    /**
     * A paper of the round and what is drawn on its pages; where it was signed on paper, the pages are those of the scan.
     *
     * @return array{string, array<int, Drawing>} path, drawings by page
     */
    private function drawnPaper(Round $round, RoundPaper $sent, Scratch $scratch): array
    {
        $pdf = $this->bytes->path((string) $sent->sha256);
        $sizes = PdfLook::into($pdf)->pages();
        $drawn = $this->drawings($round, $sent, $sizes);
        if ($round->file->practice) {
            foreach ($sizes as $index => [$width, $height]) {
                $drawn[$index + 1] ??= new Drawing($width, $height);
                $drawn[$index + 1]->text(24, 20, 11, 'Practice with invented people. No one signed this.', fill: '#b0281a', weight: 'bold');
            }
        }
        $scan = PenScan::of($round);
        if ($scan === null) {
            return [$pdf, $drawn];
        }
        $first = $scan->page($sent, 1);
        $part = $this->press->part($this->bytes->path($scan->sha256), $first, $first + $sent->pages - 1);
        $path = $scratch->put("scan-{$sent->id}.pdf", $part);
        $scanned = PdfLook::into($path)->pages();

        return [
            $path,
            array_combine(
                array_keys($drawn),
                array_map(
                    static fn (int $page, Drawing $one) => $one->scaledTo(...$scanned[$page - 1]),
                    array_keys($drawn),
                    $drawn,
                ),
            ),
        ];
    }

    /**
     * @param list<SetPart> $parts
     * @param array<int, Drawing> $drawings by page of all parts
     * @return array{string, int} the PDF with the record behind it, and its pages
     */
    private function assemble(array $parts, array $drawings, RoundRecord $record, Scratch $scratch, string $title): array
    {
        $pages = $record->evidence()->pages();
        $printed = $scratch->put('record.pdf', $this->press->print($pages));
        $parts[] = new SetPart('Evidence record', $printed, count($pages));
        $count = array_sum(array_map(static fn (SetPart $part) => $part->pages, $parts));

        return [$this->press->assemble($parts, static fn (int $page) => $drawings[$page] ?? null, $title), $count];
    }

    private function sealed(LaidPapers $laid, int $brokerageId): LaidPapers
    {
        if ($laid->isPractice) {
            return $laid;
        }
        $files = array_filter(array_map(trim(...), explode(',', (string) config('unanimus.seal.vouchers'))), is_file(...));
        $vouchers = Vouchers::of(array_values(array_map(static fn (string $path) => (string) file_get_contents($path), $files)));
        $seal = new Seal(OwnSeal::of($brokerageId), $this->stamps, $laid->name, $vouchers);

        return $laid->map(static fn (string $pdf): string => $seal->over($pdf, now()->toImmutable()));
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
        $state = $round->state();
        $scan = PenScan::of($round);
        if ($scan !== null && hash_file('sha256', $this->bytes->path($scan->sha256)) !== $scan->sha256) {
            throw SealRefused::paperDiffers('the scan of the signed papers');
        }
        foreach ($round->signers as $signer) {
            if (isset($state->onPaper[$signer->seat]) || $signer->part !== Part::Signs) {
                continue;
            }
            $chosen = $round->events->last(
                static fn (Event $event) => $event->seat === $signer->seat && $event->kind === EventKind::Adopted->value,
            );
            $signature = $signer->signature() ?? throw SealRefused::signatureMissing($signer->seatOf()->label());
            if ($chosen === null || ! hash_equals((string) ($chosen->data['signature'] ?? ''), $signature->digest())) {
                throw SealRefused::signatureDiffers($signer->seatOf()->label());
            }
        }
        foreach ($round->marks as $mark) {
            $mark->act() === null ||
                $round->signers->contains('seat', $mark->seat) ||
                throw SealRefused::signatureMissing($mark->seatOf()->label());
        }
        foreach ($round->signers as $signer) {
            isset($state->onPaper[$signer->seat]) ||
                $state->owes($signer->seat) === [] ||
                throw SealRefused::markNotMade($signer->seatOf()->label());
        }
    }

    /** The sealed set goes to each who signed: they have the paper with it. */
    private function delivered(Round $round, Paper $paper): void
    {
        foreach ($round->countersigns === null && ! $round->file->practice ? $round->signers->load('party') : [] as $signer) {
            ($signer->email ?? '') === '' || $signer->standsIn() || $signer->party === null || ($this->delivery)(
                $paper,
                $signer->party,
                DeliveryHow::Signed,
                $round->file->office->today(),
            );
        }
    }

    private function store(Round $round, LaidPapers $sealed): void
    {
        $of = [
            'brokerage_id' => $round->brokerage_id,
            'deal_file_id' => $round->deal_file_id,
            'round_id' => $round->id,
            'sealed_at' => now(),
        ];
        $sha256 = $this->bytes->keep($round->brokerage_id, $sealed->set);
        $set = SealedSet::create([...$of, 'sha256' => $sha256, 'pages' => $sealed->pages]);
        $single = [];
        foreach ($round->papers as $sent) {
            [$bytes, $pages] = $sealed->single[$sent->id];
            $own = $this->bytes->keep($round->brokerage_id, $bytes);
            SealedSet::create([...$of, 'round_paper_id' => $sent->id, 'sha256' => $own, 'pages' => $pages]);
            $single[$sent->id] = [$own, $pages];
            $before = $sent->paper->versions()->where('made_by', MadeBy::Sent)->orderByDesc('number')->first();
            $read = new PaperReading($before?->read()->form, said: $before?->said() ?? []);
            $sent->paper->addVersion($own, $sent->pages, MadeBy::Signed, "round {$round->key}", read: $read);
            $sent->paper->moveTo(PaperState::Signed);
            $this->delivered($round, $sent->paper->refresh());
            $wakes = $round->countersigns === null;
            $sent->paper->change_of === null || $this->change->settle($sent->paper, $own, $sent->pages, $round->key, $wakes);
        }
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Sealed set filed',
            ['round' => $round->title, 'pages' => $sealed->pages, 'sha256' => $sha256],
            SeenBy::side($round->side),
        );
        $round->setRelation('sealedSet', $set);
        $round->file->guest && $this->returned->bringBack($round, $single);
        $round->countersigns !== null || Post::finished($round, $set);
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
}
