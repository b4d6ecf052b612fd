<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\AskedForPaper;
use App\Models\Paper;
use App\Models\PaperRequest;
use App\Papers\Actions\BringIn;
use App\Papers\Actions\CareForPaper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Pages\PlainText;
use Unanimus\Steps\StepRefused;

/**
 * Takes what somebody brings by their link: to its place in the file at once, and whoever asked is told when all of it is there.
 * Sent again under the same key it is there once; brought anew it lies over the first as a newer version.
 */
final class TakeBrought
{
    public function __construct(private readonly BringIn $bringIn, private readonly CareForPaper $care)
    {
    }

    /**
     * @param string $asked key of what was asked for; empty: something else
     * @param Brought $brought what it has become
     * @param string $once given by the browser, the same for every try
     *
     * @throws BringRefused when its place takes it no more
     * @throws StepRefused when it is not asked for here
     */
    public function __invoke(PaperRequest $request, string $asked, Brought $brought, string $name, string $once): AskedForPaper
    {
        DB::select('SELECT pg_advisory_xact_lock(2, ?)', [$request->deal_file_id % 2147483647]);
        $request->load('asked.paper');
        $name = mb_strimwidth(PlainText::of($name), 0, 200, '…') ?: 'file';
        $one = $asked === ''
            ? $this->other($request)
            : $request->asked->firstWhere('key', $asked) ?? throw IntakeRefusal::NotAskedHere->because();
        if (in_array($once, array_column($one->brought, 'once'), true)) {
            return $one;
        }
        $paper = $this->into($request, $one, $brought, $name);
        $one->update([
            'paper_id' => $asked === '' ? null : $paper->id,
            'brought' => [
                ...$one->brought,
                ['name' => $name, 'pages' => $brought->pages, 'at' => now()->toIso8601String(), 'once' => $once, 'paper' => $paper->key],
            ],
        ]);
        $told = ['by' => $request->name, 'paper' => $paper->title, 'file' => $name];
        $seen = new SeenBy($paper->side, $paper->staff_only);
        History::add($request->brokerage_id, $request->deal_file_id, 'Paper brought by link', $told, $seen);
        $request->unsetRelation('asked')->load('asked');
        $request->isWaiting() || $this->tell($request);

        return $one;
    }

    private function into(PaperRequest $request, AskedForPaper $one, Brought $brought, string $name): Paper
    {
        $place = $one->paper_id === null ? null : Paper::query()->with('requirement')->find($one->paper_id);
        $called = $one->title !== '' ? $one->title : pathinfo($name, PATHINFO_FILENAME);
        $isReviewed = $place?->requirement?->review_state->isWithReviewer() ?? false;

        return match (true) {
            $place?->state === PaperState::Expected => $this->bringIn->file($request->file, $brought, $name, $place)->paper,
            $place?->state === PaperState::Ready && ! $isReviewed => $this->care->lay($place, $brought, $name),
            // Its place is gone, or holds something signed or reviewed by now: it comes in by itself.
            default => $this->bringIn->file($request->file, $brought, "{$called}.pdf")->paper,
        };
    }

    /** What they bring besides. */
    private function other(PaperRequest $request): AskedForPaper
    {
        return $request->asked->firstWhere('title', '') ??
            $request->asked()->create(['brokerage_id' => $request->brokerage_id, 'title' => '']);
    }

    private function tell(PaperRequest $request): void
    {
        Post::ofFile(
            $request->file,
            "brought:{$request->key}",
            Addressee::user($request->asker),
            Wording::of('brought', [
                'name' => $request->name,
                'file' => $request->file->name,
                'papers' => $request->asked->where('title', '<>', '')->pluck('title')->implode(', '),
            ], max(1, $request->asked->where('title', '<>', '')->count())),
            "/files/{$request->file->key}",
        );
    }
}
