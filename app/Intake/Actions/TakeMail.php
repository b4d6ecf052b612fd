<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Intake\GuessFile;
use App\Mail\NoteReturned;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Models\User;
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
        private readonly LayOut $lay,
        private readonly FileAnswer $answered,
    ) {
    }

    public function __invoke(int $brokerageId, string $raw): void
    {
        $original = Sight::within($brokerageId, fn (): string => $this->bytes->keep($brokerageId, $raw, 'message/rfc822'));
        $mail = MailReader::read($raw, (array) config('unanimus.intake.servers'));
        $known = Sight::within($brokerageId, function () use ($brokerageId, $mail): bool {
            // What tells that a letter of ours came back belongs to that letter, not into the inbox.
            return ($mail->report !== null && ($this->returned)($mail->report)) ||
                InboundItem::query()->where(['brokerage_id' => $brokerageId, 'message_id' => $mail->messageId])->exists();
        });
        if ($known) {
            return;
        }
        $attachments = Sight::within($brokerageId, fn (): array => $this->attachments($brokerageId, $mail));
        $papers = array_filter($attachments, static fn (array $one) => $one['paper']);
        // Between the transactions: a paper's words are read by a program that takes its time.
        $pages = $mail->auto ? '' : $this->guess->pages(array_values(array_column($papers, 'sha256')));
        Sight::within($brokerageId, fn () => $this->keep($brokerageId, $mail, $original, $attachments, $pages));
    }

    /** @return list<array{name: string, sha256: string, size: int, type: string, paper: bool}> what came along, kept */
    private function attachments(int $brokerageId, ReceivedMail $mail): array
    {
        return array_map(
            fn (MailPart $part) => [
                'name' => $part->name,
                'sha256' => $this->bytes->keep($brokerageId, $part->bytes, 'application/octet-stream'),
                'size' => strlen($part->bytes),
                'type' => $part->type,
                'paper' => $part->paper,
            ],
            $mail->attachments,
        );
    }

    /** Whose own address it was sent to. */
    private static function whose(int $brokerageId, ReceivedMail $mail): ?int
    {
        $codes = $mail->codes();
        $id = $codes === [] ? null : User::query()
            ->where('brokerage_id', $brokerageId)
            ->where('guest', false)
            ->whereIn('mail_code', $codes)
            ->value('id');

        return $id === null ? null : (int) $id;
    }

    /** @param  list<array{name: string, sha256: string, size: int, type: string, paper: bool}>  $attachments */
    private function keep(int $brokerageId, ReceivedMail $mail, string $original, array $attachments, string $pages): void
    {
        $guess = $mail->auto ? null : ($this->guess)($brokerageId, $mail, $pages);
        $answered = $this->answered->letter($mail);
        $item = InboundItem::query()->firstOrCreate(
            ['brokerage_id' => $brokerageId, 'message_id' => $mail->messageId],
            [
                'for_user' => self::whose($brokerageId, $mail),
                'sender' => $mail->sender,
                'recipients' => $mail->recipients(),
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
                'names_before' => array_reverse($mail->answers),
                'answers_letter' => $answered?->id,
                'answers_message' => $answered?->message_id,
            ],
        );
        if ($item->wasRecentlyCreated) {
            $this->answered->file($item, $answered, $mail);
            $this->lay->ahead($item);
        }
    }
}
