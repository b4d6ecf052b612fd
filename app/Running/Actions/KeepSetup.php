<?php

declare(strict_types=1);

namespace App\Running\Actions;

use App\History\History;
use App\Models\Brokerage;
use App\Models\SetupMark;
use App\Models\User;
use Unanimus\Running\SetupState;
use Unanimus\Running\SetupStep;

/** What an administrator says while a brokerage is set up. */
final class KeepSetup
{
    /** A step is left for later, was looked through, or is open again. */
    public function say(User $by, SetupStep $step, SetupState $state): void
    {
        $of = ['brokerage_id' => $by->brokerage_id, 'step' => $step->value];
        if ($state === SetupState::Open) {
            SetupMark::query()->where($of)->delete();

            return;
        }
        $before = SetupMark::query()->where($of)->value('state');
        if ($before === $state->value) {
            return;
        }
        SetupMark::query()->updateOrCreate($of, ['state' => $state->value, 'user_id' => $by->id, 'at' => now()]);
        History::ofBrokerage($by->brokerage_id, $state === SetupState::Checked ? 'Setup step checked' : 'Setup step left for later', [
            'step' => $step->title(),
        ]);
    }

    /** Who email comes from; nothing: as this installation sends. */
    public function send(User $by, string $name, ?string $sender, ?string $address): void
    {
        $brokerage = Brokerage::query()->findOrFail($by->brokerage_id);
        $brokerage->fill(['name' => $name, 'sender_name' => $sender, 'sender_address' => $address]);
        if (! $brokerage->isDirty()) {
            return;
        }
        $brokerage->save();
        History::ofBrokerage($by->brokerage_id, 'Sender of email set', [
            'name' => $sender ?? $name,
            'address' => $address ?? (string) config('mail.from.address'),
        ]);
    }

    /** It is set up: nobody is led through it any more. */
    public function finish(User $by): void
    {
        Brokerage::query()->findOrFail($by->brokerage_id)->update(['sets_up' => false]);
        History::ofBrokerage($by->brokerage_id, 'Setup finished', []);
    }
}
