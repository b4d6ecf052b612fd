<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** What can happen in a round. */
enum EventKind: string
{
    case Sent = 'sent';
    case Opened = 'opened';
    case Consented = 'consented';
    case Adopted = 'adopted';
    case Marked = 'marked';
    case Cleared = 'cleared';
    case Added = 'added';
    case Asked = 'asked';
    case Finished = 'finished';
    case Declined = 'declined';
    case Recalled = 'recalled';
    case Lapsed = 'lapsed';
    case Reminded = 'reminded';
    case Readdressed = 'readdressed';
    case Extended = 'extended';
    case Answered = 'answered';
    case Referred = 'referred';
    case Replaced = 'replaced';
    case SignedOnPaper = 'signed-on-paper';
    case CodeSet = 'code-set';
    case CodeEntered = 'code-entered';
    case CodeLocked = 'code-locked';

    /**
     * As read where each event stands by itself.
     *
     * @param array<string, mixed> $data what the event carried
     */
    public function told(array $data): string
    {
        return match (true) {
            $this === self::Marked && ($data['struck'] ?? false) === true => 'Struck and initialled',
            $this === self::Marked && ($data['entered'] ?? false) === true => 'Filled in',
            $this === self::Finished && isset($data['part']) => Part::from((string) $data['part'])->done(),
            default => $this->label(),
        };
    }

    /** As read in the history. */
    public function label(): string
    {
        return match ($this) {
            self::Sent => 'Sent for signature',
            self::Opened => 'Opened',
            self::Consented => 'Agreed to sign electronically',
            self::Adopted => 'Chose a signature',
            self::Marked => 'Signed',
            self::Cleared => 'Took an entry back',
            self::Added => 'Added a paper',
            self::Asked => 'Asked a question',
            self::Finished => 'Finished signing',
            self::Declined => 'Declined',
            self::Recalled => 'Round recalled',
            self::Lapsed => 'Last day passed',
            self::Reminded => 'Reminded',
            self::Readdressed => 'Address corrected',
            self::Extended => 'Last day moved',
            self::Answered => 'Answered a question',
            self::Referred => 'Named someone else to sign',
            self::Replaced => 'Signer replaced',
            self::SignedOnPaper => 'Signatures on paper added',
            self::CodeSet => 'Access code set',
            self::CodeEntered => 'Entered the access code',
            self::CodeLocked => 'Locked after wrong access codes',
        };
    }
}
