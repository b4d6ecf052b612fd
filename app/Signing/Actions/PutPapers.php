<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Sight;
use App\Models\User;
use App\Signing\ChangeMarks;
use App\Signing\FittingStencil;
use App\Signing\FoundMarks;
use App\Signing\Jobs\ReadScan;
use App\Signing\StencilShelf;
use Illuminate\Support\Collection;
use Unanimus\Forms\MarkPlace;
use Unanimus\Signing\ProposedMark;
use Unanimus\Signing\RoundPlan;
use Unanimus\Steps\StepRefused;

/** Puts papers into a round that is being composed: the places of library forms, and in pencil those that are found on others. */
final class PutPapers
{
    public function __construct(private readonly LayStencil $lay)
    {
    }

    /**
     * @param list<Paper> $papers none of them in it yet
     *
     * @throws StepRefused when a paper cannot go out
     */
    public function __invoke(Round $round, array $papers, User $by): void
    {
        RoundPlan::mustGoOut(array_map(static fn (Paper $paper) => [$paper->title, $paper->state], $papers));
        $file = $round->file;
        // Of the other side's clients their own agent keeps the address; a round asks them there all the same.
        $parties = Sight::asTheFile(
            $file->id,
            static fn () => $file->parties()->with('contact')->get()->keyBy(static fn (Party $party) => (string) $party->seat()),
        );
        $taken = array_values($parties->keys()->all());
        $asked = $file->asks();
        $forms = array_map(
            static fn (Paper $paper) => $paper->change_of === null ? $paper->form()->marks ?? [] : ChangeMarks::on($paper),
            $papers,
        );
        $stencils = array_map(
            static fn (Paper $paper, array $marks) => $marks === [] && $paper->change_of === null ? StencilShelf::fitting($paper, $by) : [],
            $papers,
            $forms,
        );
        $found = array_map(
            static fn (Paper $paper, array $marks, array $fitting) => $marks === [] && $fitting === [] && $paper->change_of === null
                ? FoundMarks::on($paper, $parties->all(), $asked)
                : [],
            $papers,
            $forms,
            $stencils,
        );
        $places = [
            ...array_map(static fn (MarkPlace $mark) => $mark->seat, array_merge(...$forms)),
            ...array_filter(array_map(static fn (ProposedMark $mark) => $mark->seat, array_merge(...$found))),
        ];
        $again = array_merge(...array_map(static fn (Paper $paper) => ChangeMarks::askAgain($round, $paper), $papers));
        $turns = [...RoundPlan::turns($file->represents, array_values($places), $taken), ...$again];
        foreach ($papers as $index => $paper) {
            $sent = $this->put($round, $paper, $forms[$index], $found[$index], $turns);
            $this->recognised($round, $sent, $stencils[$index]);
        }
        $this->ask($round, $turns, $parties);
    }

    /**
     * @param list<MarkPlace> $marks
     * @param list<ProposedMark> $found
     * @param array<string, int> $turns
     */
    private function put(Round $round, Paper $paper, array $marks, array $found, array $turns): RoundPaper
    {
        $base = ['brokerage_id' => $round->brokerage_id, 'deal_file_id' => $round->deal_file_id];
        $isScan = $marks === [] && $paper->change_of === null && FoundMarks::mustBeRead($paper);
        /** @var RoundPaper $sent */
        $sent = $round->papers()->create([
            ...$base,
            'paper_id' => $paper->id,
            'position' => 1 + ($round->papers()->max('position') ?? -1),
            'place' => 1 + ($round->papers()->max('place') ?? -1),
            'title' => $paper->title,
            'pages' => count($paper->form()->pages ?? []) ?: $paper->latest->pages ?? 0,
            'reading' => $isScan,
            'unclear' => PlaceFound::unclear($found),
        ]);
        $position = 1 + ($round->marks()->max('position') ?? -1);
        foreach ([...array_map(self::mark(...), $marks), ...array_map(PlaceFound::mark(...), $found)] as $mark) {
            isset($turns[$mark['seat']]) &&
                $round->marks()->create([...$base, 'round_paper_id' => $sent->id, ...$mark, 'position' => $position++]);
        }
        $isScan && ReadScan::begin($round->brokerage_id, $sent->id);

        return $sent;
    }

    /**
     * One that fits is laid; of several somebody says which is meant.
     *
     * @param list<FittingStencil> $fitting
     */
    private function recognised(Round $round, RoundPaper $sent, array $fitting): void
    {
        count($fitting) === 1 && $this->lay->lay($round, $sent, $fitting[0]);
        count($fitting) < 2 ||
            $sent->update([
                'stencil' => [
                    'choices' => array_map(
                        static fn (FittingStencil $one) => ['key' => $one->stored->key, 'name' => $one->stored->name],
                        $fitting,
                    ),
                ],
            ]);
    }

    /**
     * @param array<string, int> $turns
     * @param Collection<string, Party> $parties
     */
    private function ask(Round $round, array $turns, Collection $parties): void
    {
        $there = $round->signers()->pluck('seat')->all();
        foreach (array_diff_key($turns, array_flip($there)) as $seat => $turn) {
            PlaceMarks::ask($round, $parties[$seat], $turn);
        }
    }

    /** @return array<string, mixed> */
    private static function mark(MarkPlace $mark): array
    {
        return [
            'seat' => (string) $mark->seat,
            'kind' => $mark->kind,
            'page' => $mark->page,
            'x' => $mark->place->x,
            'y' => $mark->place->y,
            'width' => $mark->place->width,
            'height' => $mark->place->height,
        ];
    }
}
