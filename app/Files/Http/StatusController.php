<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Access\User;
use App\Files\Actions\FollowOn;
use App\Files\Actions\MoveStatus;
use App\Files\Models\DealFile;
use App\History\History;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\StepRefused;

/** Where a file stands: closing, ending, opening again, following on, labels. */
final class StatusController
{
    public function move(Request $request, DealFile $file, MoveStatus $move): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['status' => 'required|in:'.implode(',', array_column(DealStatus::cases(), 'value')), 'reason' => 'nullable|string|max:500', 'on' => 'nullable|string|max:40']);
        try {
            $on = ($given['on'] ?? '') === '' ? null : LocalDate::parse((string) $given['on'], $file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw new StepRefused($unreadable->getMessage(), previous: $unreadable);
        }
        $status = DealStatus::from($given['status']);
        $move($file, $status, $this->user($request), (string) ($given['reason'] ?? ''), $on);

        return redirect("/files/{$file->key}")->with('told', $status->isOpen() ? "The file is {$status->readable()}." : ($status === DealStatus::Closed ? 'The file is closed.' : 'The file has ended; everything in it is kept.'));
    }

    public function followOn(Request $request, DealFile $file, FollowOn $followOn): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        Gate::authorize('open-files');
        $next = $followOn($file->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest']), $this->user($request));

        return redirect("/files/{$next->key}/opening")->with('told', 'The follow-on file has what belongs to the listing; the deal that fell through stays as it was.');
    }

    public function labels(Request $request, DealFile $file): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['labels' => 'nullable|string|max:400']);
        $labels = array_slice(array_values(array_unique(array_filter(array_map(static fn (string $label) => mb_substr(trim((string) preg_replace('/[{}"\\\\]+/', '', $label)), 0, 40), explode(',', (string) ($given['labels'] ?? ''))), static fn (string $label) => $label !== ''))), 0, 12);
        $before = $file->labels();
        $file->putLabels($labels);
        \App\Files\SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));
        History::add($file->brokerage_id, $file->id, 'Labels changed', ['before' => implode(', ', $before), 'after' => implode(', ', $labels)]);

        return redirect("/files/{$file->key}")->with('told', 'Labels stored.');
    }

    private function user(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(403);
    }
}
