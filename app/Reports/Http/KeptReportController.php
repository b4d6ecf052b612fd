<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Models\KeptReport;
use App\Models\User;
use App\Reports\Actions\KeepReports;
use App\Reports\Asked;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Reports kept under a name. */
final class KeptReportController
{
    public function store(Request $request, KeepReports $reports): RedirectResponse
    {
        Gate::authorize('see-reports');
        $given = $request->validate([
            'name' => 'required|string|max:60',
            'asked' => 'nullable|string|max:600',
            'monthly' => 'nullable|in:1',
        ], ['name.required' => 'Give it a name.']);
        $user = User::signedIn($request);
        $asked = self::asked($request, $user);
        $reports->keep($user, $given['name'], $asked, ($given['monthly'] ?? '') === '1');

        return redirect('/reports?'.http_build_query($asked))->with('told', "Report saved as “{$given['name']}”.");
    }

    /** The figures by email: large ones are put together meanwhile. */
    public function mail(Request $request, KeepReports $reports): RedirectResponse
    {
        Gate::authorize('see-reports');
        $user = User::signedIn($request);
        $press = $request->validate(['press' => 'required|string|min:8|max:40|regex:/^[\w-]+$/'])['press'];
        $asked = self::asked($request, $user);
        $reports->mail($user, $asked, $press);

        return redirect('/reports?'.http_build_query($asked))
            ->with('told', "The report is being put together. It will be emailed to {$user->email}.");
    }

    /** @return array<string, string> as an address asks for it */
    private static function asked(Request $request, User $user): array
    {
        parse_str((string) $request->string('asked'), $query);

        return Asked::of(array_map(static fn (mixed $one) => is_string($one) ? $one : '', $query), Asked::today($user))->query();
    }

    public function destroy(Request $request, KeptReport $report, KeepReports $reports): RedirectResponse
    {
        Gate::authorize('see-reports');
        abort_unless($report->user_id === User::signedIn($request)->id, 404);
        $reports->drop($report);

        return to_route('reports')->with('told', "“{$report->name}” is removed.");
    }
}
