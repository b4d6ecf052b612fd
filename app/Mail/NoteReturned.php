<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Letter;
use App\Models\Message;
use App\Models\Signer;
use Illuminate\Support\Str;
use Unanimus\Intake\DeliveryReport;

/** Notes that a letter came back, and tells whoever sent what it was about. */
final class NoteReturned
{
    private const DAYS = 60;

    /** @return bool whether it was one of ours */
    public function __invoke(DeliveryReport $report): bool
    {
        $letter = Letter::query()
            ->where('created_at', '>', now()->subDays(self::DAYS))
            ->whereRaw("encode(sha256(convert_to(once_key, 'UTF8')), 'hex') = ?", [Str::before($report->messageId, '@')])
            ->lockForUpdate()
            ->first();
        if ($letter === null) {
            return false;
        }
        if ($letter->returned_at === null) {
            $letter->update(['returned_at' => now(), 'returned_because' => $report->because]);
            $signer = str_starts_with((string) $letter->action, 'signer ')
                ? Signer::query()->with(['round.file', 'round.sender'])->where('key', substr((string) $letter->action, 7))->first()
                : null;
            $message = $letter->message_id === null ? null : Message::query()->with(['file', 'writer'])->find($letter->message_id);
            $message?->writer === null || Post::messageHeld(
                $message->file,
                $message->writer,
                $message,
                (string) __('mail.message.came_back', ['address' => $report->recipient ?: $letter->recipient, 'why' => $report->because]),
            );
            $signer === null || Post::cameBack($signer->round, $signer, $letter, $report->because);
        }

        return true;
    }
}
