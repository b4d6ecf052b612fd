<?php

declare(strict_types=1);

namespace App\Commission\Http;

use App\Commission\Actions\TakePlans;
use App\Models\AgentPlan;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Commission\PlanSheet;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\CsvCells;
use Unanimus\Exchange\Sheet;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Intake\Workbook;
use Unanimus\Intake\WorkbookUnreadable;

/** Agents' plans out as a table and in again: tried first, and what was tried is set. */
final class PlanSheetController
{
    public function download(Request $request): StreamedResponse
    {
        Gate::authorize('keep-plans');
        $plans = AgentPlan::query()->with('agent')->orderBy('user_id')->orderByDesc('from_day')->get()->unique('user_id');
        $leads = User::query()->whereIn('key', $plans->pluck('plan.team.lead')->filter())->pluck('email', 'key');

        return response()->streamDownload(static function () use ($plans, $leads): void {
            $out = fopen('php://output', 'w');
            if ($out === false) {
                return;
            }
            fputcsv($out, array_values(PlanSheet::COLUMNS), ',', '"', '', "\r\n");
            foreach ($plans as $plan) {
                $lead = (string) ($leads[$plan->plan['team']['lead'] ?? ''] ?? '');
                [$email, $name] = [(string) $plan->agent->email, $plan->agent->name];
                $cells = PlanSheet::write($email, $name, $plan->from_day->iso(), $plan->plan, $plan->opening, $lead);
                fputcsv($out, CsvCells::safe($cells), ',', '"', '', "\r\n");
            }
        }, 'plans.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function check(Request $request, TakePlans $plans): View
    {
        Gate::authorize('keep-plans');
        $request->validate(['sheet' => 'required|file|max:8000'], ['sheet.required' => 'Choose the spreadsheet first.']);
        try {
            $bytes = Workbook::toCsv((string) $request->file('sheet')?->get());
        } catch (WorkbookUnreadable $unreadable) {
            throw ValidationException::withMessages(['sheet' => $unreadable->getMessage()])->redirectTo(route('plans'));
        }

        return view('commission.plan-sheet', ['rows' => $this->tried($plans, $bytes, $request), 'bytes' => base64_encode($bytes)]);
    }

    public function store(Request $request, TakePlans $plans): RedirectResponse
    {
        Gate::authorize('keep-plans');
        $given = $request->validate(['bytes' => 'required|string|max:'.(2 * Sheet::MOST_BYTES)]);
        $bytes = (string) base64_decode($given['bytes'], true);
        try {
            $set = $plans->take($bytes, self::today($request), User::signedIn($request));
        } catch (SheetUnreadable $unreadable) {
            throw ValidationException::withMessages(['sheet' => $unreadable->getMessage()])->redirectTo(route('plans'));
        }

        return to_route('plans')->with('told', $set === 1 ? '1 plan was saved.' : "{$set} plans were saved.");
    }

    /** @return list<array<string, mixed>> */
    private function tried(TakePlans $plans, string $bytes, Request $request): array
    {
        try {
            return $plans->try($bytes, self::today($request));
        } catch (SheetUnreadable $unreadable) {
            throw ValidationException::withMessages(['sheet' => $unreadable->getMessage()])->redirectTo(route('plans'));
        }
    }

    private static function today(Request $request): LocalDate
    {
        return LocalDate::at(now(), new \DateTimeZone(User::signedIn($request)->zone()));
    }
}
