<?php

declare(strict_types=1);

namespace Unanimus\Notices;

/** How somebody is told. */
enum NoticeChoice: string
{
    case AtOnce = 'at_once';
    case Digest = 'digest';
    case InApp = 'in_app';
    case Off = 'off';

    /** As read where one sets it. */
    public function label(): string
    {
        return match ($this) {
            self::AtOnce => 'email right away',
            self::Digest => 'daily digest',
            self::InApp => 'only in the app',
            self::Off => 'off',
        };
    }
}
