<?php

declare(strict_types=1);

namespace Unanimus\Notices;

/** What a person can be told of, each as they wish. */
enum NoticeKind: string
{
    case Stuck = 'stuck';
    case Question = 'question';
    case Ended = 'ended';
    case SentBack = 'sent_back';
    case Applies = 'applies';
    case Joining = 'joining';
    case MessageHeld = 'message_held';
    case Answer = 'answer';
    case Task = 'task';
    case Reads = 'reads';
    case Filled = 'filled';
    case Brought = 'brought';
    case Signed = 'signed';
    case Complete = 'complete';
    case Submitted = 'submitted';
    case Accepted = 'accepted';
    case Authorized = 'authorized';

    /** Emails to colleagues, by the name of their words. */
    private const LETTERS = [
        'referred' => self::Stuck, 'locked' => self::Stuck, 'back' => self::Stuck, 'held' => self::Stuck, 'seal_stopped' => self::Stuck,
        'question' => self::Question, 'ended.sender' => self::Ended, 'finished.sender' => self::Complete, 'filled' => self::Filled,
        'fill_another' => self::Filled, 'brought' => self::Brought, 'work_back' => self::Brought, 'sent_back' => self::SentBack,
        'applies' => self::Applies, 'reads' => self::Reads, 'reads_done' => self::Reads, 'join_asked' => self::Joining,
        'joined' => self::Joining, 'not_joined' => self::Joining, 'removed' => self::Joining, 'message.held' => self::MessageHeld,
    ];

    /** Entries of a history that are told and have no email of their own. */
    private const ENTRIES = [
        'Submitted' => self::Submitted, 'Accepted' => self::Accepted, 'Finished signing' => self::Signed,
        'Disbursement authorized' => self::Authorized, 'Task given to' => self::Task, 'Answer came in' => self::Answer,
    ];

    /** What an email to a colleague is about; null: it always goes out. */
    public static function ofLetter(string $words): ?self
    {
        return self::LETTERS[$words] ?? null;
    }

    /** What an entry of a history tells; null: nothing, or an email tells it. */
    public static function ofEntry(string $entry): ?self
    {
        return self::ENTRIES[$entry] ?? null;
    }

    /** As read where one sets it. */
    public function label(): string
    {
        return match ($this) {
            self::Stuck => 'A signer is stuck, or an email came back',
            self::Question => 'A signer asks a question',
            self::Ended => 'Someone declined, or a round lapsed',
            self::SentBack => 'The broker sent a document back',
            self::Applies => 'Someone asks whether a document applies',
            self::Joining => 'Someone joins or leaves a file',
            self::MessageHeld => 'A message of mine could not go out',
            self::Answer => 'An answer came in',
            self::Task => 'I was given a task',
            self::Reads => 'Someone asks me to read drafts, or has read mine',
            self::Filled => 'A client filled in what I asked',
            self::Brought => 'Someone brought documents',
            self::Signed => 'Someone signed',
            self::Complete => 'Everyone has signed',
            self::Submitted => 'A document was submitted for review',
            self::Accepted => 'The broker accepted a document',
            self::Authorized => 'A disbursement was authorized',
        };
    }

    /** What happens while nobody has chosen. */
    public function usual(): NoticeChoice
    {
        return match ($this) {
            self::Signed, self::Submitted, self::Accepted => NoticeChoice::InApp,
            self::Authorized => NoticeChoice::Digest,
            default => NoticeChoice::AtOnce,
        };
    }

    /** The smaller, the sooner it is told in a digest: the order of the cases. */
    public function urgency(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
