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
    case Moment = 'moment';
    case Name = 'name';
    case Company = 'company';
    case Capacity = 'capacity';
    case Text = 'text';
    case Tick = 'tick';
    /** A line through printed words, offered by the sender; whoever draws it initials it. */
    case Strike = 'strike';

    /**
     * Whether the signer must do something there; dates, times, printed names and capacities place themselves with
     * the signature.
     */
    public function needsAct(): bool
    {
        return in_array($this, [self::Signature, self::Initials, self::Text, self::Tick, self::Strike], true);
    }

    /** Whether something is typed, checked or struck there, which can be taken back until finishing. */
    public function isEntered(): bool
    {
        return in_array($this, [self::Text, self::Tick, self::Strike], true);
    }

    /** Whether it places itself with the signature. */
    public function isAutomatic(): bool
    {
        return ! $this->needsAct();
    }

    /** As read in a sentence. */
    public function label(): string
    {
        return match ($this) {
            self::Tick => 'check box',
            self::Strike => 'words to strike',
            self::Moment => 'date and time',
            default => $this->value,
        };
    }

    /** Whether it is the signer's choice when nobody says otherwise. */
    public function isUsuallyOptional(): bool
    {
        return $this === self::Tick || $this === self::Strike;
    }

    /** The key that chooses it at the composing desk; empty for none. */
    public function shortcut(): string
    {
        return match ($this) {
            self::Signature => 's',
            self::Initials => 'i',
            self::Date => 'd',
            self::Name => 'n',
            self::Text => 't',
            self::Tick => 'x',
            self::Strike => 'l',
            default => '',
        };
    }
}
