<?php

declare(strict_types=1);

namespace App\Messages\Jobs;

use App\Assembly\Actions\KeepReadingCopy;
use App\Assembly\Actions\KeepSet;
use App\Files\MailAddress;
use App\Mail\Post;
use App\Models\AssembledSet;
use App\Models\Message;
use App\Models\Sight;
use App\Models\User;
use App\Papers\PaperPrint;
use App\Papers\SelectedPapers;
use App\Storage\Bytes;
use App\Work\Work;
use Illuminate\Support\Facades\DB;
use Unanimus\Messages\MessagePlan;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Messages\PlannedLetter;
use Unanimus\Messages\Recipient;
use Unanimus\Messages\Threading;
use Unanimus\Steps\StepRefused;

/**
 * Puts the letters of a message, with its papers; killed and begun again it puts none twice. What keeps it back is told to its
 * writer, and it is a draft again.
 */
final class DeliverMessage extends Work
{
    public const KIND = 'messages';

    /** Its worker stops it before (scripts/templates/supervisor.conf). */
    protected const RUNS = 2;

    /** Days for which a link to papers stays open. */
    private const DAYS = 60;

    public int $timeout = 600;

    protected function work(): void
    {
        try {
            $attached = $this->attached();
            Sight::within($this->brokerageId, fn () => $this->put($attached));
        } catch (StepRefused $refused) {
            Sight::within($this->brokerageId, function () use ($refused): void {
                $message = $this->due();
                $message?->update(['state' => 'draft', 'send_at' => null, 'held_because' => $refused->getMessage()]);
                $message?->writer === null || Post::messageHeld($message->file, $message->writer, $message, $refused->getMessage());
            });
        }
    }

    /**
     * The papers as PDFs, kept: made before anything is locked.
     *
     * @return list<array{sha256: string, name: string}>
     *
     * @throws StepRefused when they are too large for a letter, or one is not there any more
     */
    private function attached(): array
    {
        $message = Sight::within($this->brokerageId, fn (): ?Message => $this->due());
        if ($message === null) {
            return [];
        }
        if ($message->set_id !== null) {
            app(KeepSet::class)->work($this->brokerageId, $message->set_id);

            return [];
        }

        return Sight::within($this->brokerageId, function () use ($message): array {
            // Drafts are printed as their writer sees them: what is the other side's own does not stand on them.
            $message->writer === null || Sight::ofPerson($message->writer);
            $size = 0;
            $attached = [];
            foreach (SelectedPapers::from($message->file, $message->papers) as $paper) {
                $pdf = app(PaperPrint::class)->of($paper);
                $size += strlen($pdf);
                $size > MessagePlan::MOST_BYTES && throw MessageRefusal::TooLarge->because();
                $name = trim((string) preg_replace('/[^\p{L}\p{N} ._-]+/u', ' ', $paper->title)) ?: 'Document';
                $attached[] = ['sha256' => app(Bytes::class)->keep($this->brokerageId, $pdf, 'application/pdf'), 'name' => "{$name}.pdf"];
            }

            return $attached;
        });
    }

    /** @param  list<array{sha256: string, name: string}>  $attached */
    private function put(array $attached): void
    {
        DB::table('messages')->where('id', $this->thing)->lockForUpdate()->value('id');
        $message = $this->due();
        if ($message === null) {
            return;
        }
        $writer = $message->writer;
        $writer === null || $writer->active || throw MessageRefusal::SenderLeft->because(name: $writer->name);
        $before = $message->answered;
        $references = $before === null ? [] : Threading::references($before->names_before, $before->message_id);
        $planned = $message->planned();
        foreach ($planned as $index => $letter) {
            Post::message($message->file, "message:{$message->key}:{$index}", array_map(
                static fn (Recipient $one) => $one->toArray(),
                $letter->to,
            ), $letter->subject, $letter->body, [
                'message_id' => $message->id,
                'more_attached' => $attached,
                'reply_to' => MailAddress::of($message->file),
                'sender_name' => $writer?->name,
                'in_reply_to' => $before?->message_id,
                'reference_ids' => $references === [] ? null : implode(' ', array_map(static fn (string $id) => "<{$id}>", $references)),
                'no_more' => $message->letter_rule_id === null ? null : $letter->to[0]->address,
                ...$this->link($message, $letter, $writer),
            ]);
        }
        $message->update(['state' => 'sent', 'sent_at' => now()]);
    }

    /** @return array{action?: string, action_label?: string} the button that opens the papers */
    private function link(Message $message, PlannedLetter $letter, ?User $writer): array
    {
        $set = $message->set_id === null ? null : AssembledSet::query()->findOrFail($message->set_id);
        if ($set === null || $writer === null) {
            return [];
        }
        $copy = app(KeepReadingCopy::class)->give(
            $set->setRelation('file', $message->file),
            $letter->to[0]->name,
            '',
            $message->file->office->today()->plusDays(self::DAYS),
            '',
            $writer,
        );

        return ['action' => "read {$copy->key}", 'action_label' => (string) __('mail.message.read')];
    }

    private function due(): ?Message
    {
        return Message::query()
            ->with(['file.office', 'writer', 'answered'])
            ->where('state', 'waiting')
            ->where('send_at', '<=', now())
            ->find($this->thing);
    }
}
