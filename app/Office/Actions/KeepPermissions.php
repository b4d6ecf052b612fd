<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\History\History;
use App\Models\Office;
use App\Models\OfficePermission;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\Permission;
use Unanimus\Steps\StepRefused;

/** What the roles of an office may do: said by its administrators. */
final class KeepPermissions
{
    /**
     * @param array<string, list<string>> $wanted roles, by permission; what is not in it stays
     * @return int how many are otherwise now
     *
     * @throws StepRefused when they are no administrator there, or nobody would be left who may
     */
    public function __invoke(Office $office, array $wanted, User $by): int
    {
        $by->holds(Role::Administrator, $office->id) || throw AccessRefusal::NotTheirOffice->because(office: $office->name);
        DB::table('offices')->where('id', $office->id)->lockForUpdate()->value('id');
        OfficePermission::forget();
        $changed = [];
        foreach (Permission::cases() as $permission) {
            if (! isset($wanted[$permission->value])) {
                continue;
            }
            $roles = $permission->kept($wanted[$permission->value]);
            if ($roles === $permission->kept(OfficePermission::roles($permission, $office->id))) {
                continue;
            }
            $row = ['office_id' => $office->id, 'permission' => $permission->value];
            $roles === $permission->usual()
                ? DB::table('office_permissions')->where($row)->delete()
                : DB::table('office_permissions')->upsert(
                    [[...$row, 'brokerage_id' => $office->brokerage_id, 'roles' => '{'.implode(',', $roles).'}']],
                    ['office_id', 'permission'],
                    ['roles'],
                );
            $changed[] = $permission->label().': '.implode(', ', $roles);
        }
        OfficePermission::forget();
        $changed === [] || History::ofBrokerage($office->brokerage_id, 'Permissions changed', [
            'office' => $office->name,
            'changes' => implode('; ', $changed),
        ], $office->id);

        return count($changed);
    }

    /**
     * Which roles need two steps to sign in, in all offices.
     *
     * @param list<string> $roles
     * @return int how many people have to set it up now
     */
    public function twoSteps(User $by, array $roles): int
    {
        $roles = array_values(array_filter(array_column(Role::cases(), 'value'), static fn (string $one) => in_array($one, $roles, true)));
        if ($roles === self::twoStepRoles($by->brokerage_id)) {
            return 0;
        }
        DB::table('brokerages')->where('id', $by->brokerage_id)->update(['two_step_roles' => '{'.implode(',', $roles).'}']);
        History::ofBrokerage($by->brokerage_id, 'Two-step sign-in required', ['roles' => $roles === [] ? 'no one' : implode(', ', $roles)]);

        return User::colleagues()->where('active', true)->where('owes_two_step', true)->whereNull('second_factor_at')->count();
    }

    /** @return list<string> roles that need two steps to sign in */
    public static function twoStepRoles(int $brokerageId): array
    {
        $roles = trim((string) DB::table('brokerages')->where('id', $brokerageId)->value('two_step_roles'), '{}');

        return $roles === '' ? [] : explode(',', $roles);
    }
}
