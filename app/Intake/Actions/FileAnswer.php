<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\History\History;
use App\Models\InboundItem;
use App\Models\Letter;
use App\Models\Message;
use Illuminate\Support\Str;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\ReceivedMail;
use Unanimus\Messages\Recipient;

/**
 * Files an answer to a message where the message was written. Only what comes from the address it was written to, and names the
 * identifier that only its reader has, goes there by itself; papers that come along are sorted in the inbox as any.
 */
final class FileAnswer
{
    /** The email of ours that a letter answers; null: none. */
    public function letter(ReceivedMail $mail): ?Letter
    {
        $hashes = array_filter(
            array_map(static fn (string $id) => Str::before($id, '@'), array_slice($mail->answers, 0, 20)),
            static fn (string $hash) => preg_match('/^[0-9a-f]{64}$/', $hash) === 1,
        );

        return $hashes === [] ? null : Letter::query()
            ->whereNotNull('message_id')
            ->whereRaw("encode(sha256(convert_to(once_key, 'UTF8')), 'hex') IN (".implode(',', array_fill(0, count($hashes), '?')).')', [
                ...array_values($hashes),
            ])
            ->orderByDesc('id')
            ->first();
    }

    public function file(InboundItem $item, ?Letter $letter, ReceivedMail $mail): void
    {
        $message = $letter?->message_id === null ? null : Message::query()->with('file')->find($letter->message_id);
        if ($message === null || $letter === null || $mail->auto || ! self::isFromReader($letter, $mail)) {
            return;
        }
        $hasPapers = $item->papers() !== [];
        $item->update([
            'guessed_file' => $message->deal_file_id,
            'guessed_by' => 'it answers a message of this file',
            'sure' => 1,
            'filed_side' => $message->side,
            ...$hasPapers ? [] : ['filed_into' => $message->deal_file_id, 'settled_at' => now()],
        ]);
        $hasPapers || History::add(
            $item->brokerage_id,
            $message->deal_file_id,
            'Answer came in',
            ['from' => $item->sender, 'subject' => $item->subject],
            SeenBy::side($message->side),
        );
    }

    private static function isFromReader(Letter $letter, ReceivedMail $mail): bool
    {
        $from = mb_strtolower(Recipient::typed($mail->sender)[0]->address ?? '');
        $readers = [$letter->recipient, ...array_column($letter->others, 'address')];

        return in_array($from, array_map(mb_strtolower(...), $readers), true);
    }
}
