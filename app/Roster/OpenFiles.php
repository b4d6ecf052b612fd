<?php

declare(strict_types=1);

namespace App\Roster;

use App\Models\DealFile;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Files\DealStatus;

/** Open files of an agent, and who could go on with them. */
final class OpenFiles
{
    /** @return Collection<int, DealFile> by name */
    public static function of(User $user): Collection
    {
        return DealFile::query()
            ->with(['office', 'members.user'])
            ->whereIn('status', DealStatus::open())
            ->where(['practice' => false, 'guest' => false])
            ->whereHas('members', static fn ($members) => $members->where(['user_id' => $user->id, 'role' => Role::Agent])
                ->whereNull('through'))
            ->orderBy('name')
            ->get();
    }

    /** @return list<string> keys of agents and brokers who work here */
    public static function agents(): array
    {
        return array_values(User::colleagues()->where('active', true)
            ->whereHas('officeRoles', static fn ($roles) => $roles->whereIn('role', [Role::Agent, Role::Broker]))
            ->pluck('key')->all());
    }
}
