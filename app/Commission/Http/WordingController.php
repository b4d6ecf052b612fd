<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\KeepSignature;
use App\Commission\Actions\WordDisbursement;
use App\Commission\OfficeWording;
use App\Models\Office;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Signing\SigningRefusal;

/** How each office words its disbursement authorizations. */
final class WordingController
{
    public function index(Request $request): View
    {
        Gate::authorize('word-disbursements');
        $user = User::signedIn($request);
        $offices = Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => $user->runs($office));

        return view('commission.wording', [
            'offices' => $offices,
            'signature' => KeepSignature::of($user),
            'words' => $offices->mapWithKeys(static fn (Office $office) => [$office->id => OfficeWording::of($office)])->all(),
        ]);
    }

    public function update(Request $request, Office $office, WordDisbursement $word): RedirectResponse
    {
        Gate::authorize('word-disbursements');
        abort_unless(User::signedIn($request)->runs($office), 403);
        $given = $request->validate([
            'text' => 'nullable|string|max:3000',
            'agents' => 'required|in:direct,company',
            'referral' => 'required|in:direct,company',
            'letterhead' => 'nullable|string|max:400',
            'account' => 'nullable|string|max:80',
            'sign' => 'required|in:typed,picture,hand',
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

    public function sign(Request $request, KeepSignature $keep): RedirectResponse
    {
        Gate::authorize('word-disbursements');
        $file = $request->file('picture');
        $bytes = $file instanceof UploadedFile && $file->isValid() ? $file->getContent() : throw SigningRefusal::NoPicture->because();
        $keep->keep(User::signedIn($request), $bytes);

        return to_route('wording')->with('told', 'Your signature was saved. Authorizations you give carry it where the office wants it.');
    }

    public function unsign(Request $request, KeepSignature $keep): RedirectResponse
    {
        Gate::authorize('word-disbursements');
        $keep->forget(User::signedIn($request));

        return to_route('wording')->with('told', 'Your signature was removed.');
    }
}
