<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Steps\StepRefused;

/**
 * A round as its events make it: who has been asked, who owes which marks, whether it is over.
 * Decides what may happen next; the same decision holds for every screen and job.
 */
final readonly class RoundState
{
    /**
     * @param array<string, Turn> $turns by seat
     * @param array<string, SignerStatus> $signers by seat
     * @param array<string, bool> $adopted seats that have adopted a signature
     * @param array<string, bool> $onPaper seats that signed with a pen
     * @param array<string, string> $added names of the files that were added, by key of the paper asked for
     */
    private function __construct(
        public RoundStatus $status,
        public array $turns,
        public array $signers,
        public ActsMade $made,
        public array $adopted,
        public ?string $reason,
        public array $onPaper = [],
        public array $added = [],
    ) {
    }

    /**
     * The state that follows from a plan and what has happened since.
     *
     * @param list<Turn> $turns
     * @param iterable<RoundEvent> $events in order
     *
     * @throws StepRefused when an event could not have happened in that order
     */
    public static function fold(array $turns, iterable $events): self
    {
        $bySeat = [];
        foreach ($turns as $turn) {
            $bySeat[$turn->seat] = $turn;
        }
        $state = new self(
            RoundStatus::Drafting,
            $bySeat,
            array_map(static fn () => SignerStatus::Waiting, $bySeat),
            new ActsMade($bySeat),
            [],
            null,
        );
        foreach ($events as $event) {
            $state = $state->after($event);
        }

        return $state;
    }

    /**
     * The state after one more event.
     *
     * @throws StepRefused when it may not happen now; the message is for the person who tried
     */
    public function after(RoundEvent $event): self
    {
        if ($event->seat === null) {
            return $this->afterSender($event);
        }
        $standing = $this->signers[$event->seat] ?? throw SigningRefusal::NotAsked->because();
        $this->refuseUnlessAsked($standing);

        return match ($event->kind) {
            EventKind::Opened => $standing === SignerStatus::Invited ? $this->with($event->seat, SignerStatus::Opened) : $this,
            EventKind::Consented => $standing === SignerStatus::Consented ? $this : $this->with($event->seat, SignerStatus::Consented),
            EventKind::Adopted => $this->adopted($event->seat, $standing),
            EventKind::Marked => $this->marked($event->seat, $standing, $event),
            EventKind::Cleared => $this->cleared($event->seat, $standing, (string) ($event->data['mark'] ?? '')),
            EventKind::Added => $this->withPaper($event->seat, $standing, $event),
            EventKind::Asked, EventKind::Referred, EventKind::CodeEntered, EventKind::CodeLocked => $this,
            EventKind::Finished => $this->finished($event->seat, $standing),
            EventKind::Declined => $this->with($event->seat, SignerStatus::Declined)->copy(
                status: RoundStatus::Declined,
                reason: (string) ($event->data['reason'] ?? ''),
            ),
            default => throw SigningRefusal::OnlySender->because(),
        };
    }

    /** The turn that is being asked now; null before sending and when it is over. */
    public function currentTurn(): ?int
    {
        $open = [];
        foreach ($this->turns as $seat => $turn) {
            if ($this->signers[$seat] !== SignerStatus::Finished) {
                $open[] = $turn->turn;
            }
        }

        return $this->status === RoundStatus::Out && $open !== [] ? min($open) : null;
    }

    /** @return list<string> the seats that may sign now */
    public function asked(): array
    {
        return array_keys(
            array_filter(
                $this->turns,
                fn (Turn $turn) => $turn->turn === $this->currentTurn() && $this->signers[$turn->seat] !== SignerStatus::Finished,
            ),
        );
    }

    /** @return list<string> marks the seat still owes; of places of which only one may stand, the first while none does */
    public function owes(string $seat): array
    {
        return $this->made->owedBy($seat);
    }

    /** @return list<AskedPaper> papers asked of the seat, and needed, that have not been added */
    public function missing(string $seat): array
    {
        return array_values(
            array_filter(
                $this->turns[$seat]->asks ?? [],
                fn (AskedPaper $ask) => $ask->isRequired && ! isset($this->added[$ask->key]),
            ),
        );
    }

    private function afterSender(RoundEvent $event): self
    {
        if ($event->kind === EventKind::Sent) {
            if ($this->status !== RoundStatus::Drafting) {
                throw SigningRefusal::SentTwice->because();
            }
            if ($this->turns === []) {
                throw SigningRefusal::NobodyAsked->because();
            }

            return $this->copy(status: RoundStatus::Out)->invite();
        }
        if ($this->status !== RoundStatus::Out) {
            throw SigningRefusal::RoundEnded->because(status: $this->status->value);
        }

        return match ($event->kind) {
            EventKind::Recalled => $this->copy(status: RoundStatus::Recalled, reason: (string) ($event->data['reason'] ?? '')),
            EventKind::Lapsed => $this->copy(status: RoundStatus::Lapsed),
            EventKind::SignedOnPaper => $this->signedOnPaper((array) ($event->data['seats'] ?? [])),
            EventKind::Replaced => $this->replaced((string) ($event->data['seat'] ?? '')),
            EventKind::Reminded,
            EventKind::Readdressed,
            EventKind::Extended,
            EventKind::Answered,
            EventKind::CodeSet => $this,
            default => throw SigningRefusal::OnlySigner->because(),
        };
    }

    /**
     * Those who signed with a pen are done, whoever's turn it was: what they began here does not count beside it.
     *
     * @param array<mixed> $seats
     */
    private function signedOnPaper(array $seats): self
    {
        $next = $this;
        foreach ($seats as $seat) {
            $standing = $next->signers[(string) $seat] ?? throw SigningRefusal::NotAsked->because();
            $standing !== SignerStatus::Finished || throw SigningRefusal::FinishedStays->because();
            $next = $next->with((string) $seat, SignerStatus::Finished)
                ->copy(made: $next->made->withoutSeat((string) $seat), onPaper: [...$next->onPaper, (string) $seat => true]);
        }

        return $next->onward();
    }

    /** Somebody else in a place begins anew: what the one before them chose and signed there does not count for them. */
    private function replaced(string $seat): self
    {
        $standing = $this->signers[$seat] ?? throw SigningRefusal::NotAsked->because();
        $standing !== SignerStatus::Finished || throw SigningRefusal::FinishedStays->because();

        return $this->with($seat, SignerStatus::Waiting)
            ->copy(
                made: $this->made->withoutSeat($seat),
                adopted: array_diff_key($this->adopted, [$seat => true]),
                added: array_diff_key($this->added, array_flip(array_column($this->turns[$seat]->asks, 'key'))),
            )
            ->invite();
    }

    private function refuseUnlessAsked(SignerStatus $standing): void
    {
        match ($this->status) {
            RoundStatus::Drafting => throw SigningRefusal::NotSent->because(),
            RoundStatus::Complete => throw SigningRefusal::EveryoneSigned->because(),
            RoundStatus::Declined => throw SigningRefusal::Declined->because(),
            RoundStatus::Recalled => throw SigningRefusal::Recalled->because(),
            RoundStatus::Lapsed => throw SigningRefusal::Lapsed->because(),
            RoundStatus::Out => null,
        };
        match ($standing) {
            SignerStatus::Waiting => throw SigningRefusal::NotYet->because(),
            SignerStatus::Finished => throw SigningRefusal::Finished->because(),
            default => null,
        };
    }

    private function consented(SignerStatus $standing): self
    {
        return $standing === SignerStatus::Consented ? $this : throw SigningRefusal::NotConsented->because();
    }

    private function adopted(string $seat, SignerStatus $standing): self
    {
        $this->consented($standing);
        if ($this->made->of($seat) !== []) {
            throw SigningRefusal::AdoptedForGood->because();
        }

        return $this->copy(adopted: [...$this->adopted, $seat => true]);
    }

    private function marked(string $seat, SignerStatus $standing, RoundEvent $event): self
    {
        $this->consented($standing);
        $act = $this->turns[$seat]->act((string) ($event->data['mark'] ?? '')) ?? throw SigningRefusal::NotTheirs->because();
        if (! isset($this->adopted[$seat])) {
            throw SigningRefusal::NotAdopted->because();
        }
        if (! $this->made->isAskedFor($act)) {
            throw SigningRefusal::NotChosen->because();
        }
        $value = $event->data['value'] ?? null;

        return $this->copy(made: $this->made->with($seat, $act, is_string($value) ? $value : null));
    }

    private function withPaper(string $seat, SignerStatus $standing, RoundEvent $event): self
    {
        $this->consented($standing);
        $ask = $this->turns[$seat]->ask((string) ($event->data['ask'] ?? '')) ?? throw SigningRefusal::NotTheirs->because();

        return $this->copy(added: [...$this->added, $ask->key => (string) ($event->data['name'] ?? '')]);
    }

    private function cleared(string $seat, SignerStatus $standing, string $key): self
    {
        $this->consented($standing);
        $act = $this->turns[$seat]->act($key) ?? throw SigningRefusal::NotTheirs->because();
        if (! $act->isEntered) {
            throw SigningRefusal::NotTakenBack->because();
        }

        return $this->copy(made: $this->made->without($seat, $key));
    }

    private function finished(string $seat, SignerStatus $standing): self
    {
        $this->turns[$seat]->part === Part::Signs && $this->consented($standing);
        $left = count($this->owes($seat));
        if ($left > 0) {
            throw $left === 1 ? SigningRefusal::PlaceLeft->because() : SigningRefusal::PlacesLeft->because(count: $left);
        }

        $missing = $this->missing($seat)[0] ?? null;
        if ($missing !== null) {
            throw SigningRefusal::PaperLeft->because(title: $missing->title);
        }

        return $this->with($seat, SignerStatus::Finished)->onward();
    }

    /** Complete once everyone has finished; until then whoever's turn it is now is asked. */
    private function onward(): self
    {
        $open = array_filter($this->signers, static fn (SignerStatus $status) => $status !== SignerStatus::Finished);

        return $open === [] ? $this->copy(status: RoundStatus::Complete) : $this->invite();
    }

    private function invite(): self
    {
        $signers = $this->signers;
        foreach ($this->turns as $seat => $turn) {
            if ($turn->turn === $this->currentTurn() && $signers[$seat] === SignerStatus::Waiting) {
                $signers[$seat] = SignerStatus::Invited;
            }
        }

        return $this->copy(signers: $signers);
    }

    private function with(string $seat, SignerStatus $status): self
    {
        return $this->copy(signers: [...$this->signers, $seat => $status]);
    }

    /**
     * @param array<string, SignerStatus>|null $signers
     * @param array<string, bool>|null $adopted
     * @param array<string, bool>|null $onPaper
     * @param array<string, string>|null $added
     */
    private function copy(
        ?RoundStatus $status = null,
        ?array $signers = null,
        ?ActsMade $made = null,
        ?array $adopted = null,
        ?string $reason = null,
        ?array $onPaper = null,
        ?array $added = null,
    ): self {
        return new self(
            $status ?? $this->status,
            $this->turns,
            $signers ?? $this->signers,
            $made ?? $this->made,
            $adopted ?? $this->adopted,
            $reason ?? $this->reason,
            $onPaper ?? $this->onPaper,
            $added ?? $this->added,
        );
    }
}
