<?php

declare(strict_types=1);

namespace App\Retention\Http;

use App\Models\DealFile;
use App\Models\RetentionHold;
use App\Models\User;
use App\Retention\Actions\KeepRetention;
use App\Retention\FileClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** How long one file is kept: its clock, its archive, its holds. */
final class KeepingController
{
    public function show(Request $request, DealFile $file): View
    {
        Gate::authorize('see', $file);
        $runs = User::signedIn($request)->runs($file->office);

        return view('retention.file', [
            'file' => $file,
            'clock' => FileClock::of($file),
            'runs' => $runs,
            'archives' => $runs || Gate::allows('work-on', $file),
            'holds' => $runs
                ? RetentionHold::query()->with('placer')->where('deal_file_id', $file->id)->whereNotNull('lifted_at')->orderByDesc('id')
                    ->get()
                : [],
        ]);
    }

    public function archive(Request $request, DealFile $file, KeepRetention $keep): RedirectResponse
    {
        User::signedIn($request)->runs($file->office) || Gate::authorize('work-on', $file);
        $keep->archive($file, $request->boolean('archived'));

        return to_route('files.keeping', $file)->with('told', $request->boolean('archived') ? 'The file is archived.'
            : 'It is back in the list of ended files.');
    }

    public function hold(Request $request, DealFile $file, KeepRetention $keep): RedirectResponse
    {
        abort_unless(User::signedIn($request)->runs($file->office), 403);
        $given = $request->validate(['reason' => 'nullable|string|max:300']);
        $keep->hold($file, (string) ($given['reason'] ?? ''), User::signedIn($request));

        return to_route('files.keeping', $file)->with('told', 'On hold: it will not be purged until the hold is lifted.');
    }

    public function lift(Request $request, DealFile $file, KeepRetention $keep): RedirectResponse
    {
        abort_unless(User::signedIn($request)->runs($file->office), 403);
        $hold = RetentionHold::query()->where('deal_file_id', $file->id)->whereNull('lifted_at')->first();
        $hold === null || $keep->lift($hold, User::signedIn($request));

        return to_route('files.keeping', $file)->with('told', 'The hold is lifted. Nothing is purged without 60 days of notice.');
    }
}
