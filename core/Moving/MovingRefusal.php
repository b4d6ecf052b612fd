<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why nothing of what was brought along is taken. */
enum MovingRefusal: string implements Reason
{
    use Refuses;

    case NotAnArchive = 'moving.not-an-archive';
    case Locked = 'moving.locked';
    case TooMany = 'moving.too-many';
    case NoSuchFolder = 'moving.no-such-folder';
    case NoListOfFiles = 'moving.no-list-of-files';
    case SeveralLists = 'moving.several-lists';
    case StillReading = 'moving.still-reading';
    case NoSuchRow = 'moving.no-such-row';
    case NothingLeft = 'moving.nothing-left';
    case CannotRead = 'moving.cannot-read';
    case NoSuchRole = 'moving.no-such-role';
    case NoSuchOffice = 'moving.no-such-office';
    case NoAddress = 'moving.no-address';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NotAnArchive => '{name} is not a ZIP that can be opened. Make the ZIP again and upload that.',
            self::Locked => '{name} needs a password. Make the ZIP without one and upload that.',
            self::TooMany => '{name} holds more than {most} documents. Move in as several parts.',
            self::NoSuchFolder => 'There is no folder {name} on this server that can be read.',
            self::NoListOfFiles => '{name} has no spreadsheet beside its folders. Put one there with one row per file, such as files.csv.',
            self::SeveralLists => '{names} could each be the list of files. Name the right one files.csv.',
            self::StillReading => 'The documents are still being read. Start when that is done.',
            self::NoSuchRow => 'There is no row {number} in this spreadsheet.',
            self::NothingLeft => 'There is nothing left to do here.',
            self::NoSuchRole => 'There is no role “{role}”. Use agent, coordinator, broker, bookkeeper or administrator.',
            self::NoSuchOffice => 'There is no office called “{office}”.',
            self::NoAddress => '“{email}” is not an email address.',
            self::CannotRead => '{name} can no longer be read. Upload it again.',
        };
    }
}
