<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;
use Unanimus\Roster\ListedPerson;
use Unanimus\Roster\PeopleList;
use Unanimus\Steps\StepRefused;

/** Invites the people of a list, each by themselves: who cannot be invited stays on it, with the reason. */
final class InviteMany
{
    public function __construct(private readonly KeepPeople $people)
    {
    }

    /**
     * @param Office $office for those of whom none is said
     * @return array{int, array<string, string>} how many were invited, and why others were not, by their line
     */
    public function __invoke(User $by, string $list, Office $office): array
    {
        $offices = Office::query()->get()->keyBy('name');
        $invited = 0;
        $left = [];
        foreach (PeopleList::read($list, array_map(strval(...), $offices->keys()->all())) as $person) {
            try {
                DB::transaction(fn () => $this->invite($by, $person, $offices->get($person->office) ?? $office));
                $invited++;
            } catch (StepRefused $refused) {
                $left[$person->line] = $refused->getMessage();
            }
        }

        return [$invited, $left];
    }

    private function invite(User $by, ListedPerson $person, Office $office): void
    {
        filter_var($person->email, FILTER_VALIDATE_EMAIL) !== false ||
            throw AccessRefusal::NoAddress->because(email: $person->email === '' ? $person->line : $person->email);
        $person->name === '' && throw AccessRefusal::NameMissing->because();
        $role = Role::tryFrom($person->role) ?? throw AccessRefusal::NoRoleSaid->because();
        $this->people->invite($by, mb_substr($person->name, 0, 120), $person->email, $office, $role);
    }
}
