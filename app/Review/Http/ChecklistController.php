<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\User;
use App\Review\Actions\AskOff;
use App\Review\Actions\MeetRequirement;
use App\Review\Actions\SubmitPaper;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\PaperState;
use Unanimus\Requirements\Stage;

/** The lines of a file's checklist: whether they apply, what meets them, and a stage submitted as far as it is there. */
final class ChecklistController
{
    /** What else is done with a line, opened at its row. */
    public function more(Requirement $requirement): View
    {
        Gate::authorize('work-on', $requirement->load(['file.papers', 'further', 'paper'])->file);

        return view('review.more', [
            'requirement' => $requirement,
            'file' => $requirement->file,
            'papers' => $requirement->file->papers
                ->filter(static fn (Paper $one) => $one->id !== $requirement->paper_id &&
                    ! in_array($one->state, [PaperState::Void, PaperState::Expected], true))
                ->whereNotIn('id', $requirement->further->modelKeys()),
        ]);
    }

    public function askOff(Request $request, Requirement $requirement, AskOff $ask): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        $why = $request->validate(['reason' => 'required|string|max:500'], ['reason.required' => 'Say why it does not apply.'])['reason'];
        $ask->ask($requirement, User::signedIn($request), $why);

        return to_route('files.show', $requirement->file)->with('told', "The broker is asked whether “{$requirement->title}” applies.");
    }

    public function takeBack(Requirement $requirement, AskOff $ask): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        $ask->takeBack($requirement);

        return to_route('files.show', $requirement->file)->with('told', "“{$requirement->title}” applies. The question was taken back.");
    }

    public function refuse(Request $request, Requirement $requirement, AskOff $ask): RedirectResponse
    {
        Gate::authorize('review', $requirement->file);
        $why = $request->validate(['reason' => 'required|string|max:500'], ['reason.required' => 'Say why it does apply.'])['reason'];
        $ask->refuse($requirement, User::signedIn($request), $why);

        return to_route('review.index')->with('told', "{$requirement->title}: it applies. They are told why.");
    }

    public function done(Request $request, Paper $paper, MeetRequirement $meet): RedirectResponse
    {
        Gate::authorize('work-on', $paper->file);
        $note = (string) ($request->validate(['note' => 'nullable|string|max:300'])['note'] ?? '');
        $meet->done($paper, $note);

        return to_route('files.show', $paper->file)->with('told', "“{$paper->title}” is done. Submit it when you are ready.");
    }

    public function undone(Paper $paper, MeetRequirement $meet): RedirectResponse
    {
        Gate::authorize('work-on', $paper->file);
        $meet->undone($paper);

        return to_route('files.show', $paper->file)->with('told', "“{$paper->title}” is open again.");
    }

    public function with(Request $request, Requirement $requirement, MeetRequirement $meet): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        $key = $request->validate(['paper' => 'required|string|max:26'], ['paper.required' => 'Choose a paper.'])['paper'];
        $paper = $requirement->file->papers()->where('key', $key)->firstOrFail();
        $meet->with($requirement, $paper);

        return to_route('files.show', $requirement->file)->with('told', "“{$paper->title}” counts for “{$requirement->title}” too.");
    }

    public function without(Requirement $requirement, Paper $paper, MeetRequirement $meet): RedirectResponse
    {
        Gate::authorize('work-on', $requirement->file);
        abort_unless($paper->deal_file_id === $requirement->deal_file_id, 404);
        $meet->without($requirement, $paper);

        return to_route('files.show', $requirement->file)->with('told', "“{$paper->title}” counts no more for “{$requirement->title}”.");
    }

    /** A stage, or the whole file, as far as it is there. */
    public function submit(Request $request, DealFile $file, SubmitPaper $submit): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'stage' => 'nullable|string|in:'.implode(',', Stage::keys()),
            'rest' => 'nullable|string|max:120',
            'needed_day' => 'nullable|string|max:40',
            'needed_time' => 'nullable|string|max:20',
            'needed_why' => 'nullable|string|max:200',
        ]);
        $needed = NeededBy::read($file, (string) ($given['needed_day'] ?? ''), (string) ($given['needed_time'] ?? ''));
        [$count, $coming] = $submit->stage(
            $file,
            $given['stage'] ?? null,
            (string) ($given['rest'] ?? ''),
            User::signedIn($request),
            $needed,
            (string) ($given['needed_why'] ?? ''),
        );
        $told = $count === 0 ? 'Nothing is ready to be submitted.' : ($count === 1 ? 'Submitted 1 paper.' : "Submitted {$count} papers.");
        $rest = $coming === [] ? '' : ' Still to come: '.implode(', ', $coming).'.';

        return to_route('files.show', $file)->with($count === 0 ? 'refused' : 'told', $told.$rest);
    }
}
