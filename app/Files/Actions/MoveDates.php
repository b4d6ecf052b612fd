<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Agenda;
use App\History\History;
use App\Models\DealFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\DateRefusal;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Shift;
use Unanimus\Files\DealStatus;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Term;

/** Moves anchors and single dates; what moves with them is known before it moves. */
final class MoveDates
{
    public function __construct(private readonly SetFact $setFact)
    {
    }

    /** Whether moving the anchor is asked about first: it stands already, and the contract binds it. */
    public static function isAskedFirst(DealFile $file, string $name): bool
    {
        return $file->status === DealStatus::UnderContract &&
            in_array(Term::tryFrom($name), Term::anchors(), true) &&
            $file->knownFacts()->where('name', $name)->exists();
    }

    /**
     * What moving an anchor would shift.
     *
     * @throws StepRefused when it is no anchor of a file
     */
    public static function preview(DealFile $file, string $name, LocalDate $day): Shift
    {
        $term = self::anchor($name);
        $now = Agenda::of($file);

        return Shift::between(
            $now->deadlines,
            $now->moved($file, [$name => $day])->deadlines,
            [$name => ['label' => $term->label(), 'day' => $day]],
            $file->office->calendar(),
            $now->today,
        );
    }

    /**
     * @param string|null $seen the day, as kept, that stood when it was asked about; null: nobody was asked
     *
     * @throws StepRefused when the contract is made and no reason is given, it is no anchor, or someone has moved it meanwhile
     */
    public function move(DealFile $file, string $name, LocalDate $day, string $reason, ?string $seen = null): void
    {
        $this->lock($file);
        $term = self::anchor($name);
        $reason = trim($reason);
        if ($reason === '' && self::isAskedFirst($file, $name)) {
            throw DateRefusal::NoReasonUnderContract->because();
        }
        $before = Agenda::of($file);
        $stands = ($before->anchors[$name]['day'] ?? null)?->iso() ?? '';
        if ($seen !== null && $seen !== $stands && $stands !== $day->iso()) {
            $who = $file->knownFacts->firstWhere('name', $name)->user->name ?? 'Someone';
            $did = $stands === '' ? 'removed this date' : 'moved it to '.LocalDate::parse($stands, $before->today)->long();
            throw DateRefusal::ChangedMeanwhile->because(who: $who, did: $did);
        }
        $shift = self::preview($file, $name, $day);
        ($this->setFact)($file, $name, $day->iso());
        History::add(
            $file->brokerage_id,
            $file->id,
            'Dates moved',
            array_filter([
                'anchor' => $term->label(),
                'from' => $stands,
                'to' => $day->iso(),
                'reason' => $reason,
                'with it' => implode(
                    ', ',
                    array_map(static fn (array $move) => $move['label'].' '.($move['to']?->iso() ?? 'gone'), $shift->moves),
                ),
            ]),
            SeenBy::everyone(),
        );
    }

    /** @throws StepRefused when there is no such deadline, no reason, or the day cannot be read */
    public function setByHand(DealFile $file, string $name, string $typed, string $reason): void
    {
        $this->lock($file);
        $deadline = Agenda::of($file)->deadline($name) ?? throw DateRefusal::NoSuchDeadline->because();
        $reason = trim($reason);
        if ($reason === '') {
            throw DateRefusal::NoReason->because();
        }
        try {
            $day = LocalDate::parse($typed, $file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable, 'The date stays as it is.');
        }
        $file
            ->knownFacts()
            ->updateOrCreate(
                ['name' => "day.{$name}"],
                [
                    'brokerage_id' => $file->brokerage_id,
                    'value' => $day->iso(),
                    'source' => mb_substr($reason, 0, 300),
                    'stored_at' => now(),
                    'user_id' => Auth::id(),
                ],
            );
        History::add(
            $file->brokerage_id,
            $file->id,
            'Date set by hand',
            ['deadline' => $deadline->label, 'from' => $deadline->due->iso(), 'to' => $day->iso(), 'reason' => $reason],
            SeenBy::everyone(),
        );
    }

    /** @throws StepRefused when it was not set by hand */
    public function bringBack(DealFile $file, string $name): void
    {
        $this->lock($file);
        $deadline = Agenda::of($file)->deadline($name);
        $known =
            $file
                ->knownFacts()
                ->where('name', "day.{$name}")
                ->first() ?? throw DateRefusal::FollowsTheContract->because();
        $known->delete();
        History::add(
            $file->brokerage_id,
            $file->id,
            'Date follows its rule again',
            ['deadline' => $deadline->label ?? $name, 'from' => $known->value, 'to' => $deadline?->computed?->iso() ?? ''],
            SeenBy::everyone(),
        );
    }

    /** One after the other, and each from what stands then, so that the history says what was changed and not what a page once showed. */
    private function lock(DealFile $file): void
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $file->refresh()->load(['office', 'knownFacts', 'kits']);
    }

    private static function anchor(string $name): Term
    {
        $term = Term::tryFrom($name);

        return $term !== null && in_array($term, Term::anchors(), true)
            ? $term
            : throw DateRefusal::NothingCountsFromIt->because();
    }
}
