<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Brokerage;
use App\Models\Letter;
use App\Storage\Bytes;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Address;
use Illuminate\Mail\Mailables\Attachment;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Mail\Mailables\Headers;

/** A letter as it goes out: in the brokerage's name, and under the same Message-ID however often it is tried. */
final class LetterMail extends Mailable
{
    public function __construct(
        private readonly Letter $letter,
        private readonly Brokerage $brokerage,
        private readonly ?string $url,
        private readonly Bytes $bytes,
    ) {
    }

    public function envelope(): Envelope
    {
        return new Envelope(
            from: new Address(
                $this->brokerage->sender_address ?? (string) config('mail.from.address'),
                $this->brokerage->sender_name ?? $this->brokerage->name,
            ),
            to: [new Address($this->letter->recipient, $this->letter->recipient_name)],
            subject: $this->letter->subject,
        );
    }

    public function headers(): Headers
    {
        return new Headers(hash('sha256', $this->letter->once_key).'@'.parse_url((string) config('app.url'), PHP_URL_HOST));
    }

    public function content(): Content
    {
        return new Content(html: 'mail.letter', text: 'mail.letter-text', with: ['letter' => $this->letter, 'url' => $this->url]);
    }

    /** @return list<Attachment> */
    public function attachments(): array
    {
        $sha256 = $this->letter->attachment;

        return $sha256 === null ? [] : [
            Attachment::fromData(fn () => $this->bytes->read($sha256), $this->letter->attachment_name)->withMime('application/pdf'),
        ];
    }
}
