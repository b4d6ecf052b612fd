<?php

declare(strict_types=1);

namespace Unanimus\Files;

/** How a paper reached somebody. */
enum DeliveryHow: string
{
    /** The sealed set went to everyone who signed it. */
    case Signed = 'signed';
    case Link = 'link';
    case Email = 'email';
    case Hand = 'hand';
    case Mail = 'mail';

    /** As read after a day. */
    public function label(): string
    {
        return match ($this) {
            self::Signed => 'with the signed set',
            self::Link => 'by a link from here',
            self::Email => 'by email',
            self::Hand => 'handed over',
            self::Mail => 'by mail',
        };
    }

    /** @return list<self> those that a person notes; the others note themselves */
    public static function byHand(): array
    {
        return [self::Hand, self::Email, self::Mail];
    }
}
