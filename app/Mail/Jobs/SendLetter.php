<?php

declare(strict_types=1);

namespace App\Mail\Jobs;

use App\Access\OwnAddress;
use App\Mail\ActionLink;
use App\Mail\LetterMail;
use App\Models\Brokerage;
use App\Models\Letter;
use App\Models\Sight;
use App\Storage\Bytes;
use App\Work\ServiceDown;
use App\Work\Work;
use App\Work\WorkStopped;
use Illuminate\Support\Facades\Mail;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;

/**
 * Sends one letter. Killed between the mail server's taking it and its being noted here, it goes out once more: under the
 * same Message-ID, by which mail programs know it as the same. No way of sending mail can promise more.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5321#section-6.1 once accepted, responsibility for the message has moved
 */
final class SendLetter extends Work
{
    public const KIND = 'letters';

    /** Its worker stops it before (scripts/templates/supervisor.conf). */
    protected const RUNS = 2;

    protected const SERVICE = 'the mail server';

    /** Answers of the mail server that no later try changes: no such mailbox, not allowed, too large. */
    private const REFUSED = [550, 551, 552, 553, 554];

    protected function work(): void
    {
        $letter = Sight::within($this->brokerageId, fn (): ?Letter => Letter::query()->find($this->thing));
        if ($letter === null || $letter->sent_at !== null) {
            return;
        }
        $brokerage = Sight::within($this->brokerageId, fn (): Brokerage => Brokerage::query()->findOrFail($this->brokerageId));
        try {
            OwnAddress::within($brokerage->address, function () use ($letter, $brokerage): void {
                $url = Sight::within($this->brokerageId, static fn (): ?string => ActionLink::of($letter));
                Mail::send(new LetterMail($letter, $brokerage, $url, app(Bytes::class)));
            });
        } catch (TransportExceptionInterface $failed) {
            // Refused for good is this letter, not the server: it holds up no other (RFC 5321, 4.2.1 and 4.3.2).
            if ($failed instanceof UnexpectedResponseException && in_array($failed->getCode(), self::REFUSED, true)) {
                throw new WorkStopped("the mail server does not accept “{$letter->recipient}”.", previous: $failed);
            }
            throw new ServiceDown(self::SERVICE, previous: $failed);
        }
        Sight::within($this->brokerageId, static fn (): bool => $letter->update(['sent_at' => now()]));
    }
}
