<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\Messages\Actions\WriteMessage;
use App\Models\DealFile;
use App\Models\FormLetter;
use App\Models\Party;
use App\Models\User;
use Unanimus\Messages\Recipient;
use Unanimus\Parties\Side;
use Unanimus\Roster\Handover;

/**
 * The email by which an agent who takes over a file tells those outside, one in each language they read: ready to be looked over,
 * not sent.
 */
final class PrepareHandover
{
    public function __construct(private readonly WriteMessage $write)
    {
    }

    /** @param  Side|null  $side  whose agent left, where the office serves both */
    public function __invoke(DealFile $file, User $from, User $to, ?Side $side): void
    {
        $ours = $side ?? $file->represents->side();
        $told = $file->parties
            ->filter(static fn (Party $party) => (string) $party->email !== '' && Handover::tells($party->role, $ours))
            ->sortBy(static fn (Party $party) => $party->seat()->order())
            ->groupBy(static fn (Party $party) => $party->language->value);
        foreach ($told as $language => $parties) {
            $recipients = $parties->map(
                static fn (Party $party) => new Recipient((string) $party->name, (string) $party->email, (string) $party->seat()),
            );
            $letter = new FormLetter([
                'subject' => (string) __('mail.handover.subject', ['file' => $file->name], (string) $language),
                'body' => __('mail.handover.body', ['file' => $file->name, 'from' => $from->name], (string) $language).
                    (trim((string) $to->letter_signature) === '' ? "\n\n{sender.name}\n{sender.phone}" : ''),
            ]);
            $message = $this->write->begin($file, $to, array_values($recipients->all()), $letter);
            // None of them need see who else is told.
            $this->write->keep($message, ['apart' => true]);
        }
    }
}
