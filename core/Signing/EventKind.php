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
    case Asked = 'asked';
    case Finished = 'finished';
    case Declined = 'declined';
    case Recalled = 'recalled';
    case Lapsed = 'lapsed';
    case Reminded = 'reminded';

    /** As read in the history. */
    public function label(): string
    {
        return match ($this) {
            self::Sent => 'Sent for signature',
            self::Opened => 'Opened',
            self::Consented => 'Agreed to sign electronically',
            self::Adopted => 'Chose a signature',
            self::Marked => 'Signed',
            self::Asked => 'Asked a question',
            self::Finished => 'Finished signing',
            self::Declined => 'Declined',
            self::Recalled => 'Round recalled',
            self::Lapsed => 'Last day passed',
            self::Reminded => 'Reminded',
        };
    }
}
