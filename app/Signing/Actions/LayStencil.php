<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Sight;
use App\Models\StoredStencil;
use App\Models\User;
use App\Signing\FittingStencil;
use App\Signing\StencilShelf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundPlan;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\StencilMark;
use Unanimus\Steps\StepRefused;

/** Puts the marks of a stencil onto a paper of a round, in pencil: only of those who sit in the file and whom this side asks. */
final class LayStencil
{
    public function __construct(private readonly PlaceFound $found)
    {
    }

    /**
     * Someone says which stencil a paper goes by, or that none does.
     *
     * @throws StepRefused when the round was sent, or the stencil does not fit
     */
    public function choose(Round $round, int $position, string $key, User $by): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        $sent = $round->papers()->with('paper.latest')->where('position', $position)->first();
        $sent !== null || throw SigningRefusal::NoSuchPaper->because();
        $round->marks()->where('round_paper_id', $sent->id)->whereNotNull('sure')->delete();
        if ($key === '') {
            $sent->update(['stencil' => []]);
            $this->found->again($sent->setRelation('round', $round));

            return;
        }
        foreach (StencilShelf::fitting($sent->paper, $by) as $fitting) {
            if ($fitting->stored->key === $key) {
                $this->lay($round, $sent, $fitting);

                return;
            }
        }
        throw SigningRefusal::StencilGone->because();
    }

    /** Lays it, and counts that it was used. */
    public function lay(Round $round, RoundPaper $sent, FittingStencil $fitting): void
    {
        $parties = Sight::asTheFile(
            $round->deal_file_id,
            static fn () => $round->file->parties()->with('contact')->get()->keyBy(static fn (Party $party) => (string) $party->seat()),
        );
        $seats = array_map(static fn (StencilMark $mark) => $mark->seat, $fitting->fit->marks);
        $turns = RoundPlan::turns($round->file->represents, $seats, array_map(strval(...), array_keys($parties->all())));
        $marks = array_values(array_filter($fitting->fit->marks, static fn (StencilMark $mark) => isset($turns[(string) $mark->seat])));
        $keys = [];
        foreach ($marks as $mark) {
            $keys[$mark->key] = strtoupper((string) Str::ulid());
        }
        $position = 1 + ($round->marks()->max('position') ?? -1);
        foreach ($marks as $mark) {
            $seat = (string) $mark->seat;
            $round->signers()->where('seat', $seat)->exists() || PlaceMarks::ask($round, $parties[$seat], $turns[$seat]);
            $this->put($round, $sent, $mark, $keys, $position++, $fitting->fit->share);
        }
        $sent->update(['unclear' => [], 'reading' => false, 'stencil' => ['name' => $fitting->stored->name]]);
        StoredStencil::query()->whereKey($fitting->stored->id)->update(['used' => DB::raw('used + 1'), 'used_at' => now()]);
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Stencil laid',
            ['round' => $round->title, 'paper' => $sent->title, 'stencil' => $fitting->stored->name, 'count' => count($marks)],
            SeenBy::side($round->side),
        );
    }

    /** @param  array<string, string>  $keys  of the round's marks, by those of the stencil's */
    private function put(Round $round, RoundPaper $sent, StencilMark $mark, array $keys, int $position, float $sure): void
    {
        $terms = $mark->terms->toArray($mark->kind);
        $when = isset($terms['when']) ? ['when' => $keys[$mark->terms->when] ?? ''] : [];
        $round->marks()->forceCreate([
            'key' => $keys[$mark->key],
            'brokerage_id' => $round->brokerage_id,
            'deal_file_id' => $round->deal_file_id,
            'round_id' => $round->id,
            'round_paper_id' => $sent->id,
            'seat' => (string) $mark->seat,
            'kind' => $mark->kind,
            'page' => $mark->page,
            'x' => $mark->place->x,
            'y' => $mark->place->y,
            'width' => $mark->place->width,
            'height' => $mark->place->height,
            'position' => $position,
            'terms' => array_filter([...$terms, ...$when], static fn (string|bool $value) => $value !== ''),
            'sure' => $sure,
        ]);
    }
}
