<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\PaperPiece;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Carryover as Plan;
use Unanimus\Forms\FormRefusal;
use Unanimus\Steps\StepRefused;

/** Takes a draft over to the revision of its form that is in force now, with its entries. */
final class CarryOver
{
    /** What would become of its entries; null when it stands on the revision in force. */
    public static function plan(Paper $paper): ?Plan
    {
        $old = $paper->form();
        $new = $paper->newerForm();

        return $old === null || $new === null ? null : Plan::between($old, $new, $paper->entries());
    }

    /**
     * @param string $revision the one that was looked at
     *
     * @throws StepRefused when it stands on that already, takes no entries any more, or another has come into force meanwhile
     */
    public function __invoke(Paper $paper, string $revision, string $key): void
    {
        $paper = Paper::query()->whereKey($paper->id)->lockForUpdate()->firstOrFail()->load('values');
        $plan = self::plan($paper);
        $new = $paper->newerForm();
        if ($plan === null || $new === null) {
            throw ($paper->isDraft() ? FormRefusal::IsCurrent : FormRefusal::KeepsRevision)->because();
        }
        $paper->lockForChange();
        if ($new->revision !== $revision) {
            throw FormRefusal::NewerRevision->because(revision: $new->revision);
        }
        $before = (string) $paper->form_revision;
        $entries = $paper->entries();
        $paper->update(['form_revision' => $new->revision]);
        foreach ($plan->goes as $name => ['to' => $to]) {
            if ($to->name !== $name) {
                $paper->keepEntry($to->name, $entries[$name], "over:{$key}:{$to->name}", (int) Auth::id() ?: null);
                $paper->keepEntry($name, null, "over:{$key}:{$name}:gone", (int) Auth::id() ?: null);
            }
        }
        // Words that were struck out stand elsewhere there, or not at all.
        $off = PaperPiece::standing($paper)->update(['gone_at' => now(), 'gone_by' => Auth::id()]);
        // What has no place stays with the paper's entries, unseen, and is named here.
        DB::table('fill_request_papers')->where('paper_id', $paper->id)->exists() && $this->askAnew($paper, $plan);
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            'Taken over to another revision',
            [
                'paper' => $paper->title,
                'before' => $before,
                'after' => $new->revision,
                'without a place' => implode(
                    ', ',
                    array_map(static fn (Blank $blank) => "{$blank->label}: {$blank->kind->show($entries[$blank->name])}", $plan->stays),
                ),
                'taken off its pages' => $off,
            ],
            new SeenBy($paper->side, $paper->staff_only),
        );
    }

    /** What clients are asked for follows to where it stands now. */
    private function askAnew(Paper $paper, Plan $plan): void
    {
        foreach (
            DB::table('fill_request_papers')
                ->where('paper_id', $paper->id)
                ->get(['fill_request_id', 'blanks']) as $row
        ) {
            $blanks = array_map(
                static fn (mixed $name) => $plan->names[$name] ?? (string) $name,
                (array) json_decode((string) $row->blanks, true),
            );
            DB::table('fill_request_papers')
                ->where('paper_id', $paper->id)
                ->where('fill_request_id', $row->fill_request_id)
                ->update(['blanks' => json_encode(array_values($blanks))]);
        }
    }
}
