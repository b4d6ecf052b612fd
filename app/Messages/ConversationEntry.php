<?php

declare(strict_types=1);

namespace App\Messages;

use App\Models\InboundItem;
use App\Models\Letter;
use App\Models\Message;
use Illuminate\Support\Carbon;
use Unanimus\Messages\Recipient;

/** One letter or note of a file, as its conversation shows it. */
final readonly class ConversationEntry
{
    /**
     * @param string $kind sent, waiting, note, received
     * @param list<string> $readBy
     * @param list<string> $carries names of papers that went or came with it
     * @param string $trouble what went wrong with it, in words
     */
    private function __construct(
        public string $kind,
        public string $path,
        public string $who,
        public string $to,
        public string $subject,
        public string $words,
        public Carbon $at,
        public array $readBy,
        public bool $isNew,
        public array $carries,
        public string $trouble,
        public bool $isByItself,
    ) {
    }

    /** @param  list<string>  $readBy */
    public static function written(Message $message, array $readBy): self
    {
        $back = $message->letters->filter(static fn (Letter $letter) => $letter->returned_at !== null);

        return new self(
            match (true) {
                $message->kind === 'note' => 'note',
                $message->state === 'waiting' => 'waiting',
                default => 'sent',
            },
            "messages/{$message->key}",
            $message->writer->name ?? 'Automatic email',
            implode(', ', array_map(static fn (Recipient $one) => $one->name, $message->to())),
            $message->planned()[0]->subject ?? $message->subject,
            self::shortened($message->planned()[0]->body ?? $message->body),
            $message->sent_at ?? $message->send_at ?? $message->created_at,
            $readBy,
            false,
            $message->papers === [] ? [] : [count($message->papers) === 1 ? '1 document' : count($message->papers).' documents'],
            $back->isEmpty() ? '' : 'Came back from '.$back->map(static fn (Letter $letter) => $letter->recipient)->join(', ').'.',
            $message->letter_rule_id !== null,
        );
    }

    /** @param  list<string>  $readBy */
    public static function received(InboundItem $item, array $readBy, bool $isNew): self
    {
        return new self(
            'received',
            "mail/{$item->key}",
            $item->sender,
            '',
            $item->subject ?: '(no subject)',
            self::shortened($item->body),
            $item->received_at,
            $readBy,
            $isNew,
            array_column($item->papers(), 'name'),
            $item->speaks_of_wiring ? 'It speaks of wiring instructions: call before you act on it.' : '',
            $item->is_auto,
        );
    }

    private static function shortened(string $text): string
    {
        return mb_strimwidth(trim((string) preg_replace('/\s+/u', ' ', $text)), 0, 180, '…');
    }
}
