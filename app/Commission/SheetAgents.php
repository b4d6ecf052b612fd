<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\DealFile;
use App\Models\Member;
use App\Models\Role;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Support\Collection;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;

/** Our agents on a side of a deal, and who leads their teams: their plans, what has counted so far, what they owe. */
final readonly class SheetAgents
{
    /** Under what a side without an agent of ours is reckoned. */
    private const NOBODY = 'agent:nobody';

    /**
     * @param array<string, array{string, string}> $names by the name they go under, agents before those who lead them
     * @param array<string, PlanYear|null> $years of the agents
     * @param array<string, User|null> $users agents and those who lead them
     * @param array<string, list<array{id: int, label: string, amount: string, to: string}>> $debts
     */
    private function __construct(public array $names, public array $years, public array $users, public array $debts)
    {
    }

    /** In the order they joined the file; on both sides are those who belong to neither alone. */
    public static function of(DealFile $file, ?Side $side, LocalDate $closing, Before $before): self
    {
        /** @var Collection<int, Member> $members */
        $members = $file->members->loadMissing('user')->where('role', Role::Agent)->sortBy('id');
        $side === null || ($members = $members->filter(static fn (Member $member) => $member->side === $side || $member->side === null));
        [$names, $years, $users, $debts] = [[], [], [], []];
        foreach ($members as $member) {
            $id = self::id($member->user);
            $names[$id] = [self::called($file, $member->user), 'agent'];
            $users[$id] = $member->user;
            $years[$id] = PlanYear::of($member->user, $closing, $before);
        }
        if ($users === []) {
            return new self([self::NOBODY => [FactBook::of($file)->value('agent.1.name') ?? 'Agent', 'agent']],
                [self::NOBODY => null], [self::NOBODY => null], []);
        }
        $leads = array_filter(array_map(static fn (?PlanYear $year) => $year->plan['team']['lead'] ?? null, $years));
        foreach (User::query()->whereIn('key', array_unique($leads))->get() as $lead) {
            $names[self::id($lead)] ??= [$lead->name, 'agent'];
            $users[self::id($lead)] ??= $lead;
        }
        foreach ($users as $id => $user) {
            $debts[$id] = DebtsOf::agent($user, $before);
        }

        return new self($names, $years, $users, $debts);
    }

    /** @return list<string> the agents of the side, without those who only lead */
    public function ids(): array
    {
        return array_keys($this->years);
    }

    /**
     * As the reckoning takes them.
     *
     * @param array<string, string> $splits entered for this deal: each goes before the plan, and counts in the plan's year all the same
     * @return array<string, array<string, mixed>>
     */
    public function given(array $splits): array
    {
        $given = [];
        foreach (array_keys($this->names) as $id) {
            $year = $this->years[$id] ?? null;
            $given[$id] = $year?->given() ?? ['plan' => []];
            ($splits[$id] ?? '') === '' || ($given[$id]['plan'] = ['rate' => $splits[$id]]);
            $team = $year->plan['team'] ?? null;
            $team === null || ! isset($this->names["agent:{$team['lead']}"]) || ($given[$id]['team'] = [
                'lead' => "agent:{$team['lead']}",
                'percent' => $team['percent'],
                'base' => $team['base'],
            ]);
            ($this->debts[$id] ?? []) === [] || ($given[$id]['debts'] = $this->debts[$id]);
        }

        return $given;
    }

    private static function id(User $user): string
    {
        return "agent:{$user->key}";
    }

    private static function called(DealFile $file, User $user): string
    {
        return $file->parties->first(
            static fn ($party) => $party->role === PartyRole::Agent && $party->user_id === $user->id,
        )->name ?? $user->name;
    }
}
