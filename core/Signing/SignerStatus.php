<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** Where a signer stands in a round. */
enum SignerStatus: string
{
    case Waiting = 'waiting';
    case Invited = 'invited';
    case Opened = 'opened';
    case Consented = 'consented';
    case Finished = 'finished';
    case Declined = 'declined';

    /** Whether it is their turn and they have not finished. */
    public function isAsked(): bool
    {
        return in_array($this, self::asked(), true);
    }

    /** @return list<self> of those whose turn it is and who have not finished */
    public static function asked(): array
    {
        return [self::Invited, self::Opened, self::Consented];
    }

    /** As drawn in the cell of a board: "owes", "open", "done" or "declined". */
    public function cell(): string
    {
        return match ($this) {
            self::Waiting, self::Invited => 'owes',
            self::Opened, self::Consented => 'open',
            self::Finished => 'done',
            self::Declined => 'declined',
        };
    }

    /** As read beside a name. @param  int  $turn  in which they sign */
    public function label(int $turn): string
    {
        return match ($this) {
            self::Waiting => "turn {$turn}",
            self::Invited => 'email sent',
            self::Opened => 'opened',
            self::Consented => 'signing',
            self::Finished => 'done',
            self::Declined => 'declined',
        };
    }
}
