<?php

declare(strict_types=1);

namespace App\Moving\Http;

use App\Models\DealFile;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\User;
use App\Moving\FilesZip;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Files\Bag;

/** Files with all of their documents, as one download: a choice of them, or those of whoever leaves. */
final class FolderController
{
    private const MOST = 500;

    /** Files selected in the list. */
    public function store(Request $request, FilesZip $zip): StreamedResponse
    {
        $given = $request->validate(
            ['take' => 'required|array|max:'.self::MOST, 'take.*' => 'string|size:26'],
            ['take.required' => 'Select at least one file first.', 'take.max' => 'At most '.self::MOST.' files in one download.'],
        );
        $files = DealFile::query()->whereIn('key', $given['take'])->orderBy('name')->get();
        $files->each(static fn (DealFile $file) => Gate::authorize('see', $file));

        return $zip($files->pluck('id')->all(), 'files.zip', User::signedIn($request));
    }

    /** Their own copy for an agent who leaves: by themselves, or by whoever runs the office. */
    public function leaver(Request $request, RosterCase $case, FilesZip $zip): StreamedResponse
    {
        $by = User::signedIn($request);
        abort_unless($case->kind->value === 'leaving' && ($case->user_id === $by->id || $by->runs($case->office)), 404);
        $files = DealFile::query()
            ->whereHas('members', static fn ($members) => $members->where(['user_id' => $case->user_id, 'role' => Role::Agent])
                ->whereNull('through'))
            ->where('practice', false)
            ->orderBy('name')
            ->limit(2000)
            ->get();
        $files = $files->filter(static fn (DealFile $file) => Gate::allows('see', $file));

        return $zip(array_values($files->pluck('id')->all()), Bag::name("files of {$case->person->name}").'.zip', $by);
    }
}
