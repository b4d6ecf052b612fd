<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\SetPlan;
use App\Commission\Before;
use App\Commission\DebtsOf;
use App\Commission\PlanYear;
use App\Models\AgentDebt;
use App\Models\AgentPlan;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\PlanEntered;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** Agents' plans: who is on which since when, and what counted so far. */
final class PlanController
{
    public function index(Request $request): View
    {
        Gate::authorize('see-plans');
        $today = LocalDate::at(now(), new \DateTimeZone(User::signedIn($request)->zone()));
        $all = Gate::allows('keep-plans');
        $agents = User::query()
            ->where(['active' => true, 'guest' => false])
            ->when(! $all, static fn ($users) => $users->whereKey(User::signedIn($request)->id))
            ->whereHas('officeRoles', static fn ($roles) => $roles->where('role', Role::Agent))
            ->with('officeRoles')
            ->orderBy('name')
            ->get()
            ->filter(static fn (User $agent) => ! $all || Gate::allows('keep-plans-of', $agent));
        $plans = AgentPlan::query()->whereIn('user_id', $agents->modelKeys())->orderByDesc('from_day')->get()->groupBy('user_id');

        return view('commission.plans', [
            'agents' => $agents,
            'plans' => $plans,
            'years' => $agents->mapWithKeys(static fn (User $agent) => [$agent->id => PlanYear::of($agent, $today)])->all(),
            'today' => $today,
            'keeps' => $all,
            'debts' => AgentDebt::query()
                ->whereIn('user_id', $agents->modelKeys())
                ->whereNull('settled_at')
                ->orderBy('id')
                ->get()
                ->groupBy('user_id'),
            'owed' => $agents->mapWithKeys(static fn (User $agent) => [
                $agent->id => array_column(DebtsOf::agent($agent, Before::all()), 'amount', 'id'),
            ])->all(),
        ]);
    }

    public function store(Request $request, User $user, SetPlan $set): RedirectResponse
    {
        abort_if($user->guest, 404);
        Gate::authorize('keep-plans-of', $user);
        $names = ['rate1', 'to1', 'rate2', 'to2', 'rate3', 'to3', 'cap', 'minimum', 'after_cap', 'after_cap_cap', 'cn', 'company', 'after',
            'team_percent'];
        $given = $request->validate([
            'from' => 'required|string|max:40',
            'tiers_by' => 'nullable|in:cn,company',
            'year' => 'nullable|string|max:10',
            'team_lead' => 'nullable|string|max:26',
            'team_base' => 'nullable|in:before,after',
            ...array_fill_keys($names, 'nullable|string|max:20'),
        ], ['from.required' => 'Enter the day from which it is in force.']);
        $today = LocalDate::at(now(), new \DateTimeZone(User::signedIn($request)->zone()));
        try {
            $plan = PlanEntered::read($given);
            $opening = array_map(
                static fn (string $name) => Money::parse((string) ($given[$name] ?? '') === '' ? '0' : (string) $given[$name]),
                ['cn' => 'cn', 'company' => 'company', 'afterCap' => 'after'],
            );
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['rate1' => $unreadable->getMessage()]);
        }
        if (isset($plan['team'])) {
            $lead = User::query()->where(['key' => $plan['team']['lead'], 'guest' => false])->first() ?? abort(404);
            $lead->id === $user->id && throw CommissionRefusal::TeamOfOneself->because();
            $plan['team'] = [...$plan['team'], 'name' => $lead->name];
        }
        try {
            $from = LocalDate::parse($given['from'], $today);
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
        $set($user, $from, $plan, $opening, User::signedIn($request));

        return to_route('plans')->with('told', "{$user->name}: ".PlanYear::said($plan).", from {$from->long()}.");
    }
}
