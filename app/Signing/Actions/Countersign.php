<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use App\Models\Round;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\User;
use App\Signing\CounterPlaces;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * The broker signs a paper that was submitted, where it has places for the broker or where they point, without leaving the desk:
 * a round of one person and one step, sealed as any. What others signed before stays under it, and the paper stays submitted.
 */
final class Countersign
{
    public function __construct(
        private readonly ChangeSigned $change,
        private readonly SendRound $send,
        private readonly AdoptSignature $adopt,
        private readonly RecordEvent $record,
    ) {
    }

    /**
     * Pressed twice it is signed once.
     *
     * @param list<\Unanimus\Signing\ProposedMark> $places
     * @param array{address: string|null, device: string|null} $from
     *
     * @throws StepRefused when the paper is not here, nobody said where, or a countersignature is being sealed
     */
    public function __invoke(Requirement $requirement, User $by, AdoptedSignature $signature, array $places, array $from): Round
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->value('id');
        $paper = $requirement->refresh()->paper ?? throw SigningRefusal::NoSuchPaper->because();
        $under = self::underWay($paper);
        if ($under !== null) {
            return $under;
        }
        in_array($paper->state, [PaperState::Ready, PaperState::Signed], true) && ! $paper->isDraft() ||
            throw SigningRefusal::NotToCountersign->because(title: $paper->title);
        $places !== [] || throw SigningRefusal::NowhereToSign->because(title: $paper->title);
        $sent = $paper->state === PaperState::Signed ? ($this->change)($paper) : $paper;
        $round = $this->lay($sent, $paper, $by, $signature);
        foreach ($places as $position => $mark) {
            $round->marks()->create([
                'brokerage_id' => $round->brokerage_id,
                'deal_file_id' => $round->deal_file_id,
                'round_paper_id' => $round->papers()->value('id'),
                'position' => $position + 1,
                ...PlaceFound::mark($mark),
                'seat' => (string) Seat::at(PartyRole::Broker),
                'sure' => null,
            ]);
        }
        ($this->send)($round->refresh());
        $this->sign($round->refresh(), $signature, $from);

        return $round->refresh();
    }

    /** The countersignature of a paper that was made and is not sealed yet. */
    private static function underWay(Paper $paper): ?Round
    {
        return Round::query()
            ->where('countersigns', $paper->id)
            ->whereIn('status', [RoundStatus::Out, RoundStatus::Complete])
            ->whereDoesntHave('sealedSet')
            ->first();
    }

    private function lay(Paper $sent, Paper $paper, User $by, AdoptedSignature $signature): Round
    {
        $file = $paper->file;
        $base = ['brokerage_id' => $paper->brokerage_id, 'deal_file_id' => $paper->deal_file_id];
        $round = Round::create([
            ...$base,
            'side' => $paper->side,
            'title' => "Countersignature of {$paper->title}",
            'user_id' => $by->id,
            'last_day' => $file->office->today()->plusDays(1),
            'countersigns' => $paper->id,
        ]);
        $pages = (int) $sent->latest?->pages;
        $round->papers()->create([
            ...$base,
            'paper_id' => $sent->id,
            'position' => 0,
            'place' => 0,
            'title' => $paper->title,
            'pages' => $pages,
            'seen' => $pages === 0 ? [] : range(1, $pages),
        ]);
        $seat = Seat::at(PartyRole::Broker);
        $party = Sight::asTheFile($file->id, static fn (): ?Party => $file->parties()->where('role', $seat->role)->first()) ??
            $this->seat($file, $seat, $by);
        PlaceMarks::ask($round, $party, 1)->update([
            // Of several brokers of an office, the one who reads it signs.
            'name' => $signature->name,
            'initials' => $signature->initials,
            'email' => $by->email,
            'user_id' => $by->id,
        ]);

        return $round;
    }

    /** A file that names no broker names the one who signs. */
    private function seat(DealFile $file, Seat $seat, User $by): Party
    {
        $party = $file->parties()->create([
            'brokerage_id' => $file->brokerage_id,
            'role' => $seat->role,
            'number' => $seat->number,
            'name' => $by->name,
            'signing_name' => $by->name,
            'initials' => Party::initialsOf($by->name),
            'user_id' => $by->id,
        ]);
        $party->reach(['email' => $by->email]);
        $told = ['seat' => $seat->label(), 'before' => '', 'after' => $by->name];
        History::add($file->brokerage_id, $file->id, 'Party added', $told, SeenBy::everyone());

        return $party;
    }

    /** @param  array{address: string|null, device: string|null}  $from */
    private function sign(Round $round, AdoptedSignature $signature, array $from): void
    {
        $signer = $round->signers()->sole()->setRelation('round', $round->load('events'));
        $once = $signer->once();
        $data = ['language' => $signer->language->value, 'terms' => (string) __('client.sign.terms')];
        ($this->record)($round, new RoundEvent(EventKind::Opened, $signer->seat, []), "opened:{$once}", $from);
        ($this->record)($round, new RoundEvent(EventKind::Consented, $signer->seat, $data), "consented:{$once}", $from);
        ($this->adopt)($signer, $signature, $from);
        foreach ($round->load(['signers', 'marks', 'events'])->state()->owes($signer->seat) as $key) {
            $mark = $round->marks->firstWhere('key', $key);
            $where = $mark === null ? '' : "{$mark->kind->label()}, {$round->papers->firstOrFail()->title}, page {$mark->page}";
            $event = new RoundEvent(EventKind::Marked, $signer->seat, ['mark' => $key, 'where' => $where]);
            ($this->record)($round, $event, "mark:{$once}:{$key}", $from);
        }
        ($this->record)($round, new RoundEvent(EventKind::Finished, $signer->seat, []), "finished:{$once}", $from);
    }

    /** What a broker signed with the last time, wherever it was. */
    public static function before(User $by): ?AdoptedSignature
    {
        return Signer::query()
            ->where(static fn ($any) => $any->where('user_id', $by->id)->orWhere('email', $by->email))
            ->where('seat', 'like', 'broker.%')
            ->whereNotNull('adopted')
            ->orderByDesc('id')
            ->first()?->signature();
    }

    /** @return list<\Unanimus\Signing\ProposedMark> where a paper has places for the broker that are not signed */
    public static function places(Paper $paper): array
    {
        return CounterPlaces::on($paper);
    }
}
