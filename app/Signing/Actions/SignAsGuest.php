<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Round;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Models\WorkingCopyPaper;
use Illuminate\Support\Facades\DB;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** The other side's agent names their own clients and begins a round with papers of a working copy. */
final class SignAsGuest
{
    public function __construct(private readonly SetParty $setParty, private readonly ComposeRound $compose)
    {
    }

    /**
     * @param list<string> $papers keys within the working copy
     * @param list<array{name: string, email: string}> $clients in their order; those without a name are left out
     *
     * @throws StepRefused when nobody is named, no paper is chosen, or one is out for signature already
     */
    public function __invoke(WorkingCopy $copy, DealFile $guestFile, array $papers, array $clients, User $guest): Round
    {
        $clients = array_values(array_filter($clients, static fn (array $client) => trim($client['name']) !== ''));
        $clients !== [] || throw SigningRefusal::NoClientNamed->because();
        $chosen = $copy->papers
            ->filter(static fn (WorkingCopyPaper $one) => in_array($one->key, $papers, true))
            ->map(static fn (WorkingCopyPaper $one): Paper => $one->guestPaper->setRelation('file', $guestFile));
        $chosen->isNotEmpty() || throw SigningRefusal::NoPapers->because();
        // Pressed twice, or gone back to: what is laid out already is gone on with.
        DB::table('deal_files')->where('id', $guestFile->id)->lockForUpdate()->value('id');
        $laid = $guestFile->rounds()->with('papers')->where('status', RoundStatus::Drafting)->get()->first(
            static fn (Round $round) => $round->papers->pluck('paper_id')->sort()->values()->all() ===
                $chosen->pluck('id')->sort()->values()->all(),
        );
        if ($laid !== null) {
            return $laid;
        }
        $role = PartyRole::from((string) $guestFile->represents->side()?->value);
        foreach ($clients as $index => $client) {
            ($this->setParty)(
                $guestFile,
                Seat::at($role, $index + 1),
                PartyDetails::ofFields(['name' => mb_substr($client['name'], 0, 120), 'email' => $client['email']]),
            );
        }

        $guestFile->unsetRelations()->load(['office', 'parties', 'papers', 'members']);

        return ($this->compose)($guestFile, array_values($chosen->all()), $guest);
    }
}
