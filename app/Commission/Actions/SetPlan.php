<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Commission\Expected;
use App\Commission\PlanYear;
use App\History\History;
use App\Models\AgentPlan;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\AgentYear;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;

/** Gives an agent a plan that is in force from a day. Those before it stay for the sheets of their time. */
final class SetPlan
{
    /**
     * @param array<string, mixed> $plan as the reckoning takes it
     * @param array<string, Money> $opening cn, company and afterCap that counted in its year before sheets were kept here
     */
    public function __invoke(User $agent, LocalDate $from, array $plan, array $opening, User $by): AgentPlan
    {
        DB::table('users')->where('id', $agent->id)->lockForUpdate()->value('id');
        $counted = array_filter($opening, static fn (Money $one) => ! $one->isZero());
        $kept = AgentPlan::query()->updateOrCreate(['user_id' => $agent->id, 'from_day' => $from->iso()], [
            'brokerage_id' => $agent->brokerage_id,
            'plan' => $plan,
            'opening' => $counted === [] ? [] : [
                'year' => AgentYear::begins((string) ($plan['year'] ?? 'calendar'), $from)->iso(),
                ...array_map(static fn (Money $one) => $one->decimal(), $counted),
            ],
            'made_by' => $by->id,
        ]);
        Expected::forget($agent);
        History::ofBrokerage($agent->brokerage_id, 'Plan set', [
            'person' => $agent->name,
            'plan' => PlanYear::said($plan),
            'from' => $from->iso(),
        ], $agent->officeRoles->first()?->office_id);

        return $kept;
    }
}
