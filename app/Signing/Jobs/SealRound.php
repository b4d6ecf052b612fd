<?php

declare(strict_types=1);

namespace App\Signing\Jobs;

use App\Models\Sight;
use App\Signing\Actions\SealSet;
use App\Signing\Actions\StopSealing;
use App\Work\ServiceDown;
use App\Work\Work;
use App\Work\WorkStopped;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Signing\SealRefused;

/** Seals a round that everyone has signed. May run twice or be killed half-way: there is one sealed set in the end. */
final class SealRound extends Work
{
    public const KIND = 'sealing';

    /** Its worker stops it before (scripts/templates/supervisor.conf). */
    protected const RUNS = 2;

    protected const SERVICE = 'the time stamp';

    protected function work(): void
    {
        try {
            app(SealSet::class)->work($this->brokerageId, $this->thing);
        } catch (StampUnavailable $unavailable) {
            throw new ServiceDown(self::SERVICE, previous: $unavailable);
        } catch (SealRefused $refused) {
            Sight::within($this->brokerageId, fn () => app(StopSealing::class)($this->thing, $refused));
            throw new WorkStopped($refused->getMessage(), previous: $refused);
        }
    }
}
