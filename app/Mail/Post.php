<?php

declare(strict_types=1);

namespace App\Mail;

use App\Mail\Jobs\SendLetter;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Round;
use App\Models\SealedSet;
use App\Models\Signer;
use Illuminate\Support\Str;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\RoundStatus;

/**
 * Letters out. Each is a row written with what it tells of, under a key that keeps it from going out twice; a job sends it.
 */
final class Post
{
    public static function invitation(Round $round, Signer $signer): void
    {
        $count = $round->papers->count();
        $until = $round->last_day === null ? '' : ' Please sign by '.\Unanimus\Dates\LocalDate::of($round->last_day)->long().'.';
        self::letter(
            $round,
            "invite:{$signer->key}:{$signer->link_version}",
            $signer->name,
            (string) $signer->email,
            "Please sign: {$round->title}",
            "{$round->sender->name} asks you to sign ".
                ($count === 1 ? 'a document' : self::words($count).' documents').
                " for {$round->file->name}.{$until}\n\n".
                ($round->message === '' ? '' : "{$round->message}\n\n").
                'The button opens the documents. The link is only for you. Please do not forward this email.',
            'Review and sign',
            "signer {$signer->key}",
        );
    }

    public static function reminder(Round $round, Signer $signer, string $once): void
    {
        self::letter(
            $round,
            "remind:{$signer->key}:{$once}",
            $signer->name,
            (string) $signer->email,
            "Still to sign: {$round->title}",
            "{$round->sender->name} is waiting for your signature on documents for {$round->file->name}. You can continue where you left off.",
            'Continue',
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
            $round->sender->name,
            $round->sender->email,
            "Question about {$round->title}",
            "{$signer->name} asks:\n\n{$question}",
            'Open the round',
            "/rounds/{$round->key}",
        );
    }

    public static function roundEnded(Round $round, RoundState $state): void
    {
        $word = match ($state->status) {
            RoundStatus::Declined => 'was declined',
            RoundStatus::Recalled => 'was recalled',
            default => 'reached its last day',
        };
        $reason = ($state->reason ?? '') === '' ? '' : "\n\nReason: {$state->reason}";
        self::letter(
            $round,
            "ended:{$round->key}:sender",
            $round->sender->name,
            $round->sender->email,
            "Signing ended: {$round->title}",
            "The round for {$round->file->name} {$word}.{$reason}\n\nNothing is lost. The papers are drafts again, and you can send them again.",
            'Open the round',
            "/rounds/{$round->key}",
        );
        foreach ($round->signers as $signer) {
            if ($signer->status !== 'waiting' && ($signer->email ?? '') !== '' && $signer->email !== $round->sender->email) {
                self::letter(
                    $round,
                    "ended:{$round->key}:{$signer->key}",
                    $signer->name,
                    (string) $signer->email,
                    "Nothing more to sign: {$round->title}",
                    "The signing for {$round->file->name} {$word}. You do not need to do anything. {$round->sender->name} will be in touch.",
                );
            }
        }
    }

    public static function finished(Round $round, SealedSet $set): void
    {
        $told = [];
        foreach ($round->signers as $signer) {
            if (($signer->email ?? '') !== '') {
                $told[(string) $signer->email] = true;
                self::letter(
                    $round,
                    "finished:{$round->key}:{$signer->key}",
                    $signer->name,
                    (string) $signer->email,
                    "Signed by everyone: {$round->title}",
                    "Everyone has signed the documents for {$round->file->name}. They are attached: {$set->pages} pages, with a record of how they were signed. Keep this email.",
                    'See it online',
                    "signer {$signer->key}",
                    $set->sha256,
                    'Signed documents.pdf',
                );
            }
        }
        if (! isset($told[$round->sender->email])) {
            self::letter(
                $round,
                "finished:{$round->key}:sender",
                $round->sender->name,
                $round->sender->email,
                "Signed by everyone: {$round->title}",
                "The sealed set is in the file {$round->file->name}.",
                'Open the file',
                "/files/{$round->file->key}",
            );
        }
    }

    /** A letter to someone of the brokerage, about no file. */
    public static function toColleague(
        int $brokerageId,
        string $once,
        string $name,
        string $address,
        string $subject,
        string $body,
        string $label,
        string $action,
    ): void {
        $letter = Letter::query()->firstOrCreate(
            ['once_key' => $once],
            [
                'brokerage_id' => $brokerageId,
                'recipient_name' => $name,
                'recipient' => $address,
                'subject' => $subject,
                'body' => $body,
                'action_label' => $label,
                'action' => $action,
            ],
        );
        $letter->wasRecentlyCreated && SendLetter::begin($brokerageId, $letter->id);
    }

    /** A letter about a file that is about no round. */
    public static function ofFile(
        DealFile $file,
        string $once,
        string $name,
        string $address,
        string $subject,
        string $body,
        string $label,
        string $action,
    ): void {
        $letter = Letter::query()->firstOrCreate(
            ['once_key' => $once],
            [
                'brokerage_id' => $file->brokerage_id,
                'deal_file_id' => $file->id,
                'recipient_name' => $name,
                'recipient' => $address,
                'subject' => $subject,
                'body' => $body,
                'action_label' => $label,
                'action' => $action,
            ],
        );
        $letter->wasRecentlyCreated && SendLetter::begin($file->brokerage_id, $letter->id);
    }

    private static function letter(
        Round $round,
        string $once,
        string $name,
        string $address,
        string $subject,
        string $body,
        ?string $label = null,
        ?string $action = null,
        ?string $attachment = null,
        ?string $attachmentName = null,
    ): void {
        $letter = Letter::query()->firstOrCreate(
            ['once_key' => $once],
            [
                'brokerage_id' => $round->brokerage_id,
                'deal_file_id' => $round->deal_file_id,
                'recipient_name' => $name,
                'recipient' => $address,
                'subject' => $subject,
                'body' => $body,
                'action_label' => $label,
                'action' => $action,
                'attachment' => $attachment,
                'attachment_name' => $attachmentName,
            ],
        );
        $letter->wasRecentlyCreated && SendLetter::begin($round->brokerage_id, $letter->id);
    }

    private static function words(int $count): string
    {
        return [2 => 'two', 3 => 'three'][$count] ?? (string) $count;
    }
}
