<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\KeepDebts;
use App\Models\AgentDebt;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;

/** What agents owe. */
final class DebtController
{
    public function store(Request $request, User $user, KeepDebts $debts): RedirectResponse
    {
        abort_if($user->guest, 404);
        Gate::authorize('keep-plans-of', $user);
        $given = $request->validate([
            'label' => 'required|string|max:60',
            'amount' => 'required|string|max:20',
            'payee' => 'nullable|string|max:60',
            'once' => 'nullable|string|max:40',
        ], ['label.required' => 'Enter what it is for.', 'amount.required' => 'Enter how much is owed.']);
        try {
            $amount = Money::parse($given['amount']);
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['amount' => $unreadable->getMessage()]);
        }
        $debts->enter($user, $given['label'], $amount, (string) ($given['payee'] ?? ''), User::signedIn($request), $given['once'] ?? null);

        return to_route('plans')->with('told', "{$user->name} owes {$amount}. The next sheets take it.");
    }

    public function settle(Request $request, AgentDebt $debt, KeepDebts $debts): RedirectResponse
    {
        Gate::authorize('keep-plans-of', $debt->agent);
        $given = $request->validate(['why' => 'nullable|string|max:200']);
        $debts->settle($debt, (string) ($given['why'] ?? ''));

        return to_route('plans')->with('told', "“{$debt->label}” is settled. It will not come off any more sheets.");
    }
}
