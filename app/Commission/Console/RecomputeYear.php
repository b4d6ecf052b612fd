<?php

declare(strict_types=1);

namespace App\Commission\Console;

use App\Models\AgentPlan;
use App\Models\Disbursement;
use App\Models\Sight;
use Illuminate\Console\Command;
use Unanimus\Commission\YearAnew;

/** Reckons a year's authorized sheets anew, one after the other, and tells which would be others now. It changes none. */
final class RecomputeYear extends Command
{
    protected $signature = 'commission:recompute {year? : the year of the closings; this one unless given}';

    protected $description = 'Tells which authorized sheets would be others, reckoned anew in their order';

    public function handle(): int
    {
        $year = (int) ($this->argument('year') ?? now()->year);
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, fn () => $this->brokerage($year));
        }

        return self::SUCCESS;
    }

    private function brokerage(int $year): void
    {
        $sheets = Disbursement::query()
            ->with('file')
            ->whereNull('withdrawn_at')
            // A plan year may begin in the year before.
            ->whereBetween('closing', [($year - 1).'-01-01', "{$year}-12-31"])
            ->whereHas('file', static fn ($files) => $files->whereIn('status', ['under_contract', 'closed']))
            ->orderBy('closing')
            ->orderBy('authorized_at')
            ->orderBy('id')
            ->get()
            ->keyBy('id');
        $opening = [];
        foreach (AgentPlan::query()->with('agent')->get() as $plan) {
            $opened = $plan->opening;
            isset($opened['year']) && ($opening["agent:{$plan->agent->key}"][$opened['year']] = [
                'cn' => (string) ($opened['cn'] ?? '0'),
                'company' => (string) ($opened['company'] ?? '0'),
                'afterCap' => (string) ($opened['afterCap'] ?? '0'),
            ]);
        }
        $done = YearAnew::of($sheets->map(static fn (Disbursement $sheet) => (array) $sheet->reckoned['given'])->all(), $opening);
        $others = array_filter($done['others'], static fn (int|string $id) => $sheets[$id]->closing->year() === $year);
        foreach ($others as $id) {
            $sheet = $sheets[$id];
            $this->line("{$sheet->closing->iso()}  {$sheet->file->name}: would be another now");
        }
        $this->info(count($sheets).' sheets, '.count($others).' would be others');
    }
}
