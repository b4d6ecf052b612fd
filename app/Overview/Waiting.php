<?php

declare(strict_types=1);

namespace App\Overview;

use App\Mail\Refused;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Requirement;
use App\Models\Signer;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Signing\SignerStatus;

/** What the lists of one person's day are made of, each read once: who is asked to sign and to fill in, and what is reviewed. */
final class Waiting
{
    /** @var Collection<int, DealFile> files one works on oneself, by id */
    public readonly Collection $mine;

    /** @var Collection<int, DealFile> those whose answers one waits for: one's own, or where there are none those one answers for, by id */
    public readonly Collection $watched;

    /** @var Collection<int, Signer>|null */
    private ?Collection $signers = null;

    /** @var Collection<int, FillRequest>|null */
    private ?Collection $requests = null;

    /** @var Collection<int, Requirement>|null */
    private ?Collection $requirements = null;

    /** @var array<string, string>|null */
    private ?array $back = null;

    /** @param  Collection<int, DealFile>  $files  open ones in sight, with their members */
    public function __construct(public readonly User $user, public readonly Collection $files)
    {
        $this->mine = $files->filter(static fn (DealFile $file) => $file->members->contains('user_id', $user->id))->keyBy('id');
        $this->watched = $this->mine->isEmpty()
            ? $files->filter(static fn (DealFile $file) => $file->isServedBy($user))->keyBy('id')
            : $this->mine;
    }

    /** @return Collection<int, Signer> asked in what is out: in watched files, and whoever asks here, anywhere */
    public function signers(): Collection
    {
        return $this->signers ??= Signer::query()
            ->with('round')
            ->whereIn('status', SignerStatus::asked())
            ->where(fn ($any) => $any->whereIn('deal_file_id', $this->watched->keys())->orWhere('email', $this->user->email))
            ->whereHas('round', static fn ($round) => $round->where('status', 'out')->where('rehearsal', false))
            ->orderBy('id')
            ->get();
    }

    /** @return Collection<int, FillRequest> those that are out, and finished ones of whoever asks here that were not put away */
    public function requests(): Collection
    {
        return $this->requests ??= FillRequest::query()
            ->with(['papers', 'party'])
            ->where(
                fn ($any) => $any
                    ->where(fn ($out) => $out->where('status', 'out')->whereIn('deal_file_id', $this->watched->keys()))
                    ->orWhere(
                        fn ($done) => $done
                            ->where('status', 'finished')
                            ->whereNull('seen_at')
                            ->where('asked_by', $this->user->id)
                            ->whereIn('deal_file_id', $this->files->modelKeys()),
                    ),
            )
            ->orderBy('last_day')
            ->get();
    }

    /** @return Collection<int, Requirement> what is submitted, sent back, or due by tomorrow, in watched files */
    public function requirements(): Collection
    {
        return $this->requirements ??= Requirement::query()
            ->whereIn('deal_file_id', $this->watched->keys())
            ->where(
                static fn ($any) => $any
                    ->whereIn('review_state', ['submitted', 'sent_back'])
                    ->orWhere(
                        static fn ($due) => $due
                            ->where('review_state', 'not_submitted')
                            ->where('due_on', '<=', now()->addDay()->toDateString()),
                    ),
            )
            ->get();
    }

    /** Whether the email with their link did not arrive, so that they cannot be waited for. */
    public function isNotReached(Signer|FillRequest $asked): bool
    {
        $this->back ??= Refused::of([
            ...$this->signers()->map(static fn (Signer $one) => "signer {$one->key}")->all(),
            ...$this->requests()->where('status', 'out')->map(static fn (FillRequest $one) => "fill {$one->key}")->all(),
        ]);

        return $asked instanceof Signer
            ? $asked->status === SignerStatus::Invited && isset($this->back["signer {$asked->key}"])
            : $asked->opened_at === null && isset($this->back["fill {$asked->key}"]);
    }
}
