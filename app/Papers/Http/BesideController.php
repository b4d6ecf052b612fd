<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\Paper;
use App\Papers\Actions\CarryValues;
use App\Papers\Beside;
use App\Papers\PaperPrint;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What stands beside a paper while it is filled. */
final class BesideController
{
    public function show(Request $request, Paper $paper, PaperPrint $print, Bytes $bytes): View
    {
        $this->load($paper);
        $of = (string) $request->query('of', '');

        return view('papers.beside', [
            'paper' => $paper,
            'beside' => $of === Beside::LISTING
                ? Beside::listing($paper->file)
                : Beside::paper($paper, $this->other($paper, $of), $print, $bytes),
        ]);
    }

    public function carry(Request $request, Paper $paper, CarryValues $carry, PaperPrint $print, Bytes $bytes): RedirectResponse
    {
        $this->load($paper);
        $given = $request->validate(['of' => 'required|string|max:26']);
        [$carried, $left] = $carry($paper, Beside::paper($paper, $this->other($paper, $given['of']), $print, $bytes));
        $told = $carried === 1 ? 'Carried over 1 value.' : "Carried over {$carried} values.";

        return to_route('papers.show', $paper)->with(array_filter([
            'told' => $told,
            'refused' => $left === [] ? '' : 'These could not be read: '.implode(', ', $left).'. Enter them by hand.',
        ]));
    }

    private function load(Paper $paper): void
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'values', 'latest']);
        Gate::authorize('work-on', $paper->file);
    }

    private function other(Paper $paper, string $key): Paper
    {
        return $paper->file
            ->papers()
            ->with(['values', 'latest'])
            ->where('key', $key)
            ->firstOrFail()
            ->setRelation('file', $paper->file);
    }
}
