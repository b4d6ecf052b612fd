<?php

declare(strict_types=1);

namespace App\Roster\Console;

use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Cover;
use App\Models\HeldCredential;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\Sight;
use App\Models\User;
use App\Roster\Actions\KeepCovers;
use App\Roster\Actions\Leave;
use App\Work\TriesEach;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Roster\Credential;
use Unanimus\Roster\RosterKind;

/** What the days bring to people: covers begin and end, last days pass, licenses come to their end. */
final class SweepRoster extends Command
{
    use TriesEach;

    protected $signature = 'roster:sweep';

    protected $description = 'Begins and ends covers, closes access after last days, reminds of licenses';

    public function handle(KeepCovers $covers, Leave $leave): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            foreach (Sight::within($brokerage, static fn () => Cover::query()->whereNull('ended_at')->pluck('id')->all()) as $id) {
                $this->try($brokerage, static fn () => $covers->settle(Cover::query()->with(['user', 'helper'])->findOrFail($id)));
            }
            $leaving = Sight::within($brokerage, static fn () => RosterCase::query()->where('kind', RosterKind::Leaving)
                ->whereNull('settled_at')->whereNull('canceled_at')->pluck('id')->all());
            foreach ($leaving as $id) {
                $this->try($brokerage, static fn () => $leave(RosterCase::query()->with(['person', 'office'])->findOrFail($id)));
            }
            $held = Sight::within($brokerage, static fn () => HeldCredential::query()->whereNull('dropped_at')
                ->where('expires_on', '<=', now()->addDays(61)->toDateString())->pluck('id')->all());
            foreach ($held as $id) {
                $this->try($brokerage, static fn () => self::remind(HeldCredential::query()->with('user')->findOrFail($id)));
            }
        }

        return $this->ended();
    }

    private static function remind(HeldCredential $held): void
    {
        DB::table('credentials')->where('id', $held->id)->lockForUpdate()->value('id');
        $held->refresh();
        $person = $held->user;
        $today = LocalDate::at(now(), new \DateTimeZone($person->zone()));
        $due = Credential::reminder($held->expires_on, $today, $held->reminded);
        if ($due === null || ! $person->active) {
            return;
        }
        $brokers = OfficeRole::query()->whereIn('office_id', $person->officeRoles->pluck('office_id'))->where('role', Role::Broker)
            ->pluck('user_id');
        foreach (User::query()->where('active', true)->whereIn('id', [$person->id, ...$brokers])->get() as $to) {
            Post::toColleague(
                $held->brokerage_id,
                "credential:{$held->key}:{$due}:{$to->key}",
                Addressee::user($to),
                Wording::of('credential', [
                    'what' => $held->kind->label(),
                    'whose' => $to->id === $person->id ? 'Yours' : "{$person->name}’s",
                    'day' => $held->expires_on->long(),
                ]),
                $to->id === $person->id ? '/office/roster' : "/people/{$person->key}",
            );
        }
        $held->update(['reminded' => [...$held->reminded, $due]]);
    }
}
