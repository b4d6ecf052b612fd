<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\WordDisbursement;
use App\Commission\OfficeWording;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** How each office words its disbursement authorizations. */
final class WordingController
{
    public function index(Request $request): View
    {
        Gate::authorize('word-disbursements');
        $user = User::signedIn($request);
        $offices = Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => self::keeps($user, $office));

        return view('commission.wording', [
            'offices' => $offices,
            'words' => $offices->mapWithKeys(static fn (Office $office) => [$office->id => OfficeWording::of($office)])->all(),
        ]);
    }

    public function update(Request $request, Office $office, WordDisbursement $word): RedirectResponse
    {
        Gate::authorize('word-disbursements');
        abort_unless(self::keeps(User::signedIn($request), $office), 403);
        $given = $request->validate([
            'text' => 'nullable|string|max:3000',
            'agents' => 'required|in:direct,company',
            'referral' => 'required|in:direct,company',
            'letterhead' => 'nullable|string|max:400',
            'account' => 'nullable|string|max:80',
            'sign' => 'required|in:typed,hand',
        ]);
        $word->office($office, array_map(static fn (mixed $value) => (string) $value, [
            'text' => $given['text'] ?? '',
            'agents' => $given['agents'],
            'referral' => $given['referral'],
            'letterhead' => $given['letterhead'] ?? '',
            'account' => $given['account'] ?? '',
            'sign' => $given['sign'],
        ]));

        return to_route('wording')->with('told', "Saved for {$office->name}.");
    }

    private static function keeps(User $user, Office $office): bool
    {
        return $user->holds(Role::Broker, $office->id) || $user->holds(Role::Administrator, $office->id);
    }
}
