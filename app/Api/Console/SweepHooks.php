<?php

declare(strict_types=1);

namespace App\Api\Console;

use App\Api\Actions\NoteEvents;
use App\Api\Jobs\CallHook;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Notes what webhooks are to be told, and has the calls made that are due. */
final class SweepHooks extends Command
{
    protected $signature = 'hooks:sweep';

    protected $description = 'Tells webhooks what has happened';

    public function handle(NoteEvents $note): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $hooks = Sight::within($brokerage, static fn () => Hook::query()->whereNull('off_at')->orderBy('id')->pluck('id')->all());
            foreach ($hooks as $id) {
                rescue(static fn () => Sight::within($brokerage, static function () use ($id, $note): void {
                    DB::table('hooks')->where('id', $id)->lockForUpdate()->value('id');
                    $note(Hook::query()->with('owner')->findOrFail($id));
                }));
            }
            Sight::within($brokerage, static function () use ($brokerage): void {
                HookCall::query()->whereNotNull('next_at')->whereIn('hook_id', Hook::query()->whereNotNull('off_at')->select('id'))
                    ->update(['next_at' => null, 'given_up_at' => now()]);
                HookCall::query()->whereNotNull('next_at')->where('next_at', '<=', now())->orderBy('id')->limit(500)->pluck('id')
                    ->each(static fn (int $id) => CallHook::begin($brokerage, $id));
                // What a repeated request was answered is of use for a while only.
                DB::table('api_answers')->where('at', '<', now()->subDays(2))->delete();
            });
        }

        return self::SUCCESS;
    }
}
