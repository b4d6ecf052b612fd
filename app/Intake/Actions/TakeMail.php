<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Intake\GuessFile;
use App\Mail\NoteReturned;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Storage\Bytes;
use Unanimus\Intake\MailPart;
use Unanimus\Intake\MailReader;
use Unanimus\Intake\ReceivedMail;

/** Takes a message into a brokerage's inbox, the original first; the same message twice is one. */
final class TakeMail
{
    public function __construct(
        private readonly Bytes $bytes,
        private readonly NoteReturned $returned,
        private readonly GuessFile $guess,
    ) {
    }

    public function __invoke(int $brokerageId, string $raw): void
    {
        $original = Sight::within($brokerageId, fn (): string => $this->bytes->keep($brokerageId, $raw, 'message/rfc822'));
        $mail = MailReader::read($raw, (array) config('unanimus.intake.servers'));
        Sight::within($brokerageId, function () use ($brokerageId, $mail, $original): void {
            // What tells that a letter of ours came back belongs to that letter, not into the inbox.
            if ($mail->report !== null && ($this->returned)($mail->report)) {
                return;
            }
            $known = InboundItem::query()->where(['brokerage_id' => $brokerageId, 'message_id' => $mail->messageId])->exists();
            $known || $this->keep($brokerageId, $mail, $original);
        });
    }

    private function keep(int $brokerageId, ReceivedMail $mail, string $original): void
    {
        $attachments = array_map(
            fn (MailPart $part) => [
                'name' => $part->name,
                'sha256' => $this->bytes->keep($brokerageId, $part->bytes, 'application/octet-stream'),
                'size' => strlen($part->bytes),
                'type' => $part->type,
                'paper' => $part->paper,
            ],
            $mail->attachments,
        );
        $papers = array_filter($attachments, static fn (array $one) => $one['paper']);
        $guess = $mail->auto ? null : ($this->guess)($brokerageId, $mail, array_values(array_column($papers, 'sha256')));
        InboundItem::query()->firstOrCreate(
            ['brokerage_id' => $brokerageId, 'message_id' => $mail->messageId],
            [
                'sender' => $mail->sender,
                'recipients' => [...$mail->to, ...$mail->cc],
                'subject' => $mail->subject,
                'body' => mb_strimwidth($mail->text, 0, 20000),
                'attachments' => $attachments,
                'sha256' => $original,
                'written_at' => $mail->date,
                'received_at' => now(),
                'proof' => $mail->proof->toArray(),
                'is_auto' => $mail->auto,
                'speaks_of_wiring' => $mail->speaksOfWiring(),
                'guessed_file' => $guess?->file,
                'guessed_by' => $guess->why ?? '',
                'sure' => $guess->sure ?? 0,
            ],
        );
    }
}
