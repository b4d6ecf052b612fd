<?php

declare(strict_types=1);

namespace App\Mail\Jobs;

use App\Access\Sight;
use App\Mail\Models\Letter;
use App\Papers\Bytes;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Mail;

/** Sends one letter. The row is locked while it goes out, so two workers send it once; its Message-ID never changes. */
final class SendLetter implements ShouldQueue
{
    use Queueable;

    public int $tries = 10;

    /** @var list<int> */
    public array $backoff = [5, 30, 60, 300, 900, 3600];

    public function __construct(private readonly int $brokerageId, private readonly int $letterId)
    {
    }

    public function handle(Bytes $bytes): void
    {
        Sight::within($this->brokerageId, function () use ($bytes): void {
            $letter = Letter::query()->lockForUpdate()->find($this->letterId);
            if ($letter === null || $letter->sent_at !== null) {
                return;
            }
            Mail::send(['html' => 'mail.letter', 'text' => 'mail.letter-text'], ['letter' => $letter], static function (Message $message) use ($letter, $bytes): void {
                $message->to($letter->recipient, $letter->recipient_name)->subject($letter->subject);
                $message->getHeaders()->addIdHeader('Message-ID', hash('sha256', $letter->once_key).'@'.parse_url((string) config('app.url'), PHP_URL_HOST));
                $letter->attachment !== null && $message->attachData($bytes->read($letter->attachment), (string) $letter->attachment_name, ['mime' => 'application/pdf']);
            });
            $letter->update(['sent_at' => now()]);
        });
    }
}
