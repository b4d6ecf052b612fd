<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * What a signer puts at a place on a page.
 */
enum MarkKind: string
{
    case Signature = 'signature';
    case Initials = 'initials';
    case Date = 'date';
    case Time = 'time';
    case Name = 'name';
    case Capacity = 'capacity';
    case Text = 'text';
    case Tick = 'tick';

    /**
     * Whether the signer must do something there; dates, times, printed names and capacities place themselves with
     * the signature.
     */
    public function needsAct(): bool
    {
        return in_array($this, [self::Signature, self::Initials, self::Text, self::Tick], true);
    }

    /** As read by the signer. */
    public function label(): string
    {
        return $this === self::Tick ? 'box to tick' : $this->value;
    }
}
