<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Event;
use App\Models\Round;
use App\Models\Signer;
use App\Models\SigningMark;
use Unanimus\Dates\Moment;
use Unanimus\Pages\Drawing;
use Unanimus\Signing\DateLook;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\MarkDrawing;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

/** What stands at the places of a round, on the screen and in the sealed set alike. */
final readonly class MarkWords
{
    private ?RoundState $state;

    /** @param  Round  $round  with its signers, marks and events */
    public function __construct(private Round $round)
    {
        $this->state = $round->status === RoundStatus::Drafting ? null : $round->state();
    }

    /** Whether something stands there: made by its signer, come with their finishing, or entered by the sender. */
    public function stands(SigningMark $mark): bool
    {
        // On the scan of a signed paper stands what its signers made, and what the sender had entered before it was printed.
        $onPaper = $this->state->onPaper ?? [];
        if ($mark->terms()->filled !== null || isset($onPaper[$mark->seat])) {
            return $onPaper === [];
        }
        if ($mark->kind->isAutomatic()) {
            return $this->signer($mark)?->status === SignerStatus::Finished;
        }

        return $this->state?->made->stands($mark->key) ?? false;
    }

    /** Draws what stands there; nothing where nothing does. */
    public function draw(Drawing $drawing, SigningMark $mark): void
    {
        $this->stands($mark) &&
            MarkDrawing::on($drawing, $mark->kind, $mark->place(), $this->signer($mark)?->signature(), $this->text($mark));
    }

    /** When a signer did something for the last time; null when they did not. */
    public function when(string $seat, EventKind $kind): ?\DateTimeInterface
    {
        return $this->round->events->last(static fn (Event $event) => $event->seat === $seat && $event->kind === $kind->value)?->at;
    }

    private function text(SigningMark $mark): string
    {
        $signer = $this->signer($mark);

        return match ($mark->kind) {
            MarkKind::Date => $this->day($mark->seat),
            MarkKind::Time => $this->time($mark->seat),
            MarkKind::Moment => $this->day($mark->seat, true),
            MarkKind::Name => $signer?->signature()->name ?? '',
            MarkKind::Capacity => $signer->capacity ?? '',
            MarkKind::Company => $signer->company ?? '',
            MarkKind::Text => $mark->terms()->filled ?? ($this->state->made->values[$mark->key] ?? ''),
            default => '',
        };
    }

    private function day(string $seat, bool $withTime = false): string
    {
        $at = $this->when($seat, EventKind::Finished);
        $look = DateLook::of($this->round->date_look);
        $look = $withTime ? DateLook::of("{$look->form}+time") : $look;

        return $at === null ? '' : $look->text($at, $this->round->file->office->timeZone());
    }

    private function time(string $seat): string
    {
        $at = $this->when($seat, EventKind::Finished);
        $zone = $this->round->file->office->zone;

        return $at === null ? '' : Moment::time($at, $zone).' '.Moment::zone($at, $zone);
    }

    private function signer(SigningMark $mark): ?Signer
    {
        return $this->round->signers->firstWhere('seat', $mark->seat);
    }
}
