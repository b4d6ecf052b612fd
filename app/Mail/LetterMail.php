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
use Illuminate\Support\Facades\Context;

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
        $company = $this->brokerage->sender_name ?? $this->brokerage->name;

        return new Envelope(
            from: new Address(
                $this->brokerage->sender_address ?? (string) config('mail.from.address'),
                $this->letter->sender_name === null ? $company : "{$this->letter->sender_name}, {$company}",
            ),
            to: [
                new Address($this->letter->recipient, $this->letter->recipient_name),
                ...array_map(static fn (array $one) => new Address($one['address'], $one['name']), $this->letter->others),
            ],
            replyTo: $this->letter->reply_to === null ? [] : [new Address($this->letter->reply_to)],
            subject: $this->letter->subject,
        );
    }

    public function headers(): Headers
    {
        $more = array_filter([
            'In-Reply-To' => $this->letter->in_reply_to === null ? '' : "<{$this->letter->in_reply_to}>",
            // By which what was done for it is found in the logs.
            'Unanimus-Request' => (string) Context::get('request', ''),
            // Programs that answer by themselves leave it alone (RFC 3834); so no two of them write to each other for ever.
            'Auto-Submitted' => $this->letter->no_more === null ? '' : 'auto-generated',
            'List-Unsubscribe' => $this->letter->no_more === null ? '' : '<'.NoMore::link($this->letter).'>',
            // One press in the mail program is enough (RFC 8058).
            'List-Unsubscribe-Post' => $this->letter->no_more === null ? '' : 'List-Unsubscribe=One-Click',
        ], static fn (string $value) => $value !== '');
        preg_match_all('/<([^<>]+)>/', (string) $this->letter->reference_ids, $references);

        return new Headers(
            hash('sha256', $this->letter->once_key).'@'.parse_url((string) config('app.url'), PHP_URL_HOST),
            $references[1],
            $more,
        );
    }

    public function content(): Content
    {
        return new Content(html: 'mail.letter', text: 'mail.letter-text', with: [
            'letter' => $this->letter,
            'url' => $this->url,
            'noMore' => $this->letter->no_more === null ? null : NoMore::link($this->letter),
        ]);
    }

    /** @return list<Attachment> */
    public function attachments(): array
    {
        $sha256 = $this->letter->attachment;
        $all = $sha256 === null ? [] : [['sha256' => $sha256, 'name' => (string) $this->letter->attachment_name]];

        return array_map(
            fn (array $one) => Attachment::fromData(fn () => $this->bytes->read($one['sha256']), $one['name'])->withMime('application/pdf'),
            [...$all, ...$this->letter->more_attached],
        );
    }
}
