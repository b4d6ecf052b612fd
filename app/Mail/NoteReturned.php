<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\ClientPage;
use App\Models\FillRequest;
use App\Models\Letter;
use App\Models\Message;
use App\Models\PaperRequest;
use App\Models\ReadingCopy;
use App\Models\Signer;
use App\Models\WorkingCopy;
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
            [$kind, $key] = explode(' ', (string) $letter->action, 2) + [1 => ''];
            $signer = $kind === 'signer' ? Signer::query()->with(['round.file', 'round.sender'])->where('key', $key)->first() : null;
            $message = $letter->message_id === null ? null : Message::query()->with(['file', 'writer'])->find($letter->message_id);
            $message?->writer === null || Post::messageHeld(
                $message->file,
                $message->writer,
                $message,
                (string) __('mail.message.came_back', ['address' => $report->recipient ?: $letter->recipient, 'why' => $report->because]),
            );
            $signer === null || Post::cameBack($signer->round, $signer, $letter, $report->because);
            $this->tellGiver($kind, $key, $letter, $report->because);
        }

        return true;
    }

    /** Whoever gave somebody another link is told that its email came back. */
    private function tellGiver(string $kind, string $key, Letter $letter, string $because): void
    {
        $given = match ($kind) {
            'fill' => FillRequest::query()->with(['file', 'asker'])->where('key', $key)->first(),
            'bring' => PaperRequest::query()->with(['file', 'asker'])->where('key', $key)->first(),
            'read' => ReadingCopy::query()->with(['file', 'giver'])->where('key', $key)->first(),
            'work' => WorkingCopy::query()->with(['file', 'giver'])->where('key', $key)->first(),
            'client' => ClientPage::query()->with(['file', 'agent'])->where('key', $key)->first(),
            default => null,
        };
        if ($given === null) {
            return;
        }
        $giver = match (true) {
            $given instanceof ClientPage => $given->agent,
            $given instanceof FillRequest, $given instanceof PaperRequest => $given->asker,
            default => $given->giver,
        };
        $about = ['name' => $letter->recipient_name, 'address' => $letter->recipient, 'why' => $because, 'file' => $given->file->name];
        Post::ofFile(
            $given->file,
            "back:{$letter->id}",
            Addressee::user($giver),
            Wording::of('link_back', $about),
            match ($kind) {
                'fill' => "/files/{$given->file->key}/fill-requests",
                'bring' => "/files/{$given->file->key}/ask-for",
                default => "/files/{$given->file->key}",
            },
        );
    }
}
