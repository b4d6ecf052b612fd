<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Agenda;
use App\Files\SignedAmendment;
use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Terms\FactBook;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\FormRefusal;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Term;

/** Has the file follow a signed amendment: its terms, its days, and what is counted from them. Once. */
final class ApplyAmendment
{
    public function __construct(private readonly MoveDates $dates, private readonly SetFact $setFact)
    {
    }

    /**
     * @param bool $withPossession whether possession moves as far as closing
     *
     * @throws StepRefused when it is no such amendment, or was applied or left before
     */
    public function __invoke(DealFile $file, Paper $paper, bool $withPossession): void
    {
        $waits = $this->waiting($file, $paper);
        $reason = mb_strimwidth("{$paper->title} signed", 0, 200, '…');
        foreach ($waits->amendment->terms as $name => $value) {
            if ($name !== 'possession' && ! in_array(Term::from($name), Term::anchors(), true)) {
                ($this->setFact)($file, $name, $value, $reason);
            }
        }
        foreach (['closing', 'possession'] as $anchor) {
            $day = $waits->amendment->terms[$anchor] ?? null;
            $day === null || $this->dates->move($file, $anchor, LocalDate::of($day), $reason);
        }
        if ($withPossession && $waits->possession !== null) {
            $this->dates->move($file, 'possession', $waits->possession, "{$reason}, possession moves too");
        }
        foreach ($waits->amendment->deadlines as $name => $day) {
            Agenda::of($file->load('knownFacts'))->deadline($name) === null || $this->dates->setByHand($file, $name, $day, $reason);
        }
        $this->remember($file, $paper, 'applied');
        $changes = array_map(static fn (array $one) => "{$one['label']} from {$one['from']} to {$one['to']}", $waits->changes);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Amendment applied',
            ['paper' => $paper->title, 'changes' => implode(', ', $changes)],
            SeenBy::everyone(),
        );
    }

    /** The file's terms stay as they are. @throws StepRefused when it was applied or left before */
    public function leave(DealFile $file, Paper $paper): void
    {
        $this->waiting($file, $paper);
        $this->remember($file, $paper, 'left');
        History::add($file->brokerage_id, $file->id, 'Amendment not applied', ['paper' => $paper->title], SeenBy::everyone());
    }

    private function waiting(DealFile $file, Paper $paper): SignedAmendment
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $file->refresh()->load([
            'office', 'knownFacts', 'kits', 'parties', 'papers.values', 'papers.latest', 'rounds.papers', 'rounds.signers',
        ]);
        foreach (SignedAmendment::waiting($file, FactBook::of($file)) as $one) {
            if ($one->paper->is($paper)) {
                return $one;
            }
        }
        throw FormRefusal::AmendmentNotOpen->because(title: $paper->title);
    }

    private function remember(DealFile $file, Paper $paper, string $how): void
    {
        $file
            ->knownFacts()
            ->create([
                'brokerage_id' => $file->brokerage_id,
                'name' => SignedAmendment::mark($paper),
                'value' => $how,
                'source' => 'entered',
                'stored_at' => now(),
                'user_id' => Auth::id(),
            ]);
    }
}
