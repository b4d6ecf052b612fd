<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Round;
use App\Models\SigningMark;
use App\Models\StoredStencil;
use App\Models\User;
use App\Signing\StencilShelf;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Stencil;
use Unanimus\Signing\StencilMark;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Agency;

/** Keeps the places to sign of a paper as a stencil; renames, copies, puts away and brings back. */
final class KeepStencil
{
    /**
     * Makes a stencil of what was placed on a paper of a round; under a name that is there already it takes its place.
     *
     * @throws StepRefused when nothing is marked there, it cannot be known again, or the one of that name is another's
     */
    public function __invoke(Round $round, int $position, string $name, bool $isOwn, User $by): StoredStencil
    {
        $sent = $round->papers()->with('paper.latest')->where('position', $position)->first();
        $sent !== null || throw SigningRefusal::NoSuchPaper->because();
        [$words, $sizes] = StencilShelf::read($sent->paper) ?? throw SigningRefusal::FormKnowsItsPlaces->because();
        $marks = $round->marks()->where('round_paper_id', $sent->id)->whereNull('sure')->get();
        $stencil = Stencil::of($words, $sizes, array_values($marks->map(self::mark(...))->all()));
        $name = mb_strimwidth(trim($name) ?: $sent->title, 0, 80);
        $there = StencilShelf::of($by)
            ->where('user_id', $isOwn ? $by->id : null)
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->where('put_away', false)
            ->lockForUpdate()
            ->first();
        $there === null || $there->isKeptBy($by) || throw SigningRefusal::StencilOfAnother->because(name: $name);
        $stored = $there ?? new StoredStencil();
        $stored
            ->forceFill([
                'brokerage_id' => $round->brokerage_id,
                'user_id' => $isOwn ? $by->id : null,
                'created_by' => $there->created_by ?? $by->id,
                'name' => $name,
                'definition' => $stencil->toArray(),
            ])
            ->save();
        $sent->update(['stencil' => ['name' => $name]]);
        $this->tell($stored, $there === null ? 'Stencil kept' : 'Stencil changed', ['places' => $marks->count()]);

        return $stored;
    }

    public function rename(StoredStencil $stored, string $name): void
    {
        $before = $stored->name;
        $stored->update(['name' => mb_strimwidth(trim($name), 0, 80)]);
        $stored->wasChanged() && $this->tell($stored, 'Stencil renamed', ['before' => $before]);
    }

    /** For files of which relationship it is meant; null: any. */
    public function meanFor(StoredStencil $stored, ?Agency $agency): void
    {
        if ($stored->agency === $agency) {
            return;
        }
        $stored->update(['agency' => $agency]);
        $this->tell($stored, 'Stencil meant for', ['agency' => $agency?->label() ?? 'anyone']);
    }

    public function putAway(StoredStencil $stored, bool $isAway): void
    {
        $stored->update(['put_away' => $isAway]);
        $stored->wasChanged() && $this->tell($stored, $isAway ? 'Stencil put away' : 'Stencil brought back', []);
    }

    /** The same for those of another role: where buyers sign, sellers do. */
    public function copyFor(StoredStencil $stored, PartyRole $from, PartyRole $to, User $by): StoredStencil
    {
        $name = mb_strimwidth("{$stored->name}, for {$to->value}s", 0, 80);
        StoredStencil::query()->whereKey($stored->id)->lockForUpdate()->value('id');
        // Pressed twice it is copied once.
        $there = StoredStencil::query()->where('user_id', $stored->user_id)->where('name', $name)->where('put_away', false)->first();
        if ($there !== null) {
            return $there;
        }
        $copy = new StoredStencil();
        $copy
            ->forceFill([
                'brokerage_id' => $stored->brokerage_id,
                'user_id' => $stored->user_id,
                'created_by' => $by->id,
                'name' => $name,
                'definition' => $stored->stencil()->forRole($from, $to)->toArray(),
            ])
            ->save();
        $this->tell($copy, 'Stencil copied', ['before' => $stored->name]);

        return $copy;
    }

    private static function mark(SigningMark $mark): StencilMark
    {
        return new StencilMark($mark->key, $mark->page, $mark->seatOf(), $mark->kind, $mark->place(), $mark->terms());
    }

    /** @param  array<string, string|int>  $data */
    private function tell(StoredStencil $stored, string $what, array $data): void
    {
        // What is one person's own is no affair of the brokerage.
        $stored->user_id === null && History::ofBrokerage($stored->brokerage_id, $what, ['stencil' => $stored->name, ...$data]);
    }
}
