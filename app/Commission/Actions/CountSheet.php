<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\Before;
use App\Commission\CapsSoFar;
use App\Commission\SheetAgents;
use App\Commission\SheetOf;
use App\Models\DealFile;
use App\Models\Disbursement;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\AgentYear;
use Unanimus\Money\Money;

/**
 * Stores what an authorized sheet counts: in agents' plan years, in yearly caps, of debts. It counts while the authorization is in force
 * and the sale has not fallen through.
 */
final class CountSheet
{
    public function __invoke(DealFile $file, Disbursement $disbursement, SheetOf $reckoned): void
    {
        $sheet = $reckoned->sheet;
        if ($sheet === null) {
            return;
        }
        $day = $disbursement->closing;
        $agents = SheetAgents::of($file, $disbursement->side, $day, Before::sheet($file, $disbursement->side, $file->commission, $day));
        $own = [
            'disbursement_id' => $disbursement->id,
            'brokerage_id' => $disbursement->brokerage_id,
            'deal_file_id' => $disbursement->deal_file_id,
        ];
        // Where there is no plan it counts in the calendar year.
        foreach ($sheet->counts as $id => $counts) {
            $user = $agents->users[$id] ?? null;
            $user === null || DB::table('plan_counts')->insert([
                ...$own,
                'commission_id' => $disbursement->commission_id,
                'user_id' => $user->id,
                'closing' => $day->iso(),
                'year_begins' => CapsSoFar::begins($agents, $id, $day)->iso(),
                'cn' => $counts['cn']->decimal(),
                'company' => $counts['company']->decimal(),
                'after_cap' => $counts['afterCap']->decimal(),
                'paid' => ($sheet->paid[$id] ?? Money::zero())->decimal(),
            ]);
        }
        $calendar = AgentYear::begins('calendar', $day)->iso();
        foreach ($sheet->franchise as $whose => $amount) {
            $user = $agents->users[$whose] ?? null;
            DB::table('sheet_counts')->insert([
                ...$own,
                'what' => 'franchise',
                'user_id' => $user?->id,
                'office_id' => $file->office_id,
                'year_begins' => $user === null ? $calendar : CapsSoFar::begins($agents, $whose, $day)->iso(),
                'amount' => $amount->decimal(),
            ]);
        }
        foreach ($sheet->fees as $fee) {
            $user = $agents->users[$fee['agent']] ?? null;
            $isOffices = in_array($fee['agent'], ['company', 'client'], true);
            $user === null && ! $isOffices || DB::table('sheet_counts')->insert([
                ...$own,
                'what' => 'fee',
                'label' => $fee['label'],
                'user_id' => $user?->id,
                'office_id' => $file->office_id,
                'year_begins' => $isOffices ? $calendar : CapsSoFar::begins($agents, $fee['agent'], $day)->iso(),
                'amount' => $fee['amount']->decimal(),
            ]);
        }
        foreach ($sheet->debts as $debt) {
            $kept = $reckoned->given['agents'][$debt['agent']]['debts'][$debt['index']] ?? null;
            isset($kept['id']) && DB::table('sheet_counts')->insert([
                ...$own,
                'what' => 'debt',
                'label' => (string) $kept['label'],
                'user_id' => $agents->users[$debt['agent']]?->id,
                'debt_id' => $kept['id'],
                'year_begins' => $calendar,
                'amount' => $debt['amount']->decimal(),
            ]);
        }
    }
}
