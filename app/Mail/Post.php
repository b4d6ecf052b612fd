<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Message;
use App\Models\Round;
use App\Models\SealedSet;
use App\Models\Signer;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Terms\ClientDay;
use Illuminate\Support\Str;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

/**
 * Letters out. Each is a row written with what it tells of, under a key that keeps it from going out twice; a job sends it.
 */
final class Post
{
    public static function invitation(Round $round, Signer $signer): void
    {
        self::letter(
            $round,
            "invite:{$signer->key}:{$signer->link_version}",
            self::signer($signer),
            Wording::of(
                'invite',
                [
                    ...self::about($round),
                    'until' => $round->last_day === null ? '' : (string) __(
                        'mail.invite.until',
                        ['day' => ClientDay::until($round->lastMoment(), $round->file->office->zone, $signer->language)],
                        $signer->language->value,
                    ),
                    'message' => trim("{$signer->note}\n\n{$round->message}"),
                    'attached' => $round->to_read === null || $signer->code !== null
                        ? ''
                        : (string) __('mail.invite.attached', [], $signer->language->value),
                ],
                $round->papers->count(),
                $signer->language,
            )->about($round->subject),
            "signer {$signer->key}",
            // Behind an access code nothing is shown before it is entered.
            $signer->code === null ? $round->to_read : null,
            (string) __('client.sign.download_name', ['round' => $round->title], $signer->language->value).'.pdf',
        );
    }

    public static function reminder(Round $round, Signer $signer, string $once): void
    {
        self::letter(
            $round,
            "remind:{$signer->key}:{$once}",
            self::signer($signer),
            Wording::of('remind', self::about($round), language: $signer->language),
            "signer {$signer->key}",
        );
    }

    /** Questions of one signer that come within a few minutes go in one letter. */
    public static function question(Round $round, Signer $signer, string $question): void
    {
        $waiting = Letter::query()
            ->where('once_key', 'like', "question:{$signer->key}:%")
            ->whereNull('sent_at')
            ->where('created_at', '>', now()->subMinutes(10))
            ->lockForUpdate()
            ->first();
        if ($waiting !== null) {
            $waiting->update(['body' => mb_substr("{$waiting->body}\n\n{$question}", 0, 8000)]);

            return;
        }
        self::letter(
            $round,
            "question:{$signer->key}:".Str::ulid(),
            Addressee::user($round->sender),
            Wording::of('question', [...self::about($round), 'signer' => $signer->name, 'question' => $question]),
            self::desk($round),
        );
    }

    /** What a signer asked is answered. */
    public static function answer(Round $round, Signer $signer, string $question, string $answer, string $once): void
    {
        self::letter(
            $round,
            "answer:{$round->key}:{$once}",
            self::signer($signer),
            Wording::of('answer', [...self::about($round), 'question' => $question, 'answer' => $answer], language: $signer->language),
            "signer {$signer->key}",
        );
    }

    /** A letter to a signer came back. */
    public static function cameBack(Round $round, Signer $signer, Letter $letter, string $because): void
    {
        $about = ['signer' => $signer->name, 'address' => $letter->recipient, 'why' => $because];
        self::letter(
            $round,
            "back:{$letter->id}",
            Addressee::user($round->sender),
            Wording::of('back', [...self::about($round), ...$about]),
            self::desk($round),
        );
    }

    /** A signer who cannot go on without the sender: someone else should sign, or the code was wrong too often. */
    public static function signerStuck(Round $round, Signer $signer, RoundEvent $event): void
    {
        $about = [
            'signer' => $signer->name,
            'where' => (string) ($event->data['where'] ?? ''),
            'why' => (string) ($event->data['why'] ?? ''),
        ];
        self::letter(
            $round,
            "stuck:{$signer->key}:".Str::ulid(),
            Addressee::user($round->sender),
            Wording::of($event->kind === EventKind::Referred ? 'referred' : 'locked', [...self::about($round), ...$about]),
            self::desk($round),
        );
    }

    public static function roundEnded(Round $round, RoundState $state): void
    {
        $how = match ($state->status) {
            RoundStatus::Declined => 'declined',
            RoundStatus::Recalled => 'recalled',
            default => 'expired',
        };
        $reason = (string) $state->reason;
        $about = [
            ...self::about($round),
            'how' => (string) __("mail.ended.how.{$how}"),
            'reason' => $reason === '' ? '' : (string) __('mail.ended.reason', ['reason' => $reason]),
        ];
        self::letter(
            $round,
            "ended:{$round->key}:sender",
            Addressee::user($round->sender),
            Wording::of('ended.sender', $about),
            self::desk($round),
        );
        foreach ($round->signers as $signer) {
            if ($signer->status !== SignerStatus::Waiting
                && ($signer->email ?? '') !== '' && $signer->email !== $round->sender->address()) {
                $words = Wording::of(
                    'ended.signer',
                    [...$about, 'how' => (string) __("mail.ended.how.{$how}", [], $signer->language->value)],
                    language: $signer->language,
                );
                self::letter($round, "ended:{$round->key}:{$signer->key}", self::signer($signer), $words);
            }
        }
    }

    public static function finished(Round $round, SealedSet $set): void
    {
        self::copies($round, $set);
        $told = [];
        foreach ($round->signers as $signer) {
            if (($signer->email ?? '') !== '') {
                $told[(string) $signer->email] = true;
                self::letter(
                    $round,
                    "finished:{$round->key}:{$signer->key}",
                    self::signer($signer),
                    Wording::of('finished.signer', [...self::about($round), 'pages' => $set->pages], language: $signer->language),
                    "signer {$signer->key}",
                    $set->sha256,
                );
            }
        }
        if (! isset($told[$round->sender->address()])) {
            self::letter(
                $round,
                "finished:{$round->key}:sender",
                Addressee::user($round->sender),
                Wording::of('finished.sender', self::about($round)),
                self::desk($round, "/files/{$round->file->key}"),
            );
        }
    }

    /** To those who get the set besides whoever signed. */
    private static function copies(Round $round, SealedSet $set): void
    {
        foreach ($round->copies as $copy) {
            self::letter(
                $round,
                "copy:{$round->key}:".mb_strtolower($copy['email']),
                new Addressee($copy['name'], $copy['email']),
                Wording::of('finished.copy', [...self::about($round), 'pages' => $set->pages]),
                null,
                $set->sha256,
            );
        }
    }

    /** A round that was set to go out and did not. */
    public static function heldBack(Round $round, string $why): void
    {
        $about = [...self::about($round), 'why' => $why];
        self::letter(
            $round,
            "held:{$round->key}:".Str::ulid(),
            Addressee::user($round->sender),
            Wording::of('held', $about),
            self::desk($round),
        );
    }

    /**
     * A letter that someone wrote in a file, in their own words.
     *
     * @param non-empty-list<array{name: string, address: string, seat: string|null}> $to
     * @param array<string, mixed> $with what else the letter carries: papers, whom an answer goes to, what it answers
     */
    public static function message(DealFile $file, string $once, array $to, string $subject, string $body, array $with): void
    {
        if ($file->practice) {
            return;
        }
        $letter = Letter::query()->firstOrCreate(['once_key' => $once], [
            ...$with,
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'recipient_name' => $to[0]['name'],
            'recipient' => $to[0]['address'],
            'others' => array_slice($to, 1),
            'subject' => $subject,
            'body' => $body,
            'own_words' => true,
        ]);
        $letter->wasRecentlyCreated && SendLetter::begin($letter->brokerage_id, $letter->id);
    }

    /** A message could not go out, or a letter of it came back. */
    public static function messageHeld(DealFile $file, User $writer, Message $message, string $why): void
    {
        $about = ['subject' => $message->subject, 'file' => $file->name, 'why' => $why];
        $once = "message-held:{$message->key}:".Str::ulid();
        self::ofFile($file, $once, Addressee::user($writer), Wording::of('message.held', $about),
            "/files/{$file->key}/messages/{$message->key}");
    }

    /** A letter to someone of the brokerage, about no file. */
    public static function toColleague(int $brokerageId, string $once, Addressee $to, Wording $words, string $action): void
    {
        self::put($once, ['brokerage_id' => $brokerageId], $to, $words, $action);
    }

    /** A letter about a file that is about no round. */
    public static function ofFile(DealFile $file, string $once, Addressee $to, Wording $words, ?string $action = null): void
    {
        self::put($once, ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id], $to, $words, $action);
    }

    /**
     * A letter to a colleague with something attached.
     *
     * @param array{string, string} $attached SHA-256 of the bytes kept, and what the file is called
     */
    public static function attached(int $brokerageId, string $once, array $attached, Addressee $to, Wording $words, string $action): void
    {
        $of = ['brokerage_id' => $brokerageId, 'attachment' => $attached[0], 'attachment_name' => $attached[1]];
        self::put($once, $of, $to, $words, $action);
    }

    /** Whether a letter was put already. */
    public static function isPut(string $once): bool
    {
        return Letter::query()->where('once_key', $once)->exists();
    }

    private static function letter(
        Round $round,
        string $once,
        Addressee $to,
        Wording $words,
        ?string $action = null,
        ?string $attachment = null,
        ?string $called = null,
    ): void {
        $of = ['brokerage_id' => $round->brokerage_id, 'deal_file_id' => $round->deal_file_id];
        $words = $round->rehearsal ? $words->about(__('mail.rehearsal', ['subject' => $words->subject, 'to' => $to->name])) : $words;
        $with = $attachment === null ? [] : [
            'attachment' => $attachment,
            'attachment_name' => $called ?? (string) __('mail.finished.signer.attachment'),
        ];
        self::put($once, [...$of, ...$with], $to, $words, $action);
    }

    /** @param  array{brokerage_id: int, deal_file_id?: int, attachment?: string, attachment_name?: string}  $of */
    private static function put(string $once, array $of, Addressee $to, Wording $words, ?string $action): void
    {
        // A guest whose link was handed over otherwise has no address.
        if (str_ends_with($to->address, '@guest.invalid')) {
            return;
        }
        // Whoever practises writes to nobody.
        if (isset($of['deal_file_id']) && DealFile::query()->whereKey($of['deal_file_id'])->where('practice', true)->exists()) {
            return;
        }
        if (Notices::keepBack($once, $of, $to, $words, $action)) {
            return;
        }
        $letter = Letter::query()->firstOrCreate(
            ['once_key' => $once],
            [
                ...$of,
                'recipient_name' => $to->name,
                'recipient' => $to->address,
                'subject' => $words->subject,
                'body' => $words->body,
                'action_label' => $action === null ? null : $words->label,
                'action' => $action,
                'closing' => $words->closing,
            ],
        );
        $letter->wasRecentlyCreated && SendLetter::begin($letter->brokerage_id, $letter->id);
    }

    /** Where its sender looks after it: a guest comes by their link, others sign in. */
    private static function desk(Round $round, ?string $place = null): string
    {
        return $round->sender->guest
            ? 'work '.WorkingCopy::query()->where('guest_id', $round->user_id)->value('key')
            : $place ?? "/rounds/{$round->key}";
    }

    private static function signer(Signer $signer): Addressee
    {
        return new Addressee($signer->name, (string) $signer->email);
    }

    /** @return array{round: string, file: string, sender: string} */
    private static function about(Round $round): array
    {
        return ['round' => $round->title, 'file' => $round->file->name, 'sender' => $round->sender->name];
    }
}
