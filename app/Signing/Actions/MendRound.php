<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Mail\Post;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PartyRefusal;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** What is set right in a round while it is out: an address, the last day. Evidence and history tell of both. */
final class MendRound
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /**
     * Corrects where somebody is reached, here and in the file. The link that went to the old address is dead; if it is
     * their turn they are asked again at the new one.
     *
     * @throws StepRefused when the round is not out, they are done, or they are the other side's or a colleague
     */
    public function readdress(Round $round, Signer $signer, string $email, User $by): void
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $signer->refresh();
        $round->file->isOwnAffair($signer->seatOf()->side()) ||
            throw PartyRefusal::OtherSides->because(side: (string) $signer->seatOf()->side()?->value);
        $signer->status !== SignerStatus::Finished || throw SigningRefusal::SignedAlready->because(name: $signer->name);
        $signer->linkIsFor($by) || throw SigningRefusal::AddressOfColleague->because(name: $signer->name);
        $email = trim($email);
        if ($email === $signer->email) {
            return;
        }
        ($this->record)(
            $round,
            new RoundEvent(EventKind::Readdressed, null, ['seat' => $signer->seat, 'where' => "{$signer->name}, {$email}"]),
            'readdressed:'.Str::ulid(),
        );
        // Whoever stands in for a party is not the party.
        $signer->standsIn() || $signer->party?->reach(['email' => $email]);
        $signer->refresh()->update(['email' => $email, 'link_version' => $signer->link_version + 1]);
        $signer->status->isAsked() && Post::invitation($round->refresh(), $signer);
    }

    /**
     * Moves the last day to a later one.
     *
     * @throws StepRefused when the round is not out, or the day is no later than the one that holds
     */
    public function extend(Round $round, LocalDate $until): void
    {
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $round->refresh();
        if ($round->last_day !== null && ! $until->isAfter($round->last_day)) {
            throw SigningRefusal::NotLater->because(day: $round->last_day->short());
        }
        $until->isBefore($round->file->office->today()) && throw SigningRefusal::LastDayPassed->because();
        ($this->record)(
            $round,
            new RoundEvent(EventKind::Extended, null, ['until' => $until->iso(), 'where' => $until->short()]),
            "extended:{$until->iso()}",
        );
        $round->refresh()->update(['last_day' => $until]);
    }
}
