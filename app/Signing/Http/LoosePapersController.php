<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Files\CalledFile;
use App\Models\DealFile;
use App\Models\User;
use App\Papers\Actions\PutIntoFile;
use App\Signing\Actions\StartPapers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Intake\BringRefused;

/** Papers that have no deal file: begun from Today, signed, and put into a file once there is one. */
final class LoosePapersController
{
    public function store(Request $request, StartPapers $start): RedirectResponse
    {
        Gate::authorize('open-files');
        $given = $request->file('paper');
        $isFile = $given instanceof UploadedFile && $given->isValid();
        try {
            $file = $start(
                User::signedIn($request),
                $isFile ? $given->getPathname() : null,
                $isFile ? $given->getClientOriginalName() : '',
            );
        } catch (BringRefused $refused) {
            return to_route('today')->with('refused', $refused->getMessage());
        }
        $round = $file->rounds->first();

        return $round === null
            ? to_route('files.forms.index', $file)->with('told', 'Choose the forms to have signed. They need no deal.')
            : to_route('rounds.show', $round)->with('told', 'Say who signs under “Someone else”, then look over the places.');
    }

    public function put(Request $request, DealFile $file, PutIntoFile $put): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $typed = trim((string) ($request->validate(['to' => 'required|string|max:200'])['to'] ?? ''));
        $to = CalledFile::find($typed, $file->id);
        $count = $put($file, $to, User::signedIn($request));

        return to_route('files.show', $to)->with('told', $count === 1 ? 'Put 1 paper in here.' : "Put {$count} papers in here.");
    }
}
