<?php

declare(strict_types=1);

namespace App\Overview;

use App\Files\Agenda;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\DraftRead;
use App\Models\InboundItem;
use App\Models\Requirement;
use App\Models\Role;
use App\Models\Task;
use App\Models\User;
use App\Models\WorkingCopyPaper;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\FillStatus;
use Unanimus\Messages\Recipient;
use Unanimus\Review\ReviewState;

/** What waits on one person: reviews, remarks, signatures, answers that came in, what is ready, tasks and dates that are due. */
final readonly class WaitingOnMe
{
    /**
     * @param Collection<int, DealFile> $files open ones in sight, by id
     * @param array<string, Agenda> $agendas by the file's key
     */
    private function __construct(private Waiting $waiting, private User $user, private Collection $files, private array $agendas)
    {
    }

    /**
     * @param array<string, Agenda> $agendas by the file's key
     * @return list<TodayRow> the most overdue first
     */
    public static function of(Waiting $waiting, array $agendas, LocalDate $today): array
    {
        $me = new self($waiting, $waiting->user, $waiting->files->keyBy('id'), $agendas);

        return TodayRow::worstFirst([
            ...$me->reviews(),
            ...$me->remarks(),
            ...$me->papers(),
            ...$me->drafts(),
            ...$me->signatures(),
            ...$me->answers(),
            ...$me->written(),
            ...$me->returned(),
            ...NotReached::rows($waiting),
            ...$me->ready(),
            ...PaymentsDue::rows($waiting, $today),
            ...$me->tasks(),
            ...$me->deadlines(),
        ]);
    }

    /** @return list<TodayRow> */
    private function reviews(): array
    {
        $offices = $this->user->officeRoles->where('role', Role::Broker)->pluck('office_id')->all();
        $count =
            $offices === []
                ? 0
                : Requirement::query()
                    // What is submitted, and what somebody asks to leave out.
                    ->where(static fn ($all) => $all->where('review_state', 'submitted')->orWhere(
                        static fn ($asked) => $asked->whereNotNull('off_asked_at')->whereIn('review_state', ['not_submitted', 'sent_back']),
                    ))
                    // Whoever accepted it first has done theirs.
                    ->where(fn ($all) => $all->whereNull('first_accepted_by')->orWhere('first_accepted_by', '<>', $this->user->id))
                    ->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices)->where('practice', false))
                    ->count();

        return $count === 0
            ? []
            : [new TodayRow($count === 1 ? 'Review 1 paper' : "Review {$count} papers", 'submitted', '', '/review', hot: true)];
    }

    /** @return list<TodayRow> */
    private function remarks(): array
    {
        $rows = [];
        $sentBack = $this->requirements()->where('review_state', ReviewState::SentBack)->sortBy('decided_at');
        foreach ($sentBack->load('paper') as $requirement) {
            $file = $this->files[$requirement->deal_file_id];
            $rows[] = new TodayRow(
                'Answer remark',
                $requirement->title,
                $file->name,
                $requirement->paper === null ? "/files/{$file->key}" : "/papers/{$requirement->paper->key}",
                hot: true,
            );
        }

        return $rows;
    }

    /** @return list<TodayRow> answers by mail to what one wrote, not read yet */
    private function written(): array
    {
        $rows = [];
        $answers = InboundItem::query()
            ->join('messages', 'messages.id', 'inbound_items.answers_message')
            ->where('messages.user_id', $this->user->id)
            ->whereNotNull('inbound_items.filed_into')
            ->whereNotExists(fn ($look) => $look->from('message_looks')
                ->whereRaw("message_looks.thing = 'mail:' || inbound_items.id")
                ->where('message_looks.user_id', $this->user->id))
            ->orderBy('inbound_items.id')
            ->limit(50)
            ->get('inbound_items.*');
        foreach ($answers->load('filed') as $item) {
            if ($item->filed !== null) {
                $from = Recipient::typed($item->sender)[0]->name ?? $item->sender;
                $rows[] = new TodayRow('Read answer', $from, $item->filed->name, "/files/{$item->filed->key}/mail/{$item->key}");
            }
        }

        return $rows;
    }

    /** @return list<TodayRow> drafts that a colleague asks one to read */
    private function drafts(): array
    {
        $rows = [];
        foreach (DraftRead::query()->with(['file', 'asker'])->where('reader_id', $this->user->id)->whereNull('done_at')->get() as $read) {
            $count = count($read->papers);
            $what = $count === 1 ? 'Read 1 draft' : "Read {$count} drafts";
            $rows[] = new TodayRow($what, "for {$read->asker->name}", $read->file->name, "/reads/{$read->key}");
        }

        return $rows;
    }

    /** @return list<TodayRow> the lines of checklists that are due or late, a row for each file */
    private function papers(): array
    {
        $rows = [];
        $late = $this->requirements()
            ->filter(static fn (Requirement $one) => $one->review_state !== ReviewState::Submitted && $one->due_on !== null)
            ->sortBy(static fn (Requirement $one) => $one->due_on?->iso())
            ->groupBy('deal_file_id');
        foreach ($late as $id => $lines) {
            $file = $this->files[$id];
            $today = $this->agendas[$file->key]->today;
            $due = $lines->filter(static fn (Requirement $one) => $one->due_on?->isAfter($today) === false);
            $first = $due->first();
            if ($first?->due_on === null) {
                continue;
            }
            $left = $today->daysUntil($first->due_on);
            $rows[] = new TodayRow(
                $due->count() === 1 ? 'Submit' : "Submit {$due->count()} papers",
                $due->count() === 1 ? $first->title : $due->take(2)->pluck('title')->implode(', ').($due->count() > 2 ? ' …' : ''),
                $file->name,
                "/files/{$file->key}",
                $left,
                day: TodayRow::late($left),
            );
        }

        return $rows;
    }

    /** @return list<TodayRow> */
    private function signatures(): array
    {
        $rows = [];
        foreach ($this->waiting->signers()->where('email', $this->user->email) as $signer) {
            $file = $this->files[$signer->deal_file_id] ?? $signer->round->file;
            $rows[] = new TodayRow('Sign', $signer->round->title, $file->name, '/sign/'.$signer->token(), hot: true);
        }

        return $rows;
    }

    /**
     * What clients have filled in, until it is put away.
     *
     * @return list<TodayRow>
     */
    private function answers(): array
    {
        $rows = [];
        foreach ($this->waiting->requests()->where('status', FillStatus::Finished)->sortByDesc('finished_at') as $request) {
            $papers = $request->papers;
            $rows[] = new TodayRow(
                "{$request->name} filled in",
                $papers->count() === 1 ? $papers->firstOrFail()->title : "{$papers->count()} papers",
                $this->files[$request->deal_file_id]->name,
                $papers->isEmpty() ? "/files/{$this->files[$request->deal_file_id]->key}" : "/papers/{$papers->firstOrFail()->key}",
                hot: true,
                act: ['label' => 'Got it', 'to' => "/fill-requests/{$request->key}/seen", 'with' => []],
            );
        }

        return $rows;
    }

    /**
     * What the other side signed and sent back, until somebody looks at it.
     *
     * @return list<TodayRow>
     */
    private function returned(): array
    {
        $rows = [];
        foreach (
            WorkingCopyPaper::query()
                ->with(['paper', 'copy'])
                ->whereNotNull('returned_at')
                ->whereNull('settled_at')
                ->whereHas('copy', fn ($copy) => $copy->whereIn('deal_file_id', $this->mine()))
                ->orderBy('returned_at')
                ->get() as $one
        ) {
            $file = $this->files[$one->copy->deal_file_id];
            $rows[] = new TodayRow("{$one->copy->name} signed", $one->paper->title ?? '', $file->name, "/files/{$file->key}", hot: true);
        }

        return $rows;
    }

    /**
     * What is ready for the broker to authorize, and for its agent to close.
     *
     * @return list<TodayRow>
     */
    private function ready(): array
    {
        $rows = [];
        $sheets = Commission::query()
            ->whereIn('deal_file_id', $this->files->where('status', 'under_contract')->keys())
            ->get()
            ->groupBy('deal_file_id');
        foreach ($sheets as $id => $group) {
            $file = $this->files[$id];
            $open = $group->whereNull('authorized_at');
            $isPaid = $open->isEmpty() && count($group) >= ($file->represents->isBoth() ? 2 : 1);
            $closing = $this->agendas[$file->key]->daysToClosing();
            if (
                $open->isNotEmpty() &&
                $file->required > 0 &&
                $file->settled === $file->required &&
                $this->user->holds(Role::Broker, $file->office_id)
            ) {
                $rows[] = new TodayRow(
                    'Authorize disbursement',
                    'review complete',
                    $file->name,
                    "/files/{$file->key}/commission",
                    hot: true,
                );
            } elseif ($isPaid && $closing !== null && $closing <= 0 && $file->isServedBy($this->user)) {
                $rows[] = new TodayRow('Close file', 'disbursement authorized', $file->name, "/files/{$file->key}", hot: true);
            }
        }

        return $rows;
    }

    /** @return list<TodayRow> */
    private function tasks(): array
    {
        $rows = [];
        foreach (
            Task::query()
                ->whereNull('done_at')
                ->where('user_id', $this->user->id)
                ->whereIn('deal_file_id', $this->files->keys())
                ->get() as $task
        ) {
            $file = $this->files[$task->deal_file_id];
            $day = $this->agendas[$file->key]->due($task, $file);
            $left = $day === null ? 1 : $this->agendas[$file->key]->today->daysUntil($day);
            if ($left <= 0) {
                $rows[] = new TodayRow(
                    $task->title,
                    '',
                    $file->name,
                    "/files/{$file->key}?tasks=1#tasks",
                    $left,
                    day: TodayRow::late($left),
                    act: ['label' => 'Done', 'to' => '/tasks', 'with' => ['tasks[]' => $task->key, 'do' => 'done']],
                );
            }
        }

        return $rows;
    }

    /**
     * Dates that are late in one's own files and in those nobody works on; a broker is told how many others are.
     *
     * @return list<TodayRow>
     */
    private function deadlines(): array
    {
        $rows = [];
        $elsewhere = [];
        foreach ($this->files as $file) {
            $agenda = $this->agendas[$file->key];
            $late = $file->isServedBy($this->user) ? $agenda->open(-1) : [];
            if ($late !== [] && ! $file->members->isEmpty() && ! $file->members->contains('user_id', $this->user->id)) {
                $elsewhere[] = count($late);

                continue;
            }
            foreach ($late as $deadline) {
                $left = $agenda->today->daysUntil($deadline->due);
                $rows[] = new TodayRow(
                    $deadline->label,
                    '',
                    $file->name,
                    "/files/{$file->key}#deadlines",
                    $left,
                    day: TodayRow::late($left),
                    act: ['label' => 'Done', 'to' => "/files/{$file->key}/deadlines/{$deadline->name}", 'with' => ['done' => '1']],
                );
            }
        }

        return $elsewhere === []
            ? $rows
            : [...$rows, TodayRow::elsewhere(array_sum($elsewhere), 'late', count($elsewhere), 'late:deadline')];
    }

    /** @return list<int> files one works on oneself */
    private function mine(): array
    {
        return array_values($this->waiting->mine->modelKeys());
    }

    /** @return Collection<int, Requirement> lines of one's own files that are reviewed, sent back, or due */
    private function requirements(): Collection
    {
        return $this->waiting->requirements()->whereIn('deal_file_id', $this->mine());
    }
}
