<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Models\IdentityProvider;
use App\Models\Office;
use App\Models\OfficePermission;
use App\Models\Role;
use App\Models\User;
use App\Office\Actions\KeepPermissions;
use App\Office\CompanySignIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
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
            'company' => IdentityProvider::query()->find($user->brokerage_id),
            'back' => CompanySignIn::back(),
            'twoSteps' => KeepPermissions::twoStepRoles($user->brokerage_id),
        ]);
    }

    public function twoSteps(Request $request, KeepPermissions $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $given = $request->validate(['roles' => 'nullable|array|max:9', 'roles.*' => Rule::in(array_column(Role::cases(), 'value'))]);
        $count = $keep->twoSteps(User::signedIn($request), array_values($given['roles'] ?? []));

        return back()->with('told', $count === 0
            ? 'Saved.'
            : 'Saved. '.($count === 1 ? '1 person is' : "{$count} people are").' asked to set up two-step sign-in on their next page.');
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
