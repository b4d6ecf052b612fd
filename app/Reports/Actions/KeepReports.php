<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Models\KeptReport;
use App\Models\User;
use App\Reports\Jobs\PrepareReport;

/** Keeps a report under a name, for oneself; the same name is the same report. */
final class KeepReports
{
    /** @param  array<string, string>  $asked  as an address asks for it */
    public function keep(User $user, string $name, array $asked, bool $monthly): KeptReport
    {
        return KeptReport::query()->updateOrCreate(
            ['user_id' => $user->id, 'name' => mb_substr(trim($name), 0, 60)],
            ['brokerage_id' => $user->brokerage_id, 'asked' => $asked, 'monthly' => $monthly],
        );
    }

    /**
     * Has it emailed as soon as it is put together: once for each press, however often that arrives.
     *
     * @param array<string, string> $asked as an address asks for it
     * @param string $press what tells one press of the button from another
     */
    public function mail(User $user, array $asked, string $press): void
    {
        $report = KeptReport::query()->firstOrCreate(
            ['user_id' => $user->id, 'name' => "by email: {$press}"],
            ['brokerage_id' => $user->brokerage_id, 'asked' => $asked, 'monthly' => false, 'asked_at' => now()],
        );
        PrepareReport::begin($report->brokerage_id, $report->id);
    }

    public function drop(KeptReport $report): void
    {
        $report->delete();
    }
}
