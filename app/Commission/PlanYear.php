<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\AgentPlan;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\AgentYear;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;

/** An agent's plan in the year a day lies in, and what has counted in it so far. */
final readonly class PlanYear
{
    /** @param  array<string, mixed>  $plan  as the reckoning takes it */
    private function __construct(
        public array $plan,
        public LocalDate $begins,
        public Money $cn,
        public Money $company,
        public Money $afterCap,
    ) {
    }

    /**
     * Null: no plan is in force on that day.
     *
     * @param Before|null $before which sheets count; null: all of the year
     */
    public static function of(User $agent, LocalDate $day, ?Before $before = null): ?self
    {
        $kept = AgentPlan::query()
            ->where('user_id', $agent->id)
            ->where('from_day', '<=', $day->iso())
            ->orderByDesc('from_day')
            ->first();
        if ($kept === null) {
            return null;
        }
        $begins = AgentYear::begins((string) ($kept->plan['year'] ?? 'calendar'), $day);
        $counted = ($before ?? Before::all())->bindings();
        $so = DB::selectOne('SELECT * FROM plan_year_so_far(?, ?, ?, ?, ?, ?)', [$agent->id, $begins->iso(), ...$counted]);

        return self::counted($kept, $begins, $so);
    }

    /**
     * The same of many, in two questions; who has no plan on that day is left out.
     *
     * @param list<string> $keys of agents
     * @return array<string, self> by the agent's key
     */
    public static function ofMany(array $keys, LocalDate $day): array
    {
        $plans = AgentPlan::query()
            ->join('users', 'users.id', '=', 'agent_plans.user_id')
            ->whereIn('users.key', $keys)
            ->where('from_day', '<=', $day->iso())
            ->orderBy('from_day')
            ->get(['agent_plans.*', 'users.key as agent'])
            ->keyBy('agent');
        $begins = $plans->map(static fn (AgentPlan $kept) => AgentYear::begins((string) ($kept->plan['year'] ?? 'calendar'), $day));
        $so = DB::select(
            'SELECT a.id, so.* FROM unnest(?::bigint[], ?::date[]) AS a (id, begins)
                CROSS JOIN LATERAL plan_year_so_far(a.id, a.begins, ?, ?, ?, ?) so',
            [
                '{'.$plans->pluck('user_id')->implode(',').'}',
                '{'.$begins->map(static fn (LocalDate $one) => $one->iso())->implode(',').'}',
                ...Before::all()->bindings(),
            ],
        );
        $so = array_column($so, null, 'id');

        return $plans->map(static fn (AgentPlan $kept, string $key) => self::counted($kept, $begins[$key], $so[$kept->user_id]))->all();
    }

    private static function counted(AgentPlan $kept, LocalDate $begins, object $so): self
    {
        $opening = ($kept->opening['year'] ?? '') === $begins->iso() ? $kept->opening : [];

        return new self(
            $kept->plan,
            $begins,
            Money::of((string) ($so->cn ?? '0'))->plus(Money::of((string) ($opening['cn'] ?? '0'))),
            Money::of((string) ($so->company ?? '0'))->plus(Money::of((string) ($opening['company'] ?? '0'))),
            Money::of((string) ($so->after_cap ?? '0'))->plus(Money::of((string) ($opening['afterCap'] ?? '0'))),
        );
    }

    public function cap(): ?Money
    {
        return isset($this->plan['cap']) ? Money::of((string) $this->plan['cap']) : null;
    }

    /** How far it is to the cap, in whole percent; null: there is none. */
    public function wayToCap(): ?int
    {
        $cap = $this->cap();

        return $cap === null || $cap->isZero() ? null : min(100, intdiv($this->company->cents * 100, $cap->cents));
    }

    /** "80%, cap $16,000, by calendar year" */
    public function readable(): string
    {
        return self::said($this->plan);
    }

    /** @param  array<string, mixed>  $plan */
    public static function said(array $plan): string
    {
        $tiers = $plan['tiers'] ?? [['rate' => $plan['rate'] ?? '']];
        $parts = [implode(', then ', array_map(
            static fn (array $tier) => "{$tier['rate']}%".(isset($tier['upTo']) ? ' to '.Money::of((string) $tier['upTo']) : ''),
            $tiers,
        ))];
        isset($plan['cap']) && ($parts[] = 'cap '.Money::of((string) $plan['cap']));
        isset($plan['minimum']) && ($parts[] = 'at least '.Money::of((string) $plan['minimum']).' to the company');
        isset($plan['afterCap']['amount']) && ($parts[] = Money::of((string) $plan['afterCap']['amount']).' a deal after the cap');
        isset($plan['afterCap']['percent']) && ($parts[] = "{$plan['afterCap']['percent']}% of a deal after the cap");
        isset($plan['team']) && ($parts[] = "{$plan['team']['percent']}% to {$plan['team']['name']}, who leads the team, "
            .($plan['team']['base'] === 'before' ? 'of the part before the split' : 'of the part after the split'));
        $parts[] = ($plan['year'] ?? 'calendar') === 'calendar' ? 'by calendar year' : "year begins {$plan['year']}";

        return implode(', ', $parts);
    }

    /** @return array<string, mixed> as the reckoning takes an agent */
    public function given(): array
    {
        return ['plan' => array_diff_key($this->plan, ['team' => 1]), 'yearBegins' => $this->begins->iso(), 'soFar' => [
            'cn' => $this->cn->decimal(),
            'company' => $this->company->decimal(),
            'afterCap' => $this->afterCap->decimal(),
        ]];
    }
}
