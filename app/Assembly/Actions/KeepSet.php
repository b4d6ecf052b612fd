<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

use App\Assembly\Jobs\MakeLargeSet;
use App\History\History;
use App\Models\AssembledSet;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Sight;
use App\Models\User;
use App\Papers\SelectedPapers;
use App\Storage\Bytes;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\AssembledPdf;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetOptions;
use Unanimus\Pages\SetRefusal;
use Unanimus\Pages\ToolFailed;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Puts papers together and keeps them so; large sets are made by the worker, paper by paper. */
final class KeepSet
{
    /** Up to so many pages it is made while one waits. */
    private const AT_ONCE = 60;

    public function __construct(
        private readonly MakeSet $make,
        private readonly Bytes $bytes,
        private readonly int $atOnce = self::AT_ONCE,
    ) {
    }

    /**
     * @param list<Paper> $papers in order
     *
     * @throws StepRefused when none is chosen or one has not come in
     */
    public function begin(DealFile $file, array $papers, SetOptions $options, User $by): AssembledSet
    {
        if ($papers === []) {
            throw SetRefusal::NoPapers->because();
        }
        foreach ($papers as $paper) {
            $paper->isDraft() ||
                $paper->latest !== null ||
                throw PaperRefusal::NothingToPrint->because(title: $paper->title);
        }
        $sides = array_values(array_filter(array_map(static fn (Paper $paper) => $paper->side, $papers)));
        $side = Side::common($sides);
        $set = AssembledSet::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => $side,
            'title' => $file->name,
            // Where papers of both sides or for the office alone are in it, it is for those who see them all.
            'staff_only' => ($side === null && $sides !== []) || array_filter(
                $papers,
                static fn (Paper $paper) => $paper->staff_only,
            ) !== [],
            'papers' => array_map(static fn (Paper $paper) => $paper->key, $papers),
            'options' => $options->toArray(),
            'user_id' => $by->id,
        ]);
        $pages = array_sum(
            array_map(
                static fn (Paper $paper) => $paper->isDraft() ? count($paper->form()->pages ?? []) : (int) $paper->latest?->pages,
                $papers,
            ),
        );
        if ($pages > $this->atOnce) {
            MakeLargeSet::begin($set->brokerage_id, $set->id);
        } else {
            $this->finish($set, ($this->make)($papers, $options, $file->name, self::lines($file, $by)));
        }

        return $set;
    }

    /**
     * Makes a set that waits, each paper in a transaction of its own, so that it is told how far it is. May run again: what is
     * ready stays.
     */
    public function work(int $brokerageId, int $setId): void
    {
        $scratch = new Scratch();
        $parts = [];
        $set = Sight::within($brokerageId, static fn () => AssembledSet::query()->find($setId));
        if ($set === null || $set->isReady()) {
            return;
        }
        try {
            foreach ($set->papers as $index => $key) {
                $parts[] = Sight::within(
                    $brokerageId,
                    fn () => $this->make->part(
                        SelectedPapers::from(DealFile::query()->findOrFail($set->deal_file_id), [$key])[0],
                        $set->how(),
                        $scratch,
                        $index,
                    ),
                );
                Sight::within(
                    $brokerageId,
                    static fn () => AssembledSet::query()
                        ->whereKey($setId)
                        ->update(['status' => 'making', 'done' => $index + 1]),
                );
            }
            Sight::within($brokerageId, function () use ($set, $parts, $scratch): void {
                $file = DealFile::query()
                    ->with(['office', 'parties'])
                    ->findOrFail($set->deal_file_id);
                $by = User::query()->findOrFail($set->user_id);
                $locked = AssembledSet::query()->whereKey($set->id)->lockForUpdate()->firstOrFail();
                $locked->isReady() ||
                    $this->finish($locked, $this->make->together($parts, $set->how(), $file->name, self::lines($file, $by), $scratch));
            });
        } catch (StepRefused|ToolFailed|PdfRefused $failed) {
            Sight::within(
                $brokerageId,
                static fn () => AssembledSet::query()
                    ->whereKey($setId)
                    ->update([
                        'status' => 'failed',
                        'failure' => $failed instanceof StepRefused || $failed instanceof PdfRefused
                                ? $failed->getMessage()
                                : 'One of the papers cannot be printed.',
                    ]),
            );
        }
    }

    private function finish(AssembledSet $set, AssembledPdf $made): void
    {
        $sha256 = $this->bytes->keep($set->brokerage_id, $made->pdf);
        $set->update([
            'status' => 'ready',
            'sha256' => $sha256,
            'pages' => $made->pages,
            'notes' => $made->notes,
            'done' => count($set->papers),
        ]);
        History::add(
            $set->brokerage_id,
            $set->deal_file_id,
            'Papers put together',
            ['papers' => count($set->papers), 'pages' => $made->pages, 'sha256' => $sha256],
            new SeenBy($set->side, $set->staff_only),
        );
    }

    /** @return list<string> */
    private static function lines(DealFile $file, User $by): array
    {
        $people = $file->parties
            ->filter(static fn (Party $party) => $party->role->isClient())
            ->sortBy(static fn (Party $party) => $party->seat()->order())
            ->groupBy(static fn (Party $party) => $party->role->value)
            ->map(
                static fn ($parties, $role) => ucfirst((string) $role).
                    (count($parties) > 1 ? 's' : '').
                    ': '.
                    $parties->pluck('name')->implode(', '),
            );

        return [...array_values($people->all()), "Combined by {$by->name}, {$file->office->name}, ".$file->office->today()->long()];
    }
}
