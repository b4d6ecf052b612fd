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
    case Name = 'name';
    case Text = 'text';
    case Tick = 'tick';

    /** Whether the signer must do something there; dates and printed names place themselves with the signature. */
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
