<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Which coordinator a new file of an office gets by itself. */
final class OfficeCoordinator
{
    public static function of(Office $office): ?User
    {
        if ($office->coordinator_rule === '') {
            return null;
        }
        $people = User::inOffice($office, Role::Coordinator);
        if ($office->coordinator_rule !== 'load') {
            return $people->firstWhere('key', $office->coordinator_rule);
        }
        $open = DB::select('SELECT * FROM files_of_coordinators(?)', [$office->id]);
        $counts = array_column($open, 'count', 'user_id');

        // Of those with equally few the first by name, so that the answer is the same however often it is asked.
        return $people->sortBy(static fn (User $one) => [(int) ($counts[$one->id] ?? 0), $one->name])->first();
    }
}
