<?php

declare(strict_types=1);

namespace App\Signing;

use App\Forms\FillFinished;
use App\Mail\Post;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Sight;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\SendRound;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\Afterwards;
use Unanimus\Steps\StepRefused;

/** What a client has filled in is laid out to be signed, and sent at once where whoever asked wanted it so. */
final class SignAfterFilling
{
    public function __construct(private readonly ComposeRound $compose, private readonly SendRound $send)
    {
    }

    public function handle(FillFinished $finished): void
    {
        $request = $finished->request->refresh();
        if ($request->afterwards === Afterwards::Nothing || $request->round_id !== null) {
            return;
        }
        Sight::asTheFile($request->deal_file_id, function () use ($request): void {
            $file = $request->file()->with(['office', 'knownFacts', 'parties.contact', 'members', 'papers.values'])->firstOrFail();
            $papers = $file->papers->whereIn('id', $request->papers()->pluck('papers.id'))->values();
            $papers->each(static fn (Paper $paper) => $paper->setRelation('file', $file));
            try {
                $round = ($this->compose)($file, array_values($papers->all()), $request->asker);
            } catch (StepRefused) {
                // Out already, or void: whoever asked is told that it is filled in, and goes on from there.
                return;
            }
            $request->update(['round_id' => $round->id]);
            $request->afterwards === Afterwards::Sign && $this->send($round->setRelation('file', $file));
        });
    }

    /** What keeps it back, such as a blank of somebody else's, is told to whoever asked; the draft stays for them. */
    private function send(Round $round): void
    {
        try {
            DB::transaction(fn () => ($this->send)($round));
        } catch (StepRefused $refused) {
            $round->refresh()->update(['held_because' => $refused->getMessage()]);
            Post::heldBack($round, $refused->getMessage());
        }
    }
}
