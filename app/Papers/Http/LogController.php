<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\Paper;
use App\Papers\Actions\BringBack;
use App\Papers\Actions\CarryOver;
use App\Papers\PaperLog;
use App\Papers\PaperView;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;

/** How a paper stood after each entry, and having an earlier state again. */
final class LogController
{
    public function show(Request $request, Paper $paper): View
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'values', 'latest']);
        Gate::authorize('see', $paper->file);
        $form = $paper->form() ?? abort(404);
        $log = PaperLog::of($paper);
        $at = max(0, min($log->count(), $request->integer('at', $log->count())));
        $facts = FactBook::of($paper->file);
        $then = Filling::of($form, $log->at($at), $facts);

        return view($request->hasHeader('HX-Request') ? 'papers.log-state' : 'papers.log', [
            'paper' => $paper,
            'file' => $paper->file,
            'form' => $form,
            'log' => $log,
            'at' => $at,
            'then' => $then,
            'now' => Filling::of($form, $log->at($log->count()), $facts),
            'differs' => $log->difference($at, $log->count()),
            'drawings' => FilledPages::draw($form, $then),
            'stamp' => PaperView::of($paper, false)->stamp,
            'fills' => $paper->isDraft() && Gate::allows('work-on', $paper->file),
        ]);
    }

    /** What would become of the entries on the revision in force. */
    public function revision(Paper $paper): View
    {
        $paper->load(['file.office', 'file.members', 'values']);
        Gate::authorize('work-on', $paper->file);

        return view('papers.revision', [
            'paper' => $paper,
            'file' => $paper->file,
            'plan' => CarryOver::plan($paper),
            'new' => $paper->newerForm(),
            'entries' => $paper->entries(),
        ]);
    }

    public function carryOver(Request $request, Paper $paper, CarryOver $carryOver): RedirectResponse
    {
        $paper->load(['file.office', 'file.members']);
        Gate::authorize('work-on', $paper->file);
        $given = $request->validate(['revision' => 'required|string|max:20', 'key' => 'required|string|min:8|max:40|regex:/^[\w-]+$/']);
        $carryOver($paper, $given['revision'], $given['key']);

        return to_route('papers.show', $paper)->with('told', "The paper now uses rev. {$given['revision']}.");
    }

    public function bringBack(Request $request, Paper $paper, BringBack $bringBack): RedirectResponse
    {
        Gate::authorize('work-on', $paper->file);
        $given = $request->validate([
            'at' => 'required|integer|min:0',
            'key' => 'required|string|min:8|max:40|regex:/^[\w-]+$/',
            'blank' => 'nullable|string|max:60',
        ]);
        $changed = $bringBack($paper, (int) $given['at'], $given['key'], $given['blank'] ?? null);

        return to_route('papers.log', $paper)->with(
            'told',
            match ($changed) {
                0 => 'Nothing is different. Nothing was changed.',
                1 => '1 blank restored. What was there before stays in the log.',
                default => "{$changed} blanks restored. What was there before stays in the log.",
            },
        );
    }
}
