<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\History\AuditTrail;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Unanimus\Files\DealStatus;
use Unanimus\Forms\Library;
use Unanimus\Pages\DiskFull;

/** The Office place: people, offices, the library, what came in by mail. */
final class OfficeController
{
    /** Entries of the history shown at a time. */
    private const ENTRIES = 60;

    public function index(): View
    {
        return view('office.index', [
            'offices' => Office::query()->orderBy('name')->get(),
            'people' => User::colleagues()
                ->with('officeRoles.office')
                ->when(! Gate::allows('run-office'), static fn ($query) => $query->where('active', true))
                ->orderByDesc('active')
                ->orderBy('name')
                ->get(),
        ]);
    }

    public function offices(Request $request): View
    {
        return view('office.offices', [
            'offices' => Office::query()->orderBy('name')->get(),
            'files' => DB::table('deal_files')
                ->whereIn('status', DealStatus::open())
                ->groupBy('office_id')
                ->selectRaw('office_id, count(*) AS n')
                ->pluck('n', 'office_id'),
            'opens' => User::signedIn($request)->holds(Role::Administrator),
        ]);
    }

    public function library(Library $library): View
    {
        return view('office.library', ['forms' => $library->all(), 'offices' => Office::query()->orderBy('name')->get()]);
    }

    /** What was changed in the brokerage: people, roles, offices, rules and kits; the latest first. */
    public function history(Request $request): View
    {
        Gate::authorize('run-office');
        $given = $request->validate(['before' => 'nullable|integer|min:1']);
        $entries = DB::table('brokerage_history')
            ->where('brokerage_id', User::signedIn($request)->brokerage_id)
            ->when($given['before'] ?? null, static fn ($query, $before) => $query->where('seq', '<', (int) $before))
            ->orderByDesc('seq')
            ->limit(self::ENTRIES)
            ->get();

        return view($request->header('HX-Request') === null ? 'office.history' : 'office.history-entries', [
            'entries' => $entries,
            'earlier' => $entries->count() === self::ENTRIES ? $entries->last()?->seq : null,
            'zone' => User::signedIn($request)->officeRoles->first()->office->zone ?? 'UTC',
        ]);
    }

    /** All that happened in a time, for an auditor, as far as this administrator sees it. */
    public function audit(Request $request): BinaryFileResponse
    {
        Gate::authorize('set-up');
        $given = $request->validate(['from' => 'required|date_format:Y-m-d', 'to' => 'required|date_format:Y-m-d|after_or_equal:from'], [
            'to.after_or_equal' => 'The last day is before the first.',
        ]);
        $zone = User::signedIn($request)->zone();
        $path = (string) tempnam(sys_get_temp_dir(), 'unanimus-audit');
        $into = fopen($path, 'w') ?: throw DiskFull::told();
        AuditTrail::write($into, Carbon::parse($given['from'], $zone)->utc(), Carbon::parse($given['to'], $zone)->addDay()->utc());
        fclose($into);

        return response()->download($path, "audit {$given['from']} to {$given['to']}.jsonl", ['Content-Type' => 'application/jsonl'])
            ->deleteFileAfterSend();
    }
}
