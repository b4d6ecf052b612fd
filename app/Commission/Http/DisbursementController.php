<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\AuthorizeDisbursement;
use App\Commission\Actions\KeepPayments;
use App\Commission\Actions\SendDisbursement;
use App\Commission\Actions\WithdrawDisbursement;
use App\Commission\Actions\WordDisbursement;
use App\Commission\CommissionSides;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** From the authorization of a disbursement to the last payee who was paid. */
final class DisbursementController
{
    public function store(Request $request, DealFile $file, AuthorizeDisbursement $authorize): RedirectResponse
    {
        Gate::authorize('authorize-disbursement', $file);
        $given = $request->validate(['seen' => 'nullable|string|max:80', 'despite' => 'nullable|string|max:500']);
        $file->load(['members', 'parties', 'kits']);
        $side = self::side($request, $file);
        $authorize($file, User::signedIn($request), $side, ($given['seen'] ?? '') ?: null, (string) ($given['despite'] ?? ''));

        return CommissionController::back($file, $side, 'Disbursement authorized. The CDA is in the file.');
    }

    public function withdraw(Request $request, DealFile $file, WithdrawDisbursement $withdraw): RedirectResponse
    {
        Gate::authorize('authorize-disbursement', $file);
        $given = $request->validate(['why' => 'nullable|string|max:500']);
        $side = self::side($request, $file);
        $told = $withdraw($file, User::signedIn($request), $side, (string) ($given['why'] ?? ''));

        $words = 'Authorization withdrawn. '.($told ? 'Escrow gets an email. ' : '').'You can change the figures again.';

        return CommissionController::back($file, $side, $words);
    }

    public function send(Request $request, DealFile $file, SendDisbursement $send): RedirectResponse
    {
        Gate::authorize('set-commission', $file);
        $given = $request->validate([
            'name' => 'required|string|max:120',
            'email' => 'required|email|max:200',
            'message' => 'nullable|string|max:2000',
        ], ['name.required' => 'Enter who gets it.', 'email.required' => 'Enter their email address.']);
        $side = self::side($request, $file);
        $send($file, User::signedIn($request), $side, trim($given['name']), trim($given['email']), (string) ($given['message'] ?? ''));

        return CommissionController::back($file, $side, "Sent to {$given['name']}.");
    }

    public function received(Request $request, DealFile $file, SendDisbursement $send): RedirectResponse
    {
        Gate::authorize('set-commission', $file);
        $given = $request->validate(['on' => 'nullable|string|max:40', 'note' => 'nullable|string|max:200']);
        $side = self::side($request, $file);
        $send->received($file, $side, self::day($file, $given['on'] ?? ''), (string) ($given['note'] ?? ''));

        return CommissionController::back($file, $side, 'Saved: escrow confirmed it.');
    }

    public function wired(Request $request, DealFile $file, KeepPayments $payments): RedirectResponse
    {
        Gate::authorize('keep-payments', $file);
        $given = $request->validate(
            ['amount' => 'required|string|max:20', 'on' => 'nullable|string|max:40'],
            ['amount.required' => 'Enter the amount received.'],
        );
        $side = self::side($request, $file);
        $payments->wired($file, $side, self::money('amount', $given['amount']), self::day($file, $given['on'] ?? ''));

        return CommissionController::back($file, $side, 'Amount received saved.');
    }

    public function paid(Request $request, DealFile $file, KeepPayments $payments): RedirectResponse
    {
        Gate::authorize('keep-payments', $file);
        $given = $request->validate([
            'payee' => 'required|string|max:120',
            'amount' => 'required|string|max:20',
            'how' => ['required', Rule::in(array_keys(KeepPayments::HOW))],
            'reference' => 'nullable|string|max:60',
            'on' => 'nullable|string|max:40',
        ], ['amount.required' => 'Enter what was paid.']);
        $side = self::side($request, $file);
        [$amount, $on] = [self::money('amount', $given['amount']), self::day($file, $given['on'] ?? '')];
        $by = User::signedIn($request);
        $payments->paid($file, $side, $by, $given['payee'], $amount, $given['how'], (string) ($given['reference'] ?? ''), $on);

        return CommissionController::back($file, $side, "{$given['payee']} is marked as paid {$amount}.");
    }

    public function strike(Request $request, DealFile $file, KeepPayments $payments): RedirectResponse
    {
        Gate::authorize('keep-payments', $file);
        $given = $request->validate(['payee' => 'required|string|max:120', 'why' => 'nullable|string|max:200']);
        $side = self::side($request, $file);
        $payments->strike($file, $side, $given['payee'], (string) ($given['why'] ?? ''));

        return CommissionController::back($file, $side, "{$given['payee']} is not paid after all.");
    }

    public function word(Request $request, DealFile $file, WordDisbursement $word): RedirectResponse
    {
        Gate::authorize('authorize-disbursement', $file);
        $given = $request->validate(['text' => 'nullable|string|max:3000']);
        $side = self::side($request, $file);
        $word->file($file, $side, (string) ($given['text'] ?? ''));

        return CommissionController::back($file, $side, 'The wording for this file is saved.');
    }

    private static function side(Request $request, DealFile $file): ?Side
    {
        return CommissionSides::asked($file, User::signedIn($request), $request->input('side'));
    }

    private static function money(string $field, string $typed): Money
    {
        try {
            return Money::parse($typed);
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages([$field => $unreadable->getMessage()]);
        }
    }

    private static function day(DealFile $file, ?string $typed): LocalDate
    {
        $today = $file->office->today();
        try {
            return trim((string) $typed) === '' ? $today : LocalDate::parse((string) $typed, $today);
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
    }
}
