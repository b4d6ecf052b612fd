<?php

declare(strict_types=1);

namespace Unanimus\Api;

use Unanimus\Files\DealStatus;

/** What others are told of as it happens: each is an entry of a file's history. */
enum HookEvent: string
{
    case FileOpened = 'file.opened';
    case StatusChanged = 'file.status';
    case TermsChanged = 'terms.changed';
    case PeopleChanged = 'people.changed';
    case DocumentAdded = 'document.added';
    case RoundSent = 'signature.sent';
    case RoundComplete = 'signature.complete';
    case Submitted = 'review.submitted';
    case Accepted = 'review.accepted';
    case SentBack = 'review.sent_back';
    case TaskChanged = 'task.changed';
    case CommissionAuthorized = 'commission.authorized';
    case CommissionWithdrawn = 'commission.withdrawn';
    case Paid = 'commission.paid';

    private const ENTRIES = [
        'File opened' => self::FileOpened,
        'Term changed' => self::TermsChanged,
        'Party added' => self::PeopleChanged,
        'Party changed' => self::PeopleChanged,
        'Party removed' => self::PeopleChanged,
        'Paper brought in' => self::DocumentAdded,
        'Signed on paper' => self::DocumentAdded,
        'Sent for signature' => self::RoundSent,
        'Sealed set filed' => self::RoundComplete,
        'Submitted' => self::Submitted,
        'Accepted' => self::Accepted,
        'Sent back' => self::SentBack,
        'Task added' => self::TaskChanged,
        'Task done' => self::TaskChanged,
        'Task open again' => self::TaskChanged,
        'Disbursement authorized' => self::CommissionAuthorized,
        'Disbursement withdrawn' => self::CommissionWithdrawn,
        'Paid' => self::Paid,
    ];

    /** What an entry of the history tells others; null: nothing. */
    public static function of(string $entry): ?self
    {
        foreach (DealStatus::cases() as $status) {
            if ($entry === $status->label() || $entry === "Opened again: {$status->readable()}") {
                return self::StatusChanged;
            }
        }

        return self::ENTRIES[$entry] ?? null;
    }

    /** As read where a webhook is set up. */
    public function label(): string
    {
        return match ($this) {
            self::FileOpened => 'a file is opened',
            self::StatusChanged => 'its status changes',
            self::TermsChanged => 'a term changes',
            self::PeopleChanged => 'people change',
            self::DocumentAdded => 'a document comes in',
            self::RoundSent => 'something goes out for signature',
            self::RoundComplete => 'everyone has signed',
            self::Submitted => 'a document is submitted',
            self::Accepted => 'a document is accepted',
            self::SentBack => 'a document is sent back',
            self::TaskChanged => 'a task is added or done',
            self::CommissionAuthorized => 'a disbursement is authorized',
            self::CommissionWithdrawn => 'an authorization is withdrawn',
            self::Paid => 'someone is paid',
        };
    }

    /** What a token must be good for, besides webhooks, for its owner to hear of it. */
    public function scope(): ApiScope
    {
        return match ($this) {
            self::CommissionAuthorized, self::CommissionWithdrawn, self::Paid => ApiScope::ReadCommission,
            self::DocumentAdded, self::RoundSent, self::RoundComplete => ApiScope::ReadDocuments,
            self::TaskChanged => ApiScope::ReadTasks,
            default => ApiScope::ReadFiles,
        };
    }
}
