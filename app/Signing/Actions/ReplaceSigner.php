<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Mail\Post;
use App\Models\Party;
use App\Models\Role;
use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PartyRefusal;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * Puts someone else in a signer's place while the round is out: an executor for who died, a colleague for who is away. What the
 * one before them chose and signed stays in the evidence and counts no more; the party in the file stays as they are.
 */
final class ReplaceSigner
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * @param string $capacity as it is printed where it is asked for, "as executor"; empty for none
     *
     * @throws StepRefused when they finished, are the other side's, or a colleague's place would go to someone outside
     */
    public function __invoke(Round $round, Signer $signer, string $name, string $email, string $capacity): void
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $signer->refresh();
        [$name, $email] = [trim($name), trim($email)];
        $round->file->isOwnAffair($signer->seatOf()->side()) ||
            throw PartyRefusal::OtherSides->because(side: (string) $signer->seatOf()->side()?->value);
        $signer->status !== SignerStatus::Finished || throw SigningRefusal::FinishedStays->because();
        $colleague = $this->colleague($signer, $email);
        [$name, $email] = [$colleague->name ?? $name, $colleague->email ?? $email];
        if ([$name, $email] === [$signer->name, $signer->email]) {
            return;
        }
        ($this->record)(
            $round,
            new RoundEvent(EventKind::Replaced, null, [
                'seat' => $signer->seat,
                'was' => $signer->name,
                'was_address' => (string) $signer->email,
                'name' => $name,
                'held' => $signer->held + 1,
                'where' => "{$signer->name}, now {$name}, {$email}",
            ]),
            "replaced:{$signer->seat}:{$signer->held}",
        );
        $signer->refresh()->update([
            'name' => $name,
            'initials' => Party::initialsOf($name),
            'email' => $email,
            'user_id' => $colleague?->id,
            'capacity' => trim($capacity),
            'adopted' => null,
            'held' => $signer->held + 1,
            'link_version' => $signer->link_version + 1,
            'code' => null,
            'code_tries' => 0,
        ]);
        $signer->status->isAsked() && Post::invitation($round->refresh(), $signer);
    }

    /** Where one of us signs, only one of us can stand in; their letters go to the address of their account. */
    private function colleague(Signer $signer, string $email): ?User
    {
        $found = User::query()
            ->where('active', true)
            ->whereRaw('lower(email) = ?', [mb_strtolower($email)])
            ->first();
        $isOurs =
            in_array($signer->seatOf()->role, [PartyRole::Agent, PartyRole::Broker], true) ||
            ($signer->user_id ?? $signer->party?->user_id) !== null;
        $isOurs && $found === null && throw SigningRefusal::OnlyColleague->because();
        // A broker answers for what they sign: only a broker of this office stands in for one.
        $signer->seatOf()->role !== PartyRole::Broker ||
            $found?->holds(Role::Broker, $signer->round->file->office_id) === true ||
            throw SigningRefusal::OnlyBroker->because();

        return $found;
    }
}
