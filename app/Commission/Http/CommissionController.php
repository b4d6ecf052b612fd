<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Access\User;
use App\Commission\Actions\AuthorizeDisbursement;
use App\Commission\Actions\SetCommission;
use App\Commission\FlowDrawing;
use App\Files\FactBook;
use App\Files\Models\DealFile;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Money\AmountUnreadable;

/** Commission sheets. */
final class CommissionController
{
    public function index(): View
    {
        Gate::authorize('commission-place');
        $files = DealFile::query()->with(['office', 'knownFacts', 'commission'])->where('status', 'under_contract')
            ->whereHas('knownFacts', static fn ($facts) => $facts->where('name', 'price'))->orderByDesc('id')->limit(200)->get();

        return view('commission.index', ['files' => $files]);
    }

    public function show(DealFile $file): View
    {
        $file->load(['office', 'knownFacts', 'parties', 'papers', 'requirements', 'commission.paper', 'members']);
        Gate::authorize('see-commission', $file);
        $sheet = SetCommission::sheet($file);

        return view('commission.show', ['file' => $file, 'facts' => FactBook::of($file), 'sheet' => $sheet, 'flow' => $sheet === null ? null : FlowDrawing::of($sheet), 'whole' => $file->completeness(), 'entries' => $file->commission?->only(['rate', 'agent_share', 'fee', 'fee_name']) ?? SetCommission::usual($file)]);
    }

    public function update(Request $request, DealFile $file, SetCommission $set): RedirectResponse
    {
        Gate::authorize('set-commission', $file);
        $given = $request->validate(['rate' => 'required|string|max:20', 'agent_share' => 'required|string|max:20', 'fee' => 'nullable|string|max:20', 'fee_name' => 'nullable|string|max:60']);
        try {
            $set($file, ['rate' => $given['rate'], 'agent_share' => $given['agent_share'], 'fee' => (string) ($given['fee'] ?? ''), 'fee_name' => (string) ($given['fee_name'] ?? '')]);
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['rate' => $unreadable->getMessage()]);
        }

        return redirect("/files/{$file->key}/commission")->with('told', 'Computed and stored.');
    }

    public function authorizePayment(Request $request, DealFile $file, AuthorizeDisbursement $authorize): RedirectResponse
    {
        Gate::authorize('authorize-disbursement', $file);
        $user = $request->user();
        $authorize($file, $user instanceof User ? $user : abort(403));

        return redirect("/files/{$file->key}/commission")->with('told', 'Authorized. The CDA is in the file.');
    }
}
