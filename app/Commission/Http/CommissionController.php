<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\AuthorizeDisbursement;
use App\Commission\Actions\SetCommission;
use App\Commission\FlowDrawing;
use App\Commission\Http\Requests\SetCommissionRequest;
use App\Commission\SheetOf;
use App\Models\DealFile;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Parties\Side;

/** Commission sheets. */
final class CommissionController
{
    public function index(): View
    {
        Gate::authorize('commission-place');
        $files = DealFile::query()
            ->with(['office', 'knownFacts', 'commission'])
            ->where(['status' => 'under_contract', 'practice' => false])
            ->whereHas('knownFacts', static fn ($facts) => $facts->where('name', 'price'))
            ->orderByDesc('id')
            ->limit(200)
            ->get();

        return view('commission.index', ['files' => $files]);
    }

    public function show(Request $request, DealFile $file): View
    {
        $file->load(['office', 'knownFacts', 'parties', 'papers', 'requirements', 'members', 'kits']);
        Gate::authorize('see-commission', $file);
        $side = $this->side($request, $file);
        $file->setRelation('commission', SetCommission::of($file, $side)->with('paper')->first());
        $reckoned = SheetOf::of($file, $side);
        $sheet = $reckoned?->sheet;

        return view('commission.show', [
            'file' => $file,
            'facts' => FactBook::of($file),
            'sheet' => $sheet,
            'told' => $reckoned->told ?? '',
            'seen' => $reckoned?->fingerprint(),
            'years' => $reckoned->years ?? [],
            'names' => $reckoned->names ?? [],
            'side' => $side,
            'sides' => $this->sides($request, $file),
            'flow' => $sheet === null ? null : FlowDrawing::of($sheet),
            'whole' => $file->completeness(),
            'entries' => $file->commission,
            'proposed' => $file->commission === null ? SetCommission::proposed($file, $side) : null,
        ]);
    }

    public function update(SetCommissionRequest $request, DealFile $file, SetCommission $set): RedirectResponse
    {
        $given = $request->validated();
        try {
            $set(
                $file,
                $given,
                $side = $this->side($request, $file),
            );
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['rate' => $unreadable->getMessage()]);
        }

        return redirect("/files/{$file->key}/commission".($side === null ? '' : "?side={$side->value}"))->with(
            'told',
            'Commission computed and saved.',
        );
    }

    public function authorizePayment(Request $request, DealFile $file, AuthorizeDisbursement $authorize): RedirectResponse
    {
        Gate::authorize('authorize-disbursement', $file);
        $user = $request->user();
        $authorize(
            $file->load(['members', 'parties', 'kits']),
            $user instanceof User ? $user : abort(403),
            $side = $this->side($request, $file),
            is_string($request->input('seen')) && $request->input('seen') !== '' ? $request->input('seen') : null,
        );

        return redirect("/files/{$file->key}/commission".($side === null ? '' : "?side={$side->value}"))->with(
            'told',
            'Disbursement authorized. The CDA is in the file.',
        );
    }

    /** Which side's commission it is about; null where the file has but one of ours. */
    private function side(Request $request, DealFile $file): ?Side
    {
        $sides = $this->sides($request, $file);
        $asked = Side::tryFrom((string) $request->input('side', ''));

        return in_array($asked, $sides, true) ? $asked : $sides[0] ?? null;
    }

    /** @return list<Side> the sides this person may look at, where each has its own agent */
    private function sides(Request $request, DealFile $file): array
    {
        $user = $request->user();
        $sides = $file->members->pluck('side');
        $all = array_values(array_filter(Side::cases(), static fn (Side $side) => $sides->contains($side)));
        $own = $user instanceof User ? $file->sideOf($user) : null;

        return ! $file->represents->isBoth() || $all === [] ? [] : ($own === null ? $all : [$own]);
    }
}
