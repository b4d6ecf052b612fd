<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Steps\StepRefused;

/**
 * Starts the next buyers' file on the same listing, or the next search of the same buyers: it takes what belongs to the
 * listing, or to the clients, and leaves the deal that fell through where it is.
 */
final class FollowOn
{
    /** What belongs to a listing, not to one deal on it. */
    private const OF_LISTING = [
        'list_price',
        'listed_on',
        'listing_expires',
        'listing_commission',
        'payoff',
        'second_payoff',
        'annual_tax',
        'tax_paid_through',
        'closing_day',
        'title_costs',
        'transfer_tax',
    ];

    public function __construct(private readonly OpenFile $open, private readonly SetFact $setFact, private readonly SetParty $setParty)
    {
    }

    /** @throws StepRefused when the deal is still on, or has a follow-on already */
    public function __invoke(DealFile $before, User $by): DealFile
    {
        if ($before->status->isOpen()) {
            throw FileRefusal::DealStillOpen->because();
        }
        $next = DealFile::query()->where('follows_on', $before->id)->first();
        if ($next !== null) {
            throw FileRefusal::HasFollowOn->because(name: $next->name);
        }
        $ofListing = $before->represents->isListing();
        $side = $before->represents->firstSide($before->kind);
        $file = ($this->open)($by, Representation::from($side->value), $before->kind, $before->office_id, practice: $before->practice);
        $file->update(['follows_on' => $before->id, 'listing_number' => $ofListing ? $before->listing_number : null]);
        foreach ($before->members as $member) {
            $file
                ->members()
                ->firstOrCreate(['user_id' => $member->user_id], ['brokerage_id' => $file->brokerage_id, 'role' => $member->role]);
        }
        $facts = [];
        foreach ($ofListing ? $before->knownFacts : [] as $known) {
            if (str_starts_with($known->name, 'property.') || in_array($known->name, self::OF_LISTING, true)) {
                $facts[$known->name] = $known->value;
            }
        }
        $this->setFact->fromListing($file, $facts, "from {$before->name}, first try");
        foreach ($before->parties as $party) {
            if ($party->role->side() === $side) {
                ($this->setParty)($file, $party->seat(), new PartyDetails(
                    name: $party->name,
                    signingName: $party->signing_name,
                    initials: $party->initials,
                    email: $party->email,
                    phone: $party->phone,
                    address: $party->address,
                    kind: $party->kind,
                    signedBy: $party->signed_by,
                    capacity: $party->capacity,
                ));
            }
        }
        $this->carryPapers($before, $file, $ofListing ? ['agency', 'listing'] : ['agency']);
        History::add($before->brokerage_id, $before->id, 'Followed by another file', ['file' => $file->name], SeenBy::everyone());
        History::add($file->brokerage_id, $file->id, 'Follows on', ['file' => $before->name], SeenBy::everyone());

        return $file->refresh();
    }

    /** @param  list<string>  $stages */
    private function carryPapers(DealFile $before, DealFile $file, array $stages): void
    {
        foreach ($before->papers as $paper) {
            if (
                ! in_array($paper->stage, $stages, true) ||
                ($paper->latest === null && ($paper->state !== PaperState::Draft || $paper->values->isEmpty())) ||
                in_array($paper->state, [PaperState::Void, PaperState::Out], true) ||
                $paper->side?->isListing() === false
            ) {
                continue;
            }
            // Only a place that nothing has come to yet: a second paper on the same form stands beside the first.
            $place =
                $file
                    ->papers()
                    ->whereIn('state', [PaperState::Expected, PaperState::Draft])
                    ->whereDoesntHave('versions')
                    ->get()
                    ->first(
                        static fn (Paper $own) => ($own->form_number ?? mb_strtolower($own->title)) ===
                            ($paper->form_number ?? mb_strtolower($paper->title)),
                    ) ??
                $file
                    ->papers()
                    ->create([
                        'brokerage_id' => $file->brokerage_id,
                        'title' => $paper->title,
                        'form_number' => $paper->form_number,
                        'form_revision' => $paper->form_revision,
                        'stage' => $paper->stage,
                        'state' => $paper->latest === null ? PaperState::Draft : PaperState::Expected,
                        'position' => $paper->position,
                        'reason' => 'belongs to the listing',
                        'side' => null,
                    ]);
            if ($paper->latest === null) {
                $this->carryEntries($before, $paper, $place);

                continue;
            }
            $place->moveTo($paper->state, ['reason' => "from {$before->name}", 'staff_only' => $paper->staff_only]);
            $place->addVersion(
                $paper->latest->sha256,
                $paper->latest->pages,
                $paper->latest->made_by,
                "from {$before->name}",
                null,
                $paper->latest->first_page,
                $paper->latest->read(),
            );
            PaperPiece::copyOver($paper, $place);
        }
    }

    /** What was entered on a draft, by us or by the client, stands in the next file's too; none of it is entered twice. */
    private function carryEntries(DealFile $before, Paper $paper, Paper $place): void
    {
        foreach ($paper->values as $value) {
            $place->keepEntry($value->blank, $value->value, "follow:{$paper->key}:{$value->blank}", (int) Auth::id() ?: null);
        }
        $place->update(['reason' => "from {$before->name}", 'staff_only' => $paper->staff_only]);
        PaperPiece::copyOver($paper, $place);
    }
}
