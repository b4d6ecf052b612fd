<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;
use Unanimus\Access\Permission;

/**
 * What roles of an office may do, where it says otherwise than usual.
 *
 * @property int $id
 * @property int $brokerage_id
 * @property int $office_id
 * @property Permission $permission
 */
final class OfficePermission extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['permission' => Permission::class];

    /** @var array<int, array<string, list<string>>> roles by office and permission, as the work before saw them */
    private static array $said = [];

    private static int $epoch = -1;

    /** @return list<string> roles that may do it in an office */
    public static function roles(Permission $permission, int $officeId): array
    {
        if (self::$epoch !== Sight::$epoch) {
            self::$said = [];
            foreach (DB::table('office_permissions')->get(['office_id', 'permission', 'roles']) as $row) {
                self::$said[(int) $row->office_id][$row->permission] = explode(',', trim((string) $row->roles, '{}'));
            }
            self::$epoch = Sight::$epoch;
        }

        return self::$said[$officeId][$permission->value] ?? $permission->usual();
    }

    /** What was read does not hold any more. */
    public static function forget(): void
    {
        self::$epoch = -1;
    }
}
