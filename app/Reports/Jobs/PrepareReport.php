<?php

declare(strict_types=1);

namespace App\Reports\Jobs;

use App\Models\KeptReport;
use App\Models\Sight;
use App\Reports\Actions\SendReport;
use App\Work\Work;

/** Puts a report together that somebody asked for by email, and lets go of the request once the email is put. */
final class PrepareReport extends Work
{
    public const KIND = 'reports';

    public int $timeout = 600;

    protected function work(): void
    {
        Sight::within($this->brokerageId, function (): void {
            $kept = KeptReport::query()->with('user')->find($this->thing);
            if ($kept === null || $kept->asked_at === null) {
                return;
            }
            app(SendReport::class)->asked($kept);
            $kept->delete();
        });
    }
}
