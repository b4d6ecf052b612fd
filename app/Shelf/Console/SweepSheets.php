<?php

declare(strict_types=1);

namespace App\Shelf\Console;

use App\Models\ShelfItem;
use App\Models\Sight;
use App\Shelf\Actions\KeepSheet;
use App\Work\TriesEach;
use Illuminate\Console\Command;

/** Makes people's own sheets anew where what they say is no longer so: a new broker, another license, another phone. */
final class SweepSheets extends Command
{
    use TriesEach;

    protected $signature = 'shelf:sweep';

    protected $description = 'Makes own sheets anew where what they say has changed';

    public function handle(KeepSheet $sheets): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $all = Sight::within($brokerage, static fn () => ShelfItem::query()
                ->whereNotNull('user_id')->whereNull('put_away_at')->orderBy('id')->pluck('id')->all());
            foreach ($all as $id) {
                $this->try($brokerage, static fn () => $sheets->renew(ShelfItem::query()->findOrFail($id)));
            }
        }

        return $this->ended();
    }
}
