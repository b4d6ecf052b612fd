<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\SetOfficeFees;
use App\Models\Office;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Commission\FeeEntered;
use Unanimus\Money\AmountUnreadable;

/** Fees that an office usually takes. */
final class OfficeFeesController
{
    public function index(Request $request): View
    {
        Gate::authorize('word-disbursements');
        $user = User::signedIn($request);

        return view('commission.fees', [
            'offices' => Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => $user->runs($office)),
        ]);
    }

    public function update(Request $request, Office $office, SetOfficeFees $set): RedirectResponse
    {
        Gate::authorize('word-disbursements');
        abort_unless(User::signedIn($request)->runs($office), 403);
        $given = $request->validate([
            'fees' => 'nullable|array|max:'.FeeEntered::MOST,
            'fees.*' => 'array',
            'fees.*.*' => 'nullable|string|max:80',
        ]);
        try {
            $set($office, (array) ($given['fees'] ?? []));
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['fees' => $unreadable->getMessage()]);
        }

        return to_route('office-fees')->with('told', "Saved for {$office->name}. New sheets suggest them.");
    }
}
