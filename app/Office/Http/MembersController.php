<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Models\DealFile;
use App\Models\JoinRequest;
use App\Models\User;
use App\Office\Actions\KeepMembers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Access\AccessRefusal;

/** Who serves a file. */
final class MembersController
{
    /** Asks to be let into the file that is there already on this listing or address. */
    public function ask(Request $request, DealFile $file, string $twin, KeepMembers $members): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $rows = DB::select('SELECT * FROM twins_of(?, ?, ?, ?)', [
            $file->brokerage_id,
            (string) $file->listing_number,
            $file->address_key,
            $file->id,
        ]);
        $row = collect($rows)->firstWhere('key', $twin) ?? throw AccessRefusal::TwinGone->because();
        $members->ask($file, (int) $row->file_id, User::signedIn($request));

        return to_route('files.opening', $file)->with(
            'told',
            "Request sent. {$row->agent} or the broker decides, and you get an email. Until then you cannot see that file. You can ".
                'continue here.',
        );
    }

    public function decide(Request $request, JoinRequest $joining, KeepMembers $members): RedirectResponse
    {
        Gate::authorize('work-on', $joining->file);
        $given = $request->validate(['in' => 'required|boolean']);
        $file = $members->decide($joining, User::signedIn($request), (bool) $given['in']);

        return to_route('files.show', $file)->with(
            'told',
            $given['in']
                ? "{$joining->asker->name} now works on this file for the other side."
                : "{$joining->asker->name} was not added. We emailed them.",
        );
    }

    public function remove(Request $request, DealFile $file, User $user, KeepMembers $members): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $by = User::signedIn($request);
        $members->remove($file->load('members'), $user, $by);

        return $user->id === $by->id
            ? to_route('files.index')->with('told', "You left {$file->name}.")
            : to_route('files.show', $file)->with('told', "{$user->name} no longer works on this file.");
    }
}
