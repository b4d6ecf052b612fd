<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\AskedForPaper;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\PaperRequest;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Forms\FillStatus;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SignerStatus;

/** What one person's files wait for: signatures, answers, reviews, and documents that are expected. */
final readonly class WaitingOnOthers
{
    /**
     * @param Collection<int, DealFile> $files open ones that the person works on, by id
     */
    private function __construct(private Waiting $waiting, private Collection $files, private LocalDate $today)
    {
    }

    /** @return list<TodayRow> what has the least time left first */
    public static function of(Waiting $waiting, LocalDate $today): array
    {
        $me = new self($waiting, $waiting->watched, $today);

        return TodayRow::worstFirst([...$me->signers(), ...$me->clients(), ...$me->bringers(), ...$me->reviews(), ...$me->documents()]);
    }

    /** @return list<TodayRow> */
    private function signers(): array
    {
        $rows = [];
        foreach ($this->waiting->signers()->whereIn('deal_file_id', $this->files->modelKeys()) as $signer) {
            // Whoever was not reached waits on whoever can set the address right.
            if ($signer->email === $this->waiting->user->email || $this->waiting->isNotReached($signer)) {
                continue;
            }
            $file = $this->files[$signer->round->deal_file_id];
            $rows[] = new TodayRow(
                $signer->name,
                $signer->status === SignerStatus::Invited ? 'has not opened' : 'opened, has not signed',
                $file->name,
                "/rounds/{$signer->round->key}",
                $signer->round->last_day === null ? 30 : $this->today->daysUntil($signer->round->last_day),
                seat: $signer->seatOf(),
                act: ['label' => 'Remind', 'to' => "/rounds/{$signer->round->key}/signers/{$signer->key}/remind", 'with' => []],
            );
        }

        return $rows;
    }

    /**
     * Those who are asked to bring papers by a link.
     *
     * @return list<TodayRow>
     */
    private function bringers(): array
    {
        $rows = [];
        $asked = PaperRequest::query()
            ->with('asked')
            ->whereNull('ended_at')
            ->whereIn('deal_file_id', $this->files->keys())
            ->where('last_day', '>=', $this->today->plusDays(-30)->iso())
            ->orderBy('id')
            ->get();
        foreach ($asked as $asking) {
            $open = $asking->asked->filter(static fn (AskedForPaper $one) => $one->title !== '' && $one->brought === []);
            if ($open->isEmpty()) {
                continue;
            }
            $file = $this->files[$asking->deal_file_id];
            $rows[] = new TodayRow(
                $asking->name,
                'to send '.$open->pluck('title')->implode(', '),
                $file->name,
                "/files/{$file->key}/ask-for",
                $this->today->daysUntil($asking->last_day),
                act: $asking->email === ''
                    ? null
                    : ['label' => 'Remind', 'to' => "/paper-requests/{$asking->key}/remind", 'with' => []],
            );
        }

        return $rows;
    }

    /** @return list<TodayRow> */
    private function clients(): array
    {
        $rows = [];
        foreach ($this->waiting->requests()->where('status', FillStatus::Out) as $request) {
            if ($this->waiting->isNotReached($request)) {
                continue;
            }
            $file = $this->files[$request->deal_file_id];
            $rows[] = new TodayRow(
                $request->name,
                $request->opened_at === null ? 'has not opened the request' : 'is filling in',
                $file->name,
                "/files/{$file->key}/fill-requests",
                $this->today->daysUntil($request->last_day),
                seat: $request->party->seat(),
                act: ['label' => 'Remind', 'to' => "/fill-requests/{$request->key}/remind", 'with' => []],
            );
        }

        return $rows;
    }

    /** @return list<TodayRow> */
    private function reviews(): array
    {
        $rows = [];
        $submitted = $this->waiting->requirements()->where('review_state', ReviewState::Submitted)->sortBy('submitted_at');
        foreach ($submitted->groupBy('deal_file_id') as $id => $group) {
            $rows[] = new TodayRow(
                'Broker',
                'reviews '.($group->count() === 1 ? $group->firstOrFail()->title : "{$group->count()} papers"),
                $this->files[$id]->name,
                "/files/{$this->files[$id]->key}",
                14,
                seat: Seat::of('broker.1'),
            );
        }

        return $rows;
    }

    /** @return list<TodayRow> */
    private function documents(): array
    {
        $rows = [];
        $contracts = $this->files->where('status', 'under_contract');
        foreach (
            Paper::query()
                ->where('state', PaperState::Expected)
                ->whereIn('deal_file_id', $contracts->keys())
                ->orderBy('position')
                // Read past the models: forty files expect some two hundred documents.
                ->toBase()
                ->get(['deal_file_id', 'title'])
                ->groupBy('deal_file_id') as $id => $group
        ) {
            $rows[] = new TodayRow(
                $group->count() === 1 ? (string) $group->first()?->title : "{$group->count()} expected documents",
                $group->count() === 1 ? 'expected' : $group->take(2)->pluck('title')->implode(', ').($group->count() > 2 ? ' …' : ''),
                $this->files[$id]->name,
                "/files/{$this->files[$id]->key}",
                21,
                seat: Seat::of('escrow.1'),
            );
        }

        return $rows;
    }
}
