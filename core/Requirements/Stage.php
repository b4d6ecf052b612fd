<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

/**
 * The stretch of a deal a paper belongs to, in order.
 */
enum Stage: string
{
    case Agency = 'agency';
    case Listing = 'listing';
    case Offer = 'offer';
    case Contract = 'contract';
    case Closing = 'closing';

    /** As read. */
    public function label(): string
    {
        return match ($this) {
            self::Offer => 'Offer and contract',
            self::Contract => 'During the contract',
            default => ucfirst($this->value),
        };
    }

    /** @return list<string> their keys, in order */
    public static function keys(): array
    {
        return array_column(self::cases(), 'value');
    }

    /** @return array<string, string> key to name, in order */
    public static function names(): array
    {
        return array_combine(self::keys(), array_map(static fn (self $stage) => $stage->label(), self::cases()));
    }
}
