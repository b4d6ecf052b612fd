<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Post;
use App\Models\Round;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Moment;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** A round that goes out at a set time: until then it is a draft, and goes out as it stands then. */
final class SendLater
{
    public function __construct(private readonly SendRound $send)
    {
    }

    /** @throws StepRefused when it was sent, the time is past or too far, or something would keep it from going out now */
    public function set(Round $round, Carbon $at): void
    {
        $this->lock($round);
        $zone = $round->file->office->zone;
        if ($at->isPast() || $at->isAfter(now()->addDays(90))) {
            throw SigningRefusal::NoTimeToSend->because();
        }
        if ($round->last_day?->isBefore(\Unanimus\Dates\LocalDate::at($at, $round->file->office->timeZone())) === true) {
            throw SigningRefusal::SentAfterLastDay->because(day: $round->last_day->short());
        }
        $faults = array_values(array_filter(ComposeRound::faults($round), static fn (RoundFault $fault) => $fault->kind->isBlocking()));
        $faults === [] || throw SigningRefusal::RoundHasFaults->because(faults: $faults[0]->text);
        $round->update(['send_at' => $at, 'held_because' => '']);
        $this->tell($round, 'Round set to go out', ['at' => Moment::sentence($at, $zone)]);
    }

    /** It waits for a person again. */
    public function stop(Round $round): void
    {
        $this->lock($round);
        if ($round->send_at !== null || $round->after_id !== null) {
            $round->update(['send_at' => null, 'after_id' => null, 'after_when' => null]);
            $this->tell($round, 'Round not set to go out any more', []);
        }
    }

    /** Sends one whose time has come; what keeps it back is told to its sender, and it waits for them. */
    public function work(int $brokerageId, int $roundId): void
    {
        try {
            Sight::within($brokerageId, function () use ($roundId): void {
                $round = $this->due($roundId);
                if ($round === null) {
                    return;
                }
                $isSenderHere = User::query()->whereKey($round->user_id)->where('active', true)->exists();
                $isSenderHere || throw SigningRefusal::SenderLeft->because(name: $round->sender->name);
                $round->file->status->mustBeOpen();
                ($this->send)($round);
                $round->update(['send_at' => null]);
            });
        } catch (StepRefused $refused) {
            Sight::within($brokerageId, function () use ($roundId, $refused): void {
                $round = $this->due($roundId);
                if ($round === null) {
                    return;
                }
                $round->update(['send_at' => null, 'held_because' => $refused->getMessage()]);
                Post::heldBack($round, $refused->getMessage());
                $this->tell($round, 'Round held back', ['why' => $refused->getMessage()]);
            });
        }
    }

    private function due(int $roundId): ?Round
    {
        DB::table('rounds')->where('id', $roundId)->lockForUpdate()->value('id');

        return Round::query()
            ->with(['file.office', 'file.knownFacts', 'file.parties', 'file.members', 'sender'])
            ->where('status', RoundStatus::Drafting)
            ->where('send_at', '<=', now())
            ->find($roundId);
    }

    private function lock(Round $round): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
    }

    /** @param  array<string, string>  $data */
    private function tell(Round $round, string $what, array $data): void
    {
        History::add($round->brokerage_id, $round->deal_file_id, $what, ['round' => $round->title, ...$data], SeenBy::side($round->side));
    }
}
