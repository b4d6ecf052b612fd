<?php

declare(strict_types=1);

namespace Unanimus\Roster;

/** Whether somebody comes or goes. */
enum RosterKind: string
{
    case Joining = 'joining';
    case Leaving = 'leaving';

    /** As read on the screen. */
    public function label(): string
    {
        return ucfirst($this->value);
    }

    /**
     * What is to be done, by whom, and how many days before (or, negative, after) the first or last day.
     *
     * @return list<array{title: string, by: string, before: int}>
     */
    public function steps(): array
    {
        return match ($this) {
            self::Joining => [
                ['title' => 'License checked with the state', 'by' => 'broker', 'before' => 10],
                ['title' => 'License moved to this brokerage', 'by' => 'broker', 'before' => 3],
                ['title' => 'Independent contractor agreement signed', 'by' => 'broker', 'before' => 3],
                ['title' => 'Tax form on file', 'by' => 'bookkeeper', 'before' => 0],
                ['title' => 'Commission plan set', 'by' => 'bookkeeper', 'before' => 0],
                ['title' => 'Errors and omissions insurance added', 'by' => 'broker', 'before' => 0],
                ['title' => 'Accounts opened: listing exchange, email, lockbox', 'by' => 'administrator', 'before' => 0],
                ['title' => 'Shown around: forms, kits, whom to ask', 'by' => 'coordinator', 'before' => -5],
            ],
            self::Leaving => [
                ['title' => 'Open files decided one by one', 'by' => 'broker', 'before' => 7],
                ['title' => 'Clients told who goes on with their file', 'by' => 'broker', 'before' => 5],
                ['title' => 'Pending commission: who is paid, agreed in writing', 'by' => 'bookkeeper', 'before' => 5],
                ['title' => 'License released to the state, with its day', 'by' => 'broker', 'before' => 0],
                ['title' => 'Own copy of their files given', 'by' => 'coordinator', 'before' => 1],
                ['title' => 'Listing exchange, lockbox and email accounts closed', 'by' => 'administrator', 'before' => 0],
                ['title' => 'Signs, keys and cards returned', 'by' => 'administrator', 'before' => 0],
                ['title' => 'Old papers scanned into their files', 'by' => 'coordinator', 'before' => -14],
            ],
        };
    }

    /** @return list<string> documents that are expected for it */
    public function documents(): array
    {
        return match ($this) {
            self::Joining => ['License certificate', 'Independent contractor agreement', 'Tax form', 'Proof of insurance'],
            self::Leaving => ['Release of license', 'Agreement on pending commission'],
        };
    }
}
