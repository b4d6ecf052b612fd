<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\FollowOn;
use App\Files\Actions\LabelFiles;
use App\Files\Actions\MoveStatus;
use App\Files\Actions\SetFact;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Steps\StepRefused;

/** Where a file stands: closing, ending, opening again, following on, labels. */
final class StatusController
{
    public function move(Request $request, DealFile $file, MoveStatus $move): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'status' => 'required|in:'.implode(',', array_column(DealStatus::cases(), 'value')),
            'reason' => 'nullable|string|max:500',
            'on' => 'nullable|string|max:40',
            'sure' => 'nullable|boolean',
        ]);
        try {
            $on = ($given['on'] ?? '') === '' ? null : LocalDate::parse((string) $given['on'], $file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
        $status = DealStatus::from($given['status']);
        $move($file, $status, User::signedIn($request), (string) ($given['reason'] ?? ''), $on, $request->boolean('sure'));

        return to_route('files.show', $file)->with(
            'told',
            $status->isOpen()
                ? "The file is {$status->readable()}."
                : ($status === DealStatus::Closed
                    ? 'File closed.'
                    : 'The file has ended. Everything in it is kept.'),
        );
    }

    /** The day and hour a contract was accepted: the file is under contract, and its deadlines follow. */
    public function accept(Request $request, DealFile $file, SetFact $setFact): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['day' => 'required|string|max:40', 'time' => 'nullable|string|max:20']);
        $setFact->many($file->load(['office', 'knownFacts']), [
            'acceptance' => $given['day'],
            ...($given['time'] ?? '') === '' ? [] : ['acceptance_time' => (string) $given['time']],
        ]);

        return to_route('files.show', $file)->with('told', 'The file is under contract. Its deadlines are set.');
    }

    public function followOn(Request $request, DealFile $file, FollowOn $followOn): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        Gate::authorize('open-files');
        $next = $followOn($file->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest']), User::signedIn($request));

        return to_route('files.opening', $next)->with(
            'told',
            'The follow-on file has what belongs to the listing. The earlier deal stays as it was.',
        );
    }

    public function labels(Request $request, DealFile $file, LabelFiles $label): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['labels' => 'nullable|string|max:400']);
        $label->set($file, (string) ($given['labels'] ?? ''));

        return to_route('files.show', $file)->with('told', 'Tags saved.');
    }

    public function labelMany(Request $request, LabelFiles $label): RedirectResponse
    {
        $given = $request->validate(
            ['take' => 'required|array|max:200', 'take.*' => 'string|size:26', 'label' => 'required|string|max:120'],
            ['take.required' => 'Select the files to tag first (space, or the boxes on the left).', 'label.required' => 'Enter a tag.'],
        );
        $files = DealFile::query()
            ->whereIn('key', $given['take'])
            ->get()
            ->filter(static fn (DealFile $file) => Gate::allows('work-on', $file));
        $changed = $label->add($files, $given['label']);

        return back()->with(
            'told',
            $files->isEmpty()
                ? 'You cannot tag any of these files.'
                : "“{$given['label']}” is on ".
                    ($files->count() === 1 ? 'one file' : "{$files->count()} files").
                    ($changed === $files->count() ? '.' : ", {$changed} of them new."),
        );
    }
}
