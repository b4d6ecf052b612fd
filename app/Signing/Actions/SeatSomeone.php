<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Files\Actions\SetParty;
use App\Models\Party;
use App\Models\Round;
use Illuminate\Support\Facades\DB;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Gives somebody who was not thought of before a seat in the file, from the desk of a round, so that places can be put for them. */
final class SeatSomeone
{
    public function __construct(private readonly SetParty $setParty, private readonly PlaceFound $found)
    {
    }

    /** @throws StepRefused when it went out, they have no name, or people of that role are not asked from here */
    public function __invoke(Round $round, PartyRole $role, string $name, string $email): Party
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        in_array($role, self::roles($round), true) || throw SigningRefusal::NotAskedByUs->because(seat: Seat::at($role)->label());
        $name = trim($name);
        $name !== '' || throw SigningRefusal::NoName->because();
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

    /** Places that named nobody of the file may be theirs: they come in pencil, beside those that stand. */
    private function look(Round $round): void
    {
        $round->unsetRelations()->load(['file.office', 'papers.paper.latest', 'marks']);
        foreach ($round->papers as $sent) {
            $sent->paper->isDraft() || $this->found->again($sent->setRelation('round', $round));
        }
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
