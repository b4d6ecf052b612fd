<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Commission\PlanYear;
use App\Models\DealFile;
use App\Models\KeptReport;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Reports\Asked;
use App\Reports\DealRows;
use App\Reports\MonthBars;
use App\Reports\Report;
use App\Reports\ReportTables;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\CsvCells;
use Unanimus\Pages\Press;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Grouped;
use Unanimus\Reports\ReportPages;

/** Reports: what closed, what is pending and what it brings; each figure opens the files behind it. */
final class ReportController
{
    /** Days ahead in which listings run out and deals are due to close. */
    private const AHEAD = 60;

    public function show(Request $request): View
    {
        Gate::authorize('see-reports');
        $user = User::signedIn($request);
        $today = Asked::today($user);
        $asked = Asked::from($request, $today);
        if (DealRows::areMany($asked)) {
            return view('reports.large', ['asked' => $asked, 'email' => $user->email, ...self::choices()]);
        }
        [$rows, $due] = DealRows::withDue($asked, $today, $today->plusDays(self::AHEAD));
        $report = Report::of($asked, $rows);
        $months = $report->by('month');

        return view('reports.show', [
            'asked' => $asked,
            'report' => $report,
            'months' => $months,
            'bars' => MonthBars::of($months),
            'caps' => PlanYear::ofMany(array_keys($report->agents()), $asked->period->to->isAfter($today) ? $today : $asked->period->to),
            'due' => $due,
            'expiring' => self::expiring($today),
            ...self::choices(),
            'today' => $today,
            'kept' => KeptReport::query()->where('user_id', $user->id)->orderBy('name')->get(),
            'ahead' => self::AHEAD,
        ]);
    }

    /** @return array<string, mixed> what may be chosen */
    private static function choices(): array
    {
        return [
            'all' => Gate::allows('keep-plans'),
            'agents' => Gate::allows('keep-plans') ? self::agents() : [],
            'offices' => Office::query()->orderBy('name')->pluck('name'),
        ];
    }

    /** What is asked for, if it is no more than can be waited for; of more the page offers an email. */
    private static function atOnce(Request $request, User $user): Asked
    {
        $asked = Asked::from($request, Asked::today($user));
        if (DealRows::areMany($asked)) {
            throw new HttpResponseException(redirect('/reports?'.http_build_query($asked->query())));
        }

        return $asked;
    }

    /** The deals behind a figure. */
    public function deals(Request $request): View
    {
        Gate::authorize('see-reports');
        $asked = self::atOnce($request, User::signedIn($request));

        return view('reports.deals', [
            'asked' => $asked,
            'rows' => self::behind($request, $asked),
            'of' => self::called($request, $asked),
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        Gate::authorize('see-reports');
        $asked = self::atOnce($request, User::signedIn($request));
        $table = (string) $request->string('table');
        $rows = $table === 'deals' ? ReportTables::deals(self::behind($request, $asked)) : ReportTables::of(Report::of($asked), $table);

        return response()->streamDownload(static function () use ($rows): void {
            $out = fopen('php://output', 'w');
            foreach ($out === false ? [] : $rows as $row) {
                fputcsv($out, CsvCells::safe($row), ',', '"', '', "\r\n");
            }
        }, 'report-'.(isset(Grouped::BY[$table]) ? $table : 'figures').'.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function pdf(Request $request, Press $press): Response
    {
        Gate::authorize('see-reports');
        $user = User::signedIn($request);
        $asked = self::atOnce($request, $user);
        $pages = ReportPages::draw(...ReportTables::pages(Report::of($asked), $user));

        return response($press->print($pages), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="report.pdf"',
        ]);
    }

    /** @return array<string, string> names of agents by key */
    private static function agents(): array
    {
        return User::query()
            ->where('guest', false)
            ->whereHas('officeRoles', static fn ($roles) => $roles->where('role', Role::Agent))
            ->with('officeRoles')
            ->orderBy('name')
            ->get()
            ->filter(static fn (User $agent) => Gate::allows('keep-plans-of', $agent))
            ->pluck('name', 'key')
            ->all();
    }

    /** @return list<DealRow> */
    private static function behind(Request $request, Asked $asked): array
    {
        $stands = (string) $request->string('stands');
        $by = (string) $request->string('by');
        $rows = array_values(array_filter(DealRows::of($asked), static fn (DealRow $row) => $stands === '' || $row->stands === $stands));

        return isset(Grouped::BY[$by]) ? Grouped::by($by, $rows)[(string) $request->string('of')] ?? [] : $rows;
    }

    private static function called(Request $request, Asked $asked): string
    {
        $words = ['closed' => 'Closed', 'pending' => 'Pending', 'fell' => 'Fell through or expired'];
        $stands = $words[(string) $request->string('stands')] ?? 'All';
        $of = (string) $request->string('of');
        $name = match ((string) $request->string('by')) {
            'month' => Report::monthName($of),
            'agent' => User::query()->where('key', $of)->value('name') ?? '',
            default => $of,
        };

        return $stands.($name === '' ? '' : ", {$name}").", {$asked->period->label}";
    }

    /** @return list<DealFile> listings that run out soon, the next first */
    private static function expiring(LocalDate $today): array
    {
        $ends = $today->plusDays(self::AHEAD)->iso();

        return array_values(DealFile::query()
            ->with(['knownFacts', 'office'])
            ->where(['status' => 'active', 'practice' => false])
            ->whereHas('knownFacts', static fn ($facts) => $facts->where('name', 'listing_expires')
                ->whereBetween('value', [$today->iso(), $ends]))
            ->limit(50)
            ->get()
            ->sortBy(static fn (DealFile $file) => $file->knownFacts->firstWhere('name', 'listing_expires')?->value)
            ->all());
    }
}
