<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Models\Office;
use App\Models\OfficePermission;
use App\Models\Role;
use App\Models\User;
use App\Office\Actions\KeepPermissions;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Access\Permission;

/** Who may do what, as a table by office. */
final class PermissionController
{
    public function show(Request $request, ?Office $office = null): View
    {
        Gate::authorize('permissions');
        $user = User::signedIn($request);
        $offices = Office::query()->whereIn('id', $user->officeRoles->pluck('office_id'))->orderBy('name')->get();
        $office ??= $offices->first();
        abort_unless($office !== null && $offices->contains('id', $office->id), 404);

        return view('office.permissions', [
            'office' => $office,
            'offices' => $offices,
            'roles' => Permission::ROLES,
            'rows' => array_map(static fn (Permission $one) => [
                'permission' => $one,
                'roles' => OfficePermission::roles($one, $office->id),
            ], Permission::cases()),
            'fixed' => Permission::FIXED,
            'changes' => $user->holds(Role::Administrator, $office->id),
        ]);
    }

    public function update(Request $request, Office $office, KeepPermissions $keep): RedirectResponse
    {
        Gate::authorize('permissions');
        abort_unless(User::signedIn($request)->officeRoles->contains('office_id', $office->id), 404);
        $given = $request->validate(['may' => 'required|array', 'may.*' => 'array|max:9', 'may.*.*' => 'nullable|string|max:20']);
        $wanted = array_map(static fn (array $roles) => array_values(array_filter($roles, is_string(...))), $given['may']);
        $count = $keep($office, $wanted, User::signedIn($request));

        return to_route('permissions.show', $office)->with('told', $count === 0 ? 'Nothing changed.' : 'Saved.');
    }
}
