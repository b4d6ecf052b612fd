<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\Expected;
use App\History\History;
use App\Models\AgentDebt;
use App\Models\OfficeRole;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** What agents owe: entered, taken by sheets, settled otherwise with why. */
final class KeepDebts
{
    /**
     * @param string|null $once of the form it was entered in: pressed twice it is one debt; null: it is entered otherwise
     *
     * @throws StepRefused when nothing or less than nothing is owed
     */
    public function enter(User $agent, string $label, Money $amount, string $payee, User $by, ?string $once = null): AgentDebt
    {
        $amount->exceeds(Money::zero()) || throw CommissionRefusal::DebtOfNothing->because();
        DB::table('users')->where('id', $agent->id)->lockForUpdate()->value('id');
        $there = $once === null ? null : AgentDebt::query()->where(['user_id' => $agent->id, 'once' => $once])->first();
        if ($there !== null) {
            return $there;
        }
        $debt = AgentDebt::create([
            'brokerage_id' => $agent->brokerage_id,
            'user_id' => $agent->id,
            'label' => mb_substr(trim($label), 0, 60) ?: 'Debt',
            'amount' => $amount,
            'payee' => mb_substr(trim($payee), 0, 60),
            'made_by' => $by->id,
            'once' => $once,
        ]);
        Expected::forget($agent);
        $told = ['person' => $agent->name, 'debt' => $debt->label, 'amount' => $amount->decimal()];
        History::ofBrokerage($agent->brokerage_id, 'Debt entered', $told, $agent->officeRoles->first()?->office_id);

        return $debt;
    }

    /** @throws StepRefused when no reason is given */
    public function settle(AgentDebt $debt, string $why): void
    {
        trim($why) !== '' || throw CommissionRefusal::NoReason->because();
        if ($debt->settled_at !== null) {
            return;
        }
        $debt->update(['settled_at' => now(), 'settled_why' => mb_substr(trim($why), 0, 200)]);
        Expected::forget($debt->agent);
        $told = ['person' => $debt->agent->name, 'debt' => $debt->label, 'why' => $debt->settled_why];
        // Whose office it is sees it, no other.
        $office = OfficeRole::query()->where('user_id', $debt->user_id)->orderBy('id')->value('office_id');
        History::ofBrokerage($debt->brokerage_id, 'Debt settled', $told, $office === null ? null : (int) $office);
    }
}
