<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Forms\Actions\KeepFillRequest;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Models\Round;
use App\Papers\SelectedPapers;
use App\Signing\Actions\RemindSigner;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\FillStatus;
use Unanimus\Signing\RoundStatus;

/** Reminds everyone who owes something on the selected papers, each once; of what nobody is asked, it says so. */
final class ReminderController
{
    public function store(Request $request, DealFile $file, RemindSigner $remind, KeepFillRequest $fillRequests): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['papers' => 'required|array|max:100', 'papers.*' => 'string|max:26'],
            ['papers.required' => 'Select at least one paper first.'],
        );
        $papers = SelectedPapers::from($file, $given['papers']);
        $ids = array_map(static fn (Paper $paper) => $paper->id, $papers);
        $rounds = Round::query()
            ->with(['papers', 'signers', 'marks', 'events', 'file.office'])
            ->where('deal_file_id', $file->id)
            ->where('status', RoundStatus::Out)
            ->whereHas('papers', static fn ($sent) => $sent->whereIn('paper_id', $ids))
            ->get();
        $asked = FillRequest::query()
            ->with(['papers', 'file.office', 'asker'])
            ->where('deal_file_id', $file->id)
            ->where('status', FillStatus::Out)
            ->whereHas('papers', static fn ($paper) => $paper->whereIn('papers.id', $ids))
            ->get();
        $names = [];
        foreach ($rounds as $round) {
            foreach ($round->signers->whereIn('seat', $round->state()->asked()) as $signer) {
                $remind($round, $signer);
                $names[] = $signer->name;
            }
        }
        foreach ($asked as $one) {
            $fillRequests->remind($one);
            $names[] = $one->name;
        }
        $reached = [...$rounds->flatMap(static fn (Round $round) => $round->papers->pluck('paper_id')), ...$asked->flatMap(static fn ($one) => $one->papers->pluck('id'))];
        $quiet = array_filter($papers, static fn (Paper $paper) => ! in_array($paper->id, $reached, true));
        $why = array_map(static fn (Paper $paper) => "Nobody is asked to do anything on “{$paper->title}” right now.", $quiet);

        return redirect("/files/{$file->key}")->with(array_filter([
            'told' => $names === [] ? '' : 'Reminder sent to '.implode(', ', array_unique($names)).'.',
            'refused' => implode(' ', $why),
        ]));
    }
}
