<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\Assembly\Actions\KeepSet;
use App\History\History;
use App\Messages\Jobs\DeliverMessage;
use App\Messages\MessageFacts;
use App\Models\Message;
use App\Models\User;
use App\Papers\SelectedPapers;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Moment;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Messages\MessagePlan;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Messages\PlannedLetter;
use Unanimus\Messages\Recipient;
use Unanimus\Steps\StepRefused;

/** Sends a message, now or at a time: worded as its writer saw it then. */
final class SendMessage
{
    public function __construct(private readonly KeepSet $sets)
    {
    }

    /**
     * Pressed twice it goes out once.
     *
     * @param Carbon|null $at null: now
     *
     * @throws StepRefused when something is missing; the draft stays as it is
     */
    public function __invoke(Message $message, User $by, ?Carbon $at): void
    {
        DB::table('messages')->where('id', $message->id)->lockForUpdate()->value('id');
        $message->refresh();
        if (! $message->isDraft()) {
            return;
        }
        $at === null || MessagePlan::mustBeAhead($at, now()->toDateTimeImmutable());
        $file = $message->file;
        $papers = SelectedPapers::from($file, $message->papers);
        foreach ($papers as $paper) {
            $paper->isDraft() || $paper->latest !== null || throw PaperRefusal::NothingToPrint->because(title: $paper->title);
        }
        $plan = MessagePlan::of(
            $message->to(),
            $message->apart,
            $message->subject,
            $message->body,
            MessageFacts::of($file),
            MessageFacts::sender($file, $by),
            $message->as_link && $papers !== [],
        );
        $own = $file->represents->isBoth() ? $file->sideOf($by) : null;
        $side = $message->answers !== null ? $message->side : MessagePlan::side($file->kind, $own, $message->to());
        $message->update([
            'state' => 'waiting',
            'side' => $file->represents->isBoth() ? $side : null,
            'planned' => array_map(static fn (PlannedLetter $letter) => [
                'to' => array_map(static fn (Recipient $one) => $one->toArray(), $letter->to),
                'subject' => $letter->subject,
                'body' => $letter->body,
            ], $plan->letters),
            'send_at' => $at ?? now(),
            'set_id' => $message->as_link && $papers !== [] ? $this->sets->begin($file, $papers, new \Unanimus\Pages\SetOptions(), $by)
                ->id : null,
            'held_because' => '',
        ]);
        $told = [
            'subject' => $plan->letters[0]->subject,
            'to' => implode(', ', array_map(static fn (Recipient $one) => $one->name, $message->to())),
            'papers' => implode(', ', array_map(static fn ($paper) => $paper->title, $papers)),
            'at' => $at === null ? '' : Moment::sentence($at, $file->office->zone),
        ];
        History::add(
            $file->brokerage_id,
            $file->id,
            $at === null ? 'Message sent' : 'Message set to go out',
            array_filter($told, static fn (string $value) => $value !== ''),
            SeenBy::side($message->side),
        );
        $at === null && DeliverMessage::begin($message->brokerage_id, $message->id);
    }

    /** Takes one back that has not gone out yet: it is a draft again. */
    public function stop(Message $message): void
    {
        DB::table('messages')->where('id', $message->id)->lockForUpdate()->value('id');
        $message->refresh();
        $message->state === 'waiting' || throw MessageRefusal::SentMeanwhile->because();
        $message->letters()->exists() && throw MessageRefusal::SentMeanwhile->because();
        $message->update(['state' => 'draft', 'send_at' => null, 'planned' => []]);
        $told = ['subject' => $message->subject];
        History::add($message->brokerage_id, $message->deal_file_id, 'Message taken back', $told, SeenBy::side($message->side));
    }
}
