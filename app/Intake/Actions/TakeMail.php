<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Intake\RawMail;
use App\Mail\NoteReturned;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Storage\Bytes;

/** Takes a message into a brokerage's inbox; the same message twice is one. */
final class TakeMail
{
    public function __construct(private readonly Bytes $bytes, private readonly NoteReturned $returned)
    {
    }

    public function __invoke(int $brokerageId, string $raw): void
    {
        $mail = RawMail::read($raw);
        Sight::within($brokerageId, function () use ($brokerageId, $mail, $raw): void {
            // What tells that a letter of ours came back belongs to that letter, not into the inbox.
            if ($mail->report !== null && ($this->returned)($mail->report)) {
                return;
            }
            $attachments = array_map(
                fn (array $part) => [
                    'name' => $part['name'],
                    'sha256' => $this->bytes->keep($brokerageId, $part['bytes'], 'application/octet-stream'),
                    'size' => strlen($part['bytes']),
                ],
                $mail->attachments,
            );
            InboundItem::query()->firstOrCreate(
                ['brokerage_id' => $brokerageId, 'message_id' => $mail->messageId],
                [
                    'sender' => $mail->sender,
                    'subject' => $mail->subject,
                    'body' => mb_strimwidth($mail->text, 0, 20000),
                    'attachments' => $attachments,
                    'sha256' => $this->bytes->keep($brokerageId, $raw, 'message/rfc822'),
                    'received_at' => now(),
                ],
            );
        });
    }
}
