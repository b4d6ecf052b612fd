<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\SetCommission;
use App\Commission\CommissionSides;
use App\Commission\FlowDrawing;
use App\Commission\Http\Requests\SetCommissionRequest;
use App\Commission\OfficeWording;
use App\Commission\SheetOf;
use App\Commission\WhatIf;
use App\Models\CommissionVersion;
use App\Models\Contact;
use App\Models\DealFile;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Commission\Entered;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Parties\Side;

/** Commission sheets. */
final class CommissionController
{
    public function index(): View
    {
        Gate::authorize('commission-place');
        $files = DealFile::query()
            ->with(['office', 'knownFacts', 'commissions'])
            ->where(['status' => 'under_contract', 'practice' => false])
            ->whereHas('knownFacts', static fn ($facts) => $facts->whereIn('name', ['price', 'rent']))
            ->orderByRaw("(SELECT nullif(value, '') FROM facts WHERE facts.deal_file_id = deal_files.id AND name = 'closing') NULLS LAST")
            ->orderByDesc('id')
            ->limit(200)
            ->get();

        return view('commission.index', ['files' => $files]);
    }

    public function show(Request $request, DealFile $file): View
    {
        $file->load(['office', 'knownFacts', 'parties.contact', 'papers', 'requirements', 'members', 'kits']);
        Gate::authorize('see-commission', $file);
        $user = User::signedIn($request);
        $side = CommissionSides::asked($file, $user, $request->input('side'));
        $sides = CommissionSides::of($file, $user);
        $commission = SetCommission::of($file, $side)
            ->with(['paper', 'disbursements.authorizer', 'disbursements.payments', 'versions.user'])
            ->first();
        $file->setRelation('commission', $commission);
        $reckoned = SheetOf::of($file, $side);
        $sheet = $reckoned?->sheet;
        $inForce = $commission?->disbursements->firstWhere('withdrawn_at', null);

        return view('commission.show', [
            'file' => $file,
            'facts' => FactBook::of($file),
            'price' => SheetOf::price($file),
            'closing' => SheetOf::closing($file),
            'sheet' => $sheet,
            'told' => $reckoned->told ?? '',
            'seen' => $reckoned?->fingerprint(),
            'years' => $reckoned->years ?? [],
            'names' => $reckoned->names ?? [],
            'side' => $side,
            'sides' => $sides,
            'both' => count($sides) > 1 ? $this->both($file, $sides, $side, $reckoned) : [],
            'flow' => $sheet === null ? null : FlowDrawing::of($sheet),
            'whole' => $file->completeness(),
            'entries' => $commission,
            'inForce' => $inForce,
            'payees' => $inForce === null ? [] : $inForce->payees(),
            'earlierChanged' => $inForce !== null && SheetOf::earlierChanged($file, $side),
            'wording' => OfficeWording::of($file->office),
            'escrow' => self::escrow($file),
            'if' => WhatIf::of($file, $side, $reckoned, $commission?->entered() ?? Entered::fromArray([]), $request->only(WhatIf::FIELDS)),
            'proposed' => $commission === null ? ($proposed = SetCommission::proposed($file, $side)) : null,
            'sources' => $proposed ?? SetCommission::proposed($file, $side),
            'officeFees' => $commission === null ? $file->office->fees : [],
        ]);
    }

    public function update(SetCommissionRequest $request, DealFile $file, SetCommission $set): RedirectResponse
    {
        $given = $request->validated();
        $user = User::signedIn($request);
        $side = CommissionSides::asked($file, $user, $request->input('side'));
        try {
            $set($file, $given, $user, $side);
        } catch (AmountUnreadable $unreadable) {
            throw ValidationException::withMessages(['rate' => $unreadable->getMessage()]);
        }

        return self::back($file, $side, 'Commission computed and saved.');
    }

    /** Takes up an earlier version again. */
    public function again(Request $request, DealFile $file, CommissionVersion $version, SetCommission $set): RedirectResponse
    {
        Gate::authorize('set-commission', $file);
        $user = User::signedIn($request);
        abort_unless($version->deal_file_id === $file->id, 404);
        abort_unless($version->side === CommissionSides::asked($file, $user, $version->side?->value), 404);
        $set->again($file->load(['members', 'parties', 'kits']), $version, $user);

        return self::back($file, $version->side, 'You are back on the earlier version. Nothing was deleted.');
    }

    public static function back(DealFile $file, ?Side $side, string $told): RedirectResponse
    {
        return redirect("/files/{$file->key}/commission".($side === null ? '' : "?side={$side->value}"))->with('told', $told);
    }

    /**
     * To whom the authorization goes: escrow as it sits in the file, else as the address book knows the firm that the terms name.
     *
     * @return array{name: string, email: string}|null
     */
    private static function escrow(DealFile $file): ?array
    {
        $firm = (string) FactBook::of($file)->value('escrow_holder');
        $one = $file->parties->first(static fn ($party) => $party->role->value === 'escrow')
            ?? ($firm === '' ? null : Contact::query()->where(['role' => 'escrow', 'firm' => $firm])->orderBy('id')->first());

        return $one === null ? null : ['name' => (string) $one->name, 'email' => (string) $one->email];
    }

    /**
     * @param list<Side> $sides
     * @return list<array{side: Side, sheet: \Unanimus\Commission\CommissionSheet|null}>
     */
    private function both(DealFile $file, array $sides, ?Side $shown, ?SheetOf $there): array
    {
        $own = $file->commission;
        $both = [];
        foreach ($sides as $one) {
            $file->setRelation('commission', $one === $shown ? $own : SetCommission::of($file, $one)->first());
            $both[] = ['side' => $one, 'sheet' => $one === $shown ? $there?->sheet : SheetOf::of($file, $one)?->sheet];
        }
        $file->setRelation('commission', $own);

        return $both;
    }
}
