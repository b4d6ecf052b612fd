<?php

declare(strict_types=1);

namespace App\Roster\Http;

use App\Models\Cover;
use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\User;
use App\Roster\Actions\KeepCovers;
use App\Roster\Actions\KeepHelp;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Dates\LocalDate;

/** Who works on whose files, and which coordinator new files get. */
final class CoverController
{
    public function store(Request $request, KeepCovers $covers): RedirectResponse
    {
        Gate::authorize('roster');
        $given = $request->validate([
            'of' => 'required|string|size:26',
            'helper' => 'required|string|size:26',
            'kind' => ['required', Rule::in(array_keys(Cover::KINDS))],
            'from' => 'nullable|string|max:40',
            'until' => 'nullable|string|max:40',
        ]);
        $of = User::colleagues()->where('key', $given['of'])->where('active', true)->firstOrFail();
        $today = LocalDate::at(now(), new \DateTimeZone($of->zone()));
        $covers->add(
            $of,
            User::colleagues()->where('key', $given['helper'])->where('active', true)->firstOrFail(),
            $given['kind'],
            ($given['from'] ?? '') === '' ? $today : LocalDate::parse($given['from'], $today),
            ($given['until'] ?? '') === '' ? null : LocalDate::parse($given['until'], $today),
            User::signedIn($request),
        );

        return to_route('roster')->with('told', 'Saved. They are in the open files from that day on, and in new ones.');
    }

    public function end(Request $request, string $cover, KeepCovers $covers): RedirectResponse
    {
        Gate::authorize('roster');
        $covers->end(Cover::query()->with(['user.officeRoles.office', 'helper'])->where('key', $cover)->firstOrFail(),
            User::signedIn($request));

        return to_route('roster')->with('told', 'Ended. They are out of those files.');
    }

    public function coordinate(Request $request, Office $office, KeepHelp $help): RedirectResponse
    {
        Gate::authorize('run-office');
        abort_unless(User::signedIn($request)->runs($office), 403);
        $keys = OfficeRole::query()->where(['office_id' => $office->id, 'role' => Role::Coordinator])->pluck('user_id');
        $known = User::query()->whereIn('id', $keys)->pluck('key')->all();
        $given = $request->validate(['rule' => ['nullable', Rule::in(['load', ...$known])]]);
        $help->coordinate($office, (string) ($given['rule'] ?? ''));

        return to_route('roster')->with('told', "Saved for {$office->name}. It holds for files opened from now on.");
    }
}
