<?php

declare(strict_types=1);

namespace App\Roster\Http;

use App\Models\Office;
use App\Models\User;
use App\Roster\Actions\KeepRosterKit;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Unanimus\Roster\RosterKind;
use Unanimus\Roster\RosterKit;

/** The steps and documents of joining and leaving in an office. */
final class RosterKitController
{
    public function show(Request $request, Office $office, RosterKind $kind): View
    {
        self::mustRun($request, $office);
        [$kit, $version] = KeepRosterKit::of($office, $kind);

        return view('roster.kit', ['office' => $office, 'kind' => $kind, 'kit' => $kit, 'version' => $version]);
    }

    public function update(Request $request, Office $office, RosterKind $kind, KeepRosterKit $keep): RedirectResponse
    {
        $by = self::mustRun($request, $office);
        $given = $request->validate([
            'seen' => 'required|integer|min:0',
            'lines' => 'required|array|max:'.(RosterKit::MOST_STEPS + 5),
            'lines.*.title' => 'nullable|string|max:200',
            'lines.*.by' => 'nullable|string|max:20',
            'lines.*.before' => 'nullable|string|max:5',
            'documents' => 'nullable|string|max:4000',
        ]);
        $kit = RosterKit::typed($kind, array_values($given['lines']), explode("\n", (string) ($given['documents'] ?? '')));
        $keep->keep($office, $kit, (int) $given['seen'], $by);

        return to_route('roster.kit', [$office, $kind])->with('told', 'Saved. It counts from the next one on.');
    }

    private static function mustRun(Request $request, Office $office): User
    {
        $by = User::signedIn($request);
        abort_unless($by->runs($office), 404);

        return $by;
    }
}
