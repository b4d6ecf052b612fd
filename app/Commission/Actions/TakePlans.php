<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Gate;
use Unanimus\Commission\PlanSheet;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\SheetUnreadable;

/** Plans for many agents at once, from a table: tried first, then set, row by row. */
final class TakePlans
{
    public function __construct(private readonly SetPlan $set)
    {
    }

    /**
     * What each row would do.
     *
     * @return list<array<string, mixed>> rows of PlanSheet with the agent, and why not where one cannot be taken
     *
     * @throws SheetUnreadable when it is no table of plans
     */
    public function try(string $bytes, LocalDate $today): array
    {
        /** @var Collection<string, User> $agents whose plans whoever asks keeps */
        $agents = User::query()
            ->with('officeRoles')
            ->where(['active' => true, 'guest' => false])
            ->whereHas('officeRoles', static fn ($roles) => $roles->where('role', Role::Agent))
            ->get()
            ->filter(static fn (User $agent) => Gate::allows('keep-plans-of', $agent))
            ->keyBy(static fn (User $user) => mb_strtolower((string) $user->email));
        $seen = [];

        return array_map(function (array $row) use ($agents, &$seen): array {
            $row['agent'] = $agents->get($row['email']);
            $row['refused'] = $row['refused'] ?: self::refused($row, $agents, $seen);
            $row['from'] === null || ($seen["{$row['email']} {$row['from']->iso()}"] = $row['line']);
            if ($row['refused'] === '' && isset($row['plan']['team'])) {
                $lead = $agents->get($row['lead']);
                $row['plan']['team'] = [...$row['plan']['team'], 'lead' => $lead?->key, 'name' => $lead?->name];
            }

            return $row;
        }, PlanSheet::read($bytes, $today));
    }

    /**
     * Sets what can be taken; the rest stays as it is.
     *
     * @return int how many plans were set
     *
     * @throws SheetUnreadable when it is no table of plans
     */
    public function take(string $bytes, LocalDate $today, User $by): int
    {
        $taken = array_filter($this->try($bytes, $today), static fn (array $row) => $row['refused'] === '');
        foreach ($taken as $row) {
            ($this->set)($row['agent'], $row['from'], $row['plan'], $row['opening'], $by);
        }

        return count($taken);
    }

    /**
     * @param array<string, mixed> $row
     * @param Collection<string, User> $agents
     * @param array<string, int> $seen
     */
    private static function refused(array $row, Collection $agents, array $seen): string
    {
        $twice = $seen["{$row['email']} {$row['from']->iso()}"] ?? null;

        return match (true) {
            $row['agent'] === null => "No agent here has the address {$row['email']}.",
            $twice !== null => "The same agent and day stand in row {$twice} already.",
            isset($row['plan']['team']) && ! $agents->has($row['lead']) => "No agent here has the address {$row['lead']}.",
            isset($row['plan']['team']) && $row['lead'] === $row['email'] => 'No one leads themselves.',
            default => '',
        };
    }
}
