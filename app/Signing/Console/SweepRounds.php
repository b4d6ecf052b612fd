<?php

declare(strict_types=1);

namespace App\Signing\Console;

use App\Models\Round;
use App\Models\Sight;
use App\Signing\Actions\RecordEvent;
use App\Signing\Actions\Rehearse;
use App\Signing\Actions\RemindByItself;
use App\Signing\Actions\SendLater;
use App\Signing\Jobs\SealRound;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Steps\StepRefused;

/** Sends rounds whose time has come, reminds, ends rounds whose last day has passed, and picks up sets that were not sealed. */
final class SweepRounds extends Command
{
    protected $signature = 'rounds:sweep';

    protected $description = 'Sends rounds at their time, reminds, ends those past their last day; picks up unsealed sets';

    public function handle(RecordEvent $record, SendLater $later, RemindByItself $remind): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $due = Sight::within($brokerage, static fn () => Round::query()
                ->where('status', RoundStatus::Drafting)
                ->where('send_at', '<=', now())
                ->pluck('id')
                ->all());
            foreach ($due as $id) {
                // Tried again in a minute; the others go out meanwhile.
                rescue(static fn () => $later->work($brokerage, (int) $id));
            }
            Sight::within($brokerage, fn () => $this->unsealed($brokerage));
            $out = Sight::within($brokerage, static fn () => Round::query()
                ->where('status', RoundStatus::Out)
                ->whereNotNull('last_day')
                ->pluck('id')
                ->all());
            // Each by itself: what goes wrong with one keeps none of the others.
            foreach ($out as $id) {
                rescue(fn () => Sight::within($brokerage, fn () => $this->tend((int) $id, $record, $remind)));
            }
        }

        DB::selectOne('SELECT forget_rehearsals(?)', [now()->subDays(Rehearse::DAYS)]);

        return self::SUCCESS;
    }

    private function unsealed(int $brokerage): void
    {
        $ids = Round::query()
            ->where('status', RoundStatus::Complete)
            ->where('over_at', '<', now()->subMinutes(3))
            ->where('rehearsal', false)
            ->whereDoesntHave('sealedSet')
            ->pluck('id');
        foreach ($ids as $id) {
            SealRound::begin($brokerage, (int) $id);
        }
    }

    private function tend(int $id, RecordEvent $record, RemindByItself $remind): void
    {
        $round = Round::query()->with(['file.office', 'signers', 'sender'])->where('status', RoundStatus::Out)->find($id);
        if ($round === null) {
            return;
        }
        if ($round->lastMoment()?->isPast(now(), $round->file->office->timeZone()) !== true) {
            $round->rehearsal || $remind($round);

            return;
        }
        try {
            $record($round, new RoundEvent(EventKind::Lapsed), 'lapsed');
        } catch (StepRefused) {
            // Its last signer finished in this very moment.
        }
    }
}
