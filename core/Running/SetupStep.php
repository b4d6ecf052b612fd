<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** What a new brokerage sees to before its first deal, in the order in which the later ones need the earlier. */
enum SetupStep: string
{
    case Sender = 'sender';
    case Offices = 'offices';
    case People = 'people';
    case Forms = 'forms';
    case Kits = 'kits';
    case Rules = 'rules';
    case OwnForm = 'own-form';
    case Plans = 'plans';
    case FirstFile = 'first-file';

    /** What is to be done, in a few words. */
    public function title(): string
    {
        return match ($this) {
            self::Sender => 'Say who your email comes from',
            self::Offices => 'Check time zone and holidays',
            self::People => 'Invite your people',
            self::Forms => 'Look through the forms',
            self::Kits => 'Look through the kits',
            self::Rules => 'Look through the rules',
            self::OwnForm => 'Make a form out of a PDF of yours',
            self::Plans => 'Enter commission plans',
            self::FirstFile => 'Open the first file',
        };
    }

    /** Why, and what to look at. */
    public function says(): string
    {
        return match ($this) {
            self::Sender => 'Clients see this name and address on every email.',
            self::Offices => 'Deadlines skip the holidays of the office that a file belongs to.',
            self::People => 'At least a broker, who reviews, and an agent or coordinator, who opens files.',
            self::Forms => 'The forms that come along. Where two are alike, mark the one your office uses.',
            self::Kits => 'A kit puts documents, dates and tasks into a new file. Change a copy where yours differ.',
            self::Rules => 'A rule asks for a document where a fact calls for it. Turn off what you do not ask for.',
            self::OwnForm => 'Upload it, and its blanks and signature places are found. It can wait.',
            self::Plans => 'Splits and caps, by agent. They can also come from a spreadsheet. It can wait until the first closing.',
            self::FirstFile => 'An agent or coordinator opens it with an address, a name or a listing number.',
        };
    }

    /** Where it is done. */
    public function place(): string
    {
        return match ($this) {
            self::Sender => '/office/setup#sender',
            self::Offices => '/office/offices',
            self::People => '/office#several',
            self::Forms => '/office/library',
            self::Kits => '/kits',
            self::Rules => '/rules',
            self::OwnForm => '/own-forms',
            self::Plans => '/office/plans',
            self::FirstFile => '/files',
        };
    }

    /** Whether looking through it is all there is to it: nothing has to be entered. */
    public function isLook(): bool
    {
        return in_array($this, [self::Offices, self::Forms, self::Kits, self::Rules], true);
    }
}
