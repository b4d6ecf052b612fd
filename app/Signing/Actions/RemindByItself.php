<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Round;
use App\Models\Signer;
use Unanimus\Dates\LocalDate;
use Unanimus\Signing\ReminderPlan;
use Unanimus\Steps\StepRefused;

/** Reminds those who have not signed as the office has set it, each of them once a day. */
final class RemindByItself
{
    public function __construct(private readonly RemindSigner $remind)
    {
    }

    /** @param  Round  $round  that is out, with its signers and the office of its file */
    public function __invoke(Round $round): void
    {
        $office = $round->file->office;
        $now = now($office->zone);
        $sent = $round->sent_at === null ? null : LocalDate::at($round->sent_at, $office->timeZone());
        $plan = new ReminderPlan($office->reminder_days);
        if ($sent === null || ! $plan->isDue($office->today(), $now->hour, $sent, $round->last_day)) {
            return;
        }
        foreach ($round->signers->filter(static fn (Signer $signer) => $signer->status->isAsked()) as $signer) {
            try {
                ($this->remind)($round, $signer, "itself:{$signer->key}:{$office->today()->iso()}");
            } catch (StepRefused) {
                // They finished in this very moment.
            }
        }
    }
}
