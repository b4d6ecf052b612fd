<?php

declare(strict_types=1);

namespace App\Running;

use App\Models\Brokerage;
use App\Models\Role;
use App\Models\SetupMark;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Running\Setup;
use Unanimus\Running\SetupState;
use Unanimus\Running\SetupStep;

/** How far a brokerage is with setting up, from what is there and what its administrators said. */
final class SetupGuide
{
    /** @return Setup|null null: it is not being set up, or this person does not do it */
    public static function of(User $user): ?Setup
    {
        if (! $user->holds(Role::Administrator)) {
            return null;
        }
        $brokerage = Brokerage::query()->findOrFail($user->brokerage_id);

        return $brokerage->sets_up ? self::standing($brokerage) : null;
    }

    /** How everything stands, also where nobody is led through it any more. */
    public static function standing(Brokerage $brokerage): Setup
    {
        $there = static fn (string $sql): bool => (bool) DB::scalar("SELECT EXISTS ({$sql})", [$brokerage->id]);
        $found = array_keys(array_filter([
            SetupStep::Sender->value => $brokerage->sender_address !== null,
            SetupStep::People->value => self::canWork($brokerage->id),
            SetupStep::OwnForm->value => $there('SELECT 1 FROM own_forms WHERE brokerage_id = ?'),
            SetupStep::Kits->value => $there('SELECT 1 FROM kits WHERE brokerage_id = ?'),
            SetupStep::Rules->value => $there('SELECT 1 FROM office_rules WHERE brokerage_id = ?'),
            SetupStep::Plans->value => $there('SELECT 1 FROM agent_plans WHERE brokerage_id = ?'),
            SetupStep::FirstFile->value => $there('SELECT 1 FROM deal_files WHERE brokerage_id = ? AND NOT practice'),
        ]));
        $said = SetupMark::query()->where('brokerage_id', $brokerage->id)->pluck('state', 'step')->all();

        return Setup::of(array_map(SetupStep::from(...), $found), array_map(SetupState::from(...), $said));
    }

    /** Whether there is somebody who reviews, and somebody who opens files. */
    private static function canWork(int $brokerage): bool
    {
        $held = DB::table('office_roles')
            ->join('users', 'users.id', '=', 'office_roles.user_id')
            ->where('office_roles.brokerage_id', $brokerage)
            ->where('users.active', true)
            ->distinct()
            ->pluck('role')
            ->all();

        return in_array('broker', $held, true) && array_intersect(['agent', 'coordinator'], $held) !== [];
    }
}
