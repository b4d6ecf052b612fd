<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Models\User;
use App\Reports\Asked;
use App\Reports\Statement;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Pages\Press;
use Unanimus\Reports\ReportPages;

/** An agent's year: their own, and of those whose plans one keeps. */
final class StatementController
{
    public function show(Request $request, User $user): View
    {
        return view('reports.statement', ['statement' => $this->statement($request, $user)]);
    }

    public function pdf(Request $request, User $user, Press $press): Response
    {
        $one = $this->statement($request, $user);
        $lines = array_filter([
            $one->plan === null ? '' : "Plan: {$one->plan->readable()}",
            count($one->rows).' authorized sheets with a closing in the year.',
        ]);
        $pages = ReportPages::draw("Statement {$one->year}, {$one->agent->name}", array_values($lines), ['Sheets' => $one->table()]);

        return response($press->print($pages), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="statement.pdf"',
        ]);
    }

    private function statement(Request $request, User $user): Statement
    {
        Gate::authorize('see-reports');
        abort_if($user->guest, 404);
        abort_unless(User::signedIn($request)->id === $user->id || Gate::allows('keep-plans-of', $user), 403);
        $now = Asked::today(User::signedIn($request))->year();
        $year = $request->integer('year', $now);

        return Statement::of($user, $year >= 2000 && $year <= $now + 1 ? $year : $now);
    }
}
