<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\History\History;
use App\Intake\StackPlan;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Stack;
use App\Models\User;
use App\Papers\Actions\PlaceUpload;
use App\Papers\Actions\TakePages;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Intake\PageCutter;
use Unanimus\Intake\TablePart;
use Unanimus\Steps\StepRefused;

/** Makes papers of the parts on the sorting table, all of them or none. What they were cut from stays kept as it came. */
final class FileStack
{
    public function __construct(
        private readonly TakePages $take,
        private readonly PlaceUpload $place,
        private readonly SettleMail $settle,
        private readonly Bytes $bytes,
    ) {
    }

    /**
     * @param int $seen the step whose table the person saw
     * @param bool $takeAway whether the paper it was cut from leaves the file
     * @return list<Paper>
     *
     * @throws StepRefused when it was filed or sorted further meanwhile, a part has no file, or cannot be cut or put there
     */
    public function __invoke(Stack $stack, User $by, int $seen, bool $takeAway): array
    {
        DB::table('stacks')->where('id', $stack->id)->lockForUpdate()->value('id');
        $stack->refresh();
        $stack->settled_at === null || throw IntakeRefusal::TableSettled->because();
        $stack->step === $seen || throw IntakeRefusal::TableChanged->because();
        // Filed or put away as a whole meanwhile: its papers are in a file already, or in none on purpose.
        DB::table('inbound_items')->whereIn('id', $stack->items)->orderBy('id')->lockForUpdate()->get('id');
        $items = InboundItem::query()->whereIn('id', $stack->items)->get();
        $items->contains(static fn (InboundItem $item) => $item->settled_at !== null) && throw IntakeRefusal::SettledMeanwhile->because();
        $plan = StackPlan::of($stack);
        $plan->table->parts !== [] || throw IntakeRefusal::NothingOnTable->because();
        $cut = array_map(fn (TablePart $part): string => $this->cut($plan, $part), $plan->table->parts);
        $papers = [];
        $places = $plan->places();
        foreach ($plan->table->parts as $index => $part) {
            $papers[] = $this->take($plan, $part, $cut[$index], $places[$part->key]);
        }
        $titles = array_values(array_map(static fn (Paper $paper) => $paper->title, $papers));
        $this->takeAway($stack, $takeAway, $titles);
        $stack->update([
            'settled_at' => now(),
            'settled_by' => $by->id,
            'filed' => array_values(array_map(
                static fn (Paper $paper) => ['paper' => $paper->key, 'title' => $paper->title, 'file' => $paper->file->key],
                $papers,
            )),
        ]);
        $items->isEmpty() || $this->settle->sorted($items, $papers[0]->file, $by, $titles);

        return $papers;
    }

    /** @throws StepRefused when no file is chosen for it, or its pages cannot be cut */
    private function cut(StackPlan $plan, TablePart $part): string
    {
        $file = $plan->file($part) ?? throw IntakeRefusal::NoFileForPart->because(title: $plan->title($part));
        $file->status->mustBeOpen();
        $skews = [];
        foreach ($plan->stack->reads as $index => $read) {
            foreach ($read['skews'] ?? [] as $page => $degrees) {
                $skews[($index + 1).".{$page}"] = (float) $degrees;
            }
        }
        $pdf = PageCutter::cut(
            $part,
            array_map(
                fn (array $source) => ['path' => $this->bytes->path($source['sha256']), 'first' => $source['first']],
                $plan->stack->sources,
            ),
            $skews,
        );

        return $pdf === null
            ? throw IntakeRefusal::NotCut->because(title: $plan->title($part))
            : $this->bytes->keep($plan->stack->brokerage_id, $pdf);
    }

    private function take(StackPlan $plan, TablePart $part, string $sha256, ?Paper $row): Paper
    {
        /** @var DealFile $file */
        $file = $plan->file($part);
        $file->loadMissing('office');
        // The row as it is now: somebody may have changed it since the page was made.
        $row?->refresh();
        $pages = count($part->pages);
        $from = $pages === 1 ? '1 page' : "{$pages} pages";
        $paper = ($this->take)($file, $plan->title($part), $sha256, $pages, "from {$plan->stack->name}", $row);
        $plan->stack->side !== null && $row === null && $file->id === $plan->stack->deal_file_id && $paper->update([
            'side' => $plan->stack->side,
            'staff_only' => $plan->stack->staff_only,
        ]);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Upload placed',
            ['file' => "{$plan->stack->name}, {$from}", 'to' => $paper->title],
            new SeenBy($paper->side, $paper->staff_only),
        );
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));

        return $paper->setRelation('file', $file);
    }

    /** @param  list<string>  $titles */
    private function takeAway(Stack $stack, bool $takeAway, array $titles): void
    {
        if (! $takeAway || $stack->paper === null) {
            return;
        }
        $upload = $stack->upload;
        if ($upload !== null && $upload->paper_id === $stack->paper_id && $stack->paper->latest_version_id === $upload->version_id) {
            $this->place->sorted($upload, $titles);

            return;
        }
        TakePages::mustTake($stack->paper);
        $stack->paper->moveTo(PaperState::Void, ['reason' => 'void: sorted into '.mb_strimwidth(implode(', ', $titles), 0, 200, '…')]);
        History::add(
            $stack->brokerage_id,
            (int) $stack->deal_file_id,
            'Upload separated',
            ['file' => $stack->name, 'papers' => implode(', ', $titles)],
            new SeenBy($stack->side, $stack->staff_only),
        );
    }
}
