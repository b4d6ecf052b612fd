<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Files\Actions\SetParty;
use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * Seats somebody who was not thought of before, from the desk of a round, so that places can be put for them: in the file, or in
 * this round alone.
 */
final class SeatSomeone
{
    public function __construct(private readonly SetParty $setParty, private readonly PlaceFound $found)
    {
    }

    /** @throws StepRefused when it went out, they have no name, or people of that role are not asked from here */
    public function __invoke(Round $round, PartyRole $role, string $name, string $email): Party|Signer
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        in_array($role, self::roles($round), true) || throw SigningRefusal::NotAskedByUs->because(seat: Seat::at($role)->label());
        $name = trim($name);
        $name !== '' || throw SigningRefusal::NoName->because();
        if (! $role->isOfFile()) {
            return $this->here($round, $name, trim($email));
        }
        $there = $round->file->parties()->where('role', $role)->get();
        $known = $there->first(static fn (Party $party) => mb_strtolower($party->name) === mb_strtolower($name));
        $number = (int) $there->max('number') + 1;

        if ($known !== null) {
            return $known;
        }
        $seated = ($this->setParty)(
            $round->file,
            Seat::at($role, $number),
            PartyDetails::ofFields(['name' => $name, ...trim($email) === '' ? [] : ['email' => trim($email)]]),
        ) ?? throw SigningRefusal::NoName->because();
        $this->look($round);

        return $seated;
    }

    /** In this round, and nowhere else: the file and the address book know nothing of them. */
    private function here(Round $round, string $name, string $email): Signer
    {
        $there = $round->signers()->whereNull('party_id')->get();
        $known = $there->first(static fn (Signer $signer) => mb_strtolower($signer->name) === mb_strtolower($name));

        if ($known !== null) {
            return $known;
        }
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Signer added',
            ['round' => $round->title, 'person' => $name],
            SeenBy::side($round->side),
        );

        return PlaceMarks::askOne($round, [
            'party_id' => null,
            'seat' => (string) Seat::at(PartyRole::Signer, 1 + (int) $there->max(static fn (Signer $signer) => $signer->seatOf()->number)),
            'name' => $name,
            'initials' => Party::initialsOf($name),
            'email' => $email === '' ? null : $email,
            'turn' => RoundPlan::turn(Seat::at(PartyRole::Signer)),
        ]);
    }

    /**
     * Makes whoever only signs in a round somebody of the file, so that other papers know them, too; their places stay theirs.
     *
     * @throws StepRefused when it went out, or they are of the file already
     */
    public function intoFile(Round $round, Signer $signer): Party
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        $signer->refresh();
        $signer->party_id === null || throw SigningRefusal::InFileAlready->because(name: $signer->name);
        $party = $this($round, PartyRole::Other, $signer->name, (string) $signer->email);
        $party instanceof Party || throw SigningRefusal::NoName->because();
        $seat = (string) $party->seat();
        $round->signers()->where('seat', $seat)->exists() && throw SigningRefusal::InFileAlready->because(name: $signer->name);
        $round->marks()->where('seat', $signer->seat)->update(['seat' => $seat]);
        $signer->update(['party_id' => $party->id, 'seat' => $seat]);

        return $party;
    }

    /** Places that named nobody of the file may be theirs: they come in pencil, beside those that stand. */
    private function look(Round $round): void
    {
        $round->unsetRelations()->load(['file.office', 'papers.paper.latest', 'marks']);
        foreach ($round->papers as $sent) {
            $sent->paper->isDraft() || $this->found->again($sent->setRelation('round', $round));
        }
    }

    /** @return array<string, string> what somebody can be who is seated from here, as it is asked; the likeliest first */
    public static function words(Round $round): array
    {
        $words = [];
        foreach (array_reverse(self::roles($round)) as $role) {
            $words[$role->value] = match ($role) {
                PartyRole::Signer => 'signs only here, not in the file',
                PartyRole::Other => 'someone else, kept in the file',
                default => "{$role->value}, kept in the file",
            };
        }

        return $words;
    }

    /** @return list<PartyRole> what somebody can be who is seated from here; colleagues join a file by themselves */
    public static function roles(Round $round): array
    {
        return array_values(
            array_filter(
                Seat::mayBeAsked($round->file->represents),
                static fn (PartyRole $role) => ! in_array($role, [PartyRole::Agent, PartyRole::Broker], true) &&
                    self::fits($role, $round),
            ),
        );
    }

    /** Tenants and landlords are of a lease, buyers and sellers of a sale. */
    private static function fits(PartyRole $role, Round $round): bool
    {
        return ! $role->isClient() || in_array($role->side(), $round->file->kind->sides(), true);
    }
}
