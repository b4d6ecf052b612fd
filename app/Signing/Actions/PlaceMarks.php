<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Signing\PlacedMark;
use App\Signing\RoundDesk;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\MarkSpot;
use Unanimus\Signing\MarkTerms;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\WordSeats;
use Unanimus\Steps\StepRefused;

/** Places to sign on the papers of a round that has not been sent: put there, moved, given to another, taken away. */
final class PlaceMarks
{
    /**
     * A mark as it is from now on; under a key that is known it is changed, and no longer in pencil.
     *
     * @throws StepRefused when the round was sent, there is no such page, nobody of ours sits there, or an entry cannot be read
     */
    public function put(Round $round, string $key, PlacedMark $given): void
    {
        $this->lock($round);
        $sent = $round->papers->firstWhere('position', $given->paper) ?? throw SigningRefusal::NoSuchPaper->because();
        $size = RoundDesk::sizes($sent)[$given->page - 1] ?? throw SigningRefusal::NoSuchPaper->because();
        $place = MarkSpot::on($given->kind, $given->place, $size);
        $signer = $this->signer($round, $given->seat);
        $mark = $round->marks()->where('key', $key)->first();
        $values = [
            ...self::at($place),
            'seat' => $signer->seat,
            'kind' => $given->kind,
            'terms' => $this->terms($round, $given->kind, $given->terms),
            'sure' => null,
            'covers' => $given->kind === MarkKind::Strike ? '' : RoundDesk::covered($sent, $given->page, $place),
        ];
        $mark === null
            ? $this->add($round, $sent, ['key' => $key, 'page' => $given->page, ...$values])
            : $mark->update($values);
        // Where on the page it stands is arranged until it is sent; whose it is and what is told.
        if ($mark === null || $mark->wasChanged(['seat', 'kind', 'terms'])) {
            $this->tell($round, $mark === null ? 'Place to sign added' : 'Place to sign changed', [
                'kind' => $given->kind->label(),
                'paper' => $sent->title,
                'page' => $given->page,
                'person' => $signer->name,
            ]);
        }
    }

    /**
     * @param array<string, mixed> $given
     * @return array<string, string|bool>
     */
    private function terms(Round $round, MarkKind $kind, array $given): array
    {
        $terms = MarkTerms::fromArray($kind, $given);
        $box = $terms->when === '' ? null : $round->marks()->where('key', $terms->when)->first();
        if ($terms->when !== '' && $box?->kind !== MarkKind::Tick) {
            throw SigningRefusal::NoSuchBox->because();
        }
        $filled = $terms->filled === null || $kind !== MarkKind::Text
            ? []
            : ['filled' => $terms->format->read($terms->filled, $round->file->office->today())];

        return [...$terms->toArray($kind), ...$filled];
    }

    /** Takes a mark away; taken away already is as good. @throws StepRefused when the round was sent */
    public function drop(Round $round, string $key): void
    {
        $this->lock($round);
        $mark = $round->marks()->where('key', $key)->first();
        if ($mark === null) {
            return;
        }
        $mark->delete();
        // What hung on a check box that is no longer there is asked for as it would be without it.
        foreach ($round->marks()->where('terms->when', $key)->get() as $hung) {
            $hung->update(['terms' => array_diff_key($hung->terms, ['when' => true])]);
        }
        $sent = $round->papers->firstWhere('id', $mark->round_paper_id);
        $this->tell($round, 'Place to sign removed', [
            'kind' => $mark->kind->label(),
            'paper' => $sent->title ?? '',
            'page' => $mark->page,
        ]);
    }

    /** Takes names and capacities from the file as they are now. @throws StepRefused when the round was sent */
    public function names(Round $round): void
    {
        $this->lock($round);
        $parties = $round->file->parties()->get()->keyBy('id');
        foreach ($round->signers()->get() as $signer) {
            $party = $parties->get($signer->party_id);
            $before = $signer->name;
            $party === null || $signer->update([
                'name' => $party->signing_name ?: $party->name,
                'initials' => $party->initials,
                'capacity' => (string) $party->capacity,
                'company' => self::company($round, $party),
            ]);
            $before === $signer->name || $this->tell($round, 'Signer renamed', ['before' => $before, 'person' => $signer->name]);
        }
    }

    /** What was found and stands in pencil is kept. @throws StepRefused when the round was sent */
    public function keep(Round $round): void
    {
        $this->lock($round);
        $kept = $round->marks()->whereNotNull('sure')->update(['sure' => null]);
        $kept === 0 || $this->tell($round, 'Proposed places kept', ['count' => $kept]);
    }

    /**
     * Says who a word on a paper means; its places become theirs, in pencil. Of one role the next place is the next person's.
     *
     * @throws StepRefused when the round was sent, or nobody of ours sits there
     */
    public function who(Round $round, int $position, string $word, Seat $seat): void
    {
        $this->lock($round);
        $sent = $round->papers->firstWhere('position', $position) ?? throw SigningRefusal::NoSuchPaper->because();
        [$theirs, $others] = collect($sent->unclear)->partition(static fn (array $one) => $one['word'] === $word);
        if ($theirs->isEmpty()) {
            return;
        }
        $signer = $this->signer($round, $seat);
        $asked = $theirs->map(
            static fn (array $one) => ['kind' => $one['kind'], 'page' => $one['page'], 'place' => new Rect(...$one['place'])],
        );
        $whose = WordSeats::of($asked->all(), $seat, self::taken($round));
        foreach ($theirs as $key => $one) {
            if ($whose[$key] === null) {
                $others->push($one);

                continue;
            }
            $this->add($round, $sent, [
                ...self::at(new Rect(...$one['place'])),
                'page' => $one['page'],
                'seat' => $whose[$key]->__toString() === $signer->seat ? $signer->seat : $this->signer($round, $whose[$key])->seat,
                'kind' => MarkKind::from($one['kind']),
                'sure' => $one['sure'],
            ]);
        }
        $sent->update(['unclear' => $others->values()->all()]);
        $this->tell($round, 'Signer of a word said', ['word' => $word, 'paper' => $sent->title, 'person' => $signer->name]);
    }

    /** @return list<Seat> who sits in the file or signs here */
    private static function taken(Round $round): array
    {
        $there = $round->file->parties->filter(static fn (Party $party) => (string) $party->name !== '');
        $seats = [...$there->map(static fn (Party $party) => (string) $party->seat()), ...$round->signers()->pluck('seat')];

        return array_map(Seat::of(...), array_values(array_unique(array_map(strval(...), $seats))));
    }

    /**
     * Says that nobody who is asked here signs where a word stands: those places are somebody else's.
     *
     * @throws StepRefused when the round was sent
     */
    public function nobody(Round $round, int $position, string $word): void
    {
        $this->lock($round);
        $sent = $round->papers->firstWhere('position', $position) ?? throw SigningRefusal::NoSuchPaper->because();
        $others = array_values(array_filter($sent->unclear, static fn (array $one) => $one['word'] !== $word));
        if (count($others) < count($sent->unclear)) {
            $sent->update(['unclear' => $others]);
            $this->tell($round, 'Word that is nobody here', ['word' => $word, 'paper' => $sent->title]);
        }
    }

    /** @param  array<string, mixed>  $values */
    private function add(Round $round, RoundPaper $sent, array $values): SigningMark
    {
        $mark = new SigningMark();
        $mark->forceFill([
            'brokerage_id' => $round->brokerage_id,
            'deal_file_id' => $round->deal_file_id,
            'round_id' => $round->id,
            'round_paper_id' => $sent->id,
            'position' => (int) $round->marks()->max('position') + 1,
            ...$values,
        ])->save();

        return $mark;
    }

    /** Who signs at a seat; asked in this round from now on, if they were not yet. */
    private function signer(Round $round, Seat $seat): Signer
    {
        $signer = $round->signers()->where('seat', (string) $seat)->first();
        if ($signer !== null) {
            // Whoever was only to look signs, once there is a place for them.
            $signer->part === Part::Signs || $signer->update(['part' => Part::Signs]);

            return $signer;
        }
        if (! in_array($seat->role, Seat::mayBeAsked($round->file->represents), true)) {
            throw SigningRefusal::NotAskedByUs->because(seat: $seat->label());
        }
        $party = Sight::asTheFile(
            $round->deal_file_id,
            static fn (): ?Party => $round->file
                ->parties()
                ->with('contact')
                ->where('role', $seat->role)
                ->where('number', $seat->number)
                ->first(),
        ) ?? throw SigningRefusal::SeatEmpty->because(seat: $seat->label());

        return self::ask($round, $party, RoundPlan::turn($seat));
    }

    /** Asks a person of the file to sign in a round. */
    public static function ask(Round $round, Party $party, int $turn): Signer
    {
        return self::askOne($round, [
            'party_id' => $party->id,
            'seat' => (string) $party->seat(),
            'name' => $party->signing_name ?: $party->name,
            'initials' => $party->initials,
            'email' => $party->email,
            'capacity' => (string) $party->capacity,
            'company' => self::company($round, $party),
            'language' => $party->language,
            'turn' => $turn,
        ]);
    }

    /** @param  array<string, mixed>  $values  who they are, and when it is their turn */
    public static function askOne(Round $round, array $values): Signer
    {
        /** @var Signer $signer */
        $signer = $round->signers()->create([
            'brokerage_id' => $round->brokerage_id,
            'deal_file_id' => $round->deal_file_id,
            ...$values,
        ]);

        return $signer;
    }

    /** For whom they sign: the entity they sign for, their own company, or the brokerage of those who serve here. */
    private static function company(Round $round, Party $party): string
    {
        return match (true) {
            $party->kind === 'entity' => $party->name,
            (string) $party->firm !== '' => (string) $party->firm,
            in_array($party->role, [PartyRole::Agent, PartyRole::Broker], true) => (string) DB::table('brokerages')
                ->where('id', $round->brokerage_id)
                ->value('name'),
            default => '',
        };
    }

    /** @return array{x: float, y: float, width: float, height: float} */
    private static function at(Rect $place): array
    {
        return ['x' => $place->x, 'y' => $place->y, 'width' => $place->width, 'height' => $place->height];
    }

    /** @param  array<string, string|int>  $data */
    private function tell(Round $round, string $what, array $data): void
    {
        History::add($round->brokerage_id, $round->deal_file_id, $what, ['round' => $round->title, ...$data], SeenBy::side($round->side));
    }

    /** Held until the transaction ends: it is not sent from another tab while its places are changed here. */
    private function lock(Round $round): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
    }
}
