<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\Files\MailAddress;
use App\History\History;
use App\Models\DealFile;
use App\Models\FormLetter;
use App\Models\InboundItem;
use App\Models\Message;
use App\Models\Paper;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Messages\Recipient;
use Unanimus\Messages\Threading;
use Unanimus\Steps\StepRefused;

/** Keeps what someone writes in a file, as they write it: letters until they are sent, notes at once. */
final class WriteMessage
{
    /** @param  list<Recipient>  $to */
    public function begin(DealFile $file, User $by, array $to, ?FormLetter $letter = null): Message
    {
        $new = new Message([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => $file->represents->isBoth() ? $file->sideOf($by) : null,
            'user_id' => $by->id,
            'recipients' => array_map(static fn (Recipient $one) => $one->toArray(), $to),
            'subject' => $letter->subject ?? '',
            'body' => self::signed($letter->body ?? '', $by),
        ]);
        // Begun twice by a double press it is one: a draft in which nothing was written yet.
        $begun = Message::query()
            ->where(['deal_file_id' => $file->id, 'user_id' => $by->id, 'state' => 'draft', 'answers' => null])
            ->where($new->only(['subject', 'body']))
            ->where('created_at', '>', now()->subMinute())
            ->orderByDesc('id')
            ->first();
        if ($begun !== null && $begun->recipients == $new->recipients) {
            return $begun;
        }
        $new->save();

        return $new;
    }

    /** An answer to a letter that came in; begun twice it is one draft. */
    public function answer(DealFile $file, InboundItem $item, User $by): Message
    {
        $begun = Message::query()->where(['answers' => $item->id, 'user_id' => $by->id, 'state' => 'draft'])->first();
        if ($begun !== null) {
            return $begun;
        }
        $sender = Recipient::typed($item->sender)[0] ?? new Recipient($item->sender, $item->sender);
        $known = $file->parties->first(static fn ($party) => mb_strtolower((string) $party->email) === mb_strtolower($sender->address));
        $message = $this->begin($file, $by, [new Recipient($known->name ?? $sender->name, $sender->address, $known?->seat()
            ->__toString())]);
        $message->update([
            'answers' => $item->id,
            'subject' => Threading::subject($item->subject),
            'side' => $item->filed_side ?? $message->side,
        ]);

        return $message;
    }

    /** Notes in which window a draft is written now: an older one writes nothing over what is written there. */
    public function open(Message $message): string
    {
        $message->update(['opened_in' => bin2hex(random_bytes(6))]);

        return $message->opened_in;
    }

    /**
     * Keeps a draft as it is typed.
     *
     * @param string $window in which it was typed; empty: not known
     * @param array{subject?: string, body?: string, recipients?: list<Recipient>, apart?: bool, papers?: list<string>,
         as_link?: bool} $typed
     *
     * @throws StepRefused when it was sent meanwhile, or opened in another window since
     */
    public function keep(Message $message, array $typed, string $window = ''): void
    {
        $this->lock($message);
        $window === '' || $window === $message->opened_in || throw MessageRefusal::OpenElsewhere->because();
        if (isset($typed['recipients'])) {
            $typed['recipients'] = array_map(static fn (Recipient $one) => $one->toArray(), $typed['recipients']);
        }
        $message->update([...$typed, 'held_because' => '']);
    }

    /** Puts a form letter into a draft: beneath what was typed already, and above the signature. */
    public function take(Message $message, FormLetter $letter, User $by): void
    {
        $this->lock($message);
        $typed = trim(str_replace(trim((string) $by->letter_signature), '', $message->body));
        $message->update([
            'subject' => trim($message->subject) === '' ? $letter->subject : $message->subject,
            'body' => self::signed(trim("{$typed}\n\n{$letter->body}"), $by),
        ]);
    }

    /** A document goes with a draft. */
    public function enclose(Message $message, Paper $paper): void
    {
        $this->lock($message);
        $message->update(['papers' => array_values(array_unique([...$message->refresh()->papers, $paper->key]))]);
    }

    /** Lets a draft go. */
    public function drop(Message $message): void
    {
        $this->lock($message);
        $message->delete();
    }

    /** Something colleagues should know; it goes to nobody. @throws StepRefused when it says nothing */
    public function note(DealFile $file, User $by, string $text): Message
    {
        trim($text) === '' && throw MessageRefusal::NoWords->because();
        $side = $file->represents->isBoth() ? $file->sideOf($by) : null;
        // Pressed twice it is one.
        $same = Message::query()
            ->where(['deal_file_id' => $file->id, 'user_id' => $by->id, 'kind' => 'note', 'body' => trim($text)])
            ->where('created_at', '>', now()->subMinute())
            ->first();
        if ($same !== null) {
            return $same;
        }
        $note = Message::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => $side,
            'user_id' => $by->id,
            'kind' => 'note',
            'state' => 'sent',
            'body' => trim($text),
            'sent_at' => now(),
        ]);
        History::add($file->brokerage_id, $file->id, 'Note written', ['note' => mb_strimwidth(trim($text), 0, 160, '…')],
            SeenBy::side($side));

        return $note;
    }

    /** The address to which answers come back into the file. */
    public static function answersTo(DealFile $file): string
    {
        return MailAddress::of($file);
    }

    private static function signed(string $body, User $by): string
    {
        $signature = trim((string) $by->letter_signature) ?: $by->name;

        return "{$body}\n\n{$signature}";
    }

    private function lock(Message $message): void
    {
        $state = DB::table('messages')->where('id', $message->id)->lockForUpdate()->value('state');
        $state === 'draft' || throw MessageRefusal::SentMeanwhile->because();
        $message->refresh();
    }
}
