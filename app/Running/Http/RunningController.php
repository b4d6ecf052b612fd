<?php

declare(strict_types=1);

namespace App\Running\Http;

use App\Models\User;
use App\Running\Measured;
use App\Work\Work;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** What waits and what failed, for administrators: of the installation in a line each, of their own brokerage thing by thing. */
final class RunningController
{
    public function index(Request $request): View
    {
        Gate::authorize('see-running');

        return view('running.index', [
            'findings' => Measured::all(),
            'waiting' => DB::table('pending_work')
                ->where('brokerage_id', User::signedIn($request)->brokerage_id)
                ->whereNotNull('fault')
                ->orderByDesc('stopped')
                ->orderBy('begun_at')
                ->limit(200)
                ->get(['kind', 'thing', 'tries', 'fault', 'stopped', 'next_try_at', 'begun_at']),
            'zone' => User::signedIn($request)->zone(),
        ]);
    }

    public function again(Request $request, string $kind, int $thing): RedirectResponse
    {
        Gate::authorize('see-running');
        $by = User::signedIn($request);
        $row = DB::table('pending_work')->where(['kind' => $kind, 'thing' => $thing, 'brokerage_id' => $by->brokerage_id])->first(['job']);
        $row !== null && is_subclass_of($row->job, Work::class) && $row->job::again($by->brokerage_id, $thing);

        return to_route('running')->with('told', $row === null ? 'That is done meanwhile.' : 'It is tried again now.');
    }
}
