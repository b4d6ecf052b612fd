<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Messages\Threading;
use Unanimus\Pages\PlainText;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\Header\DateHeader;
use ZBateson\MailMimeParser\Header\ParameterHeader;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\Message;
use ZBateson\MailMimeParser\Message\IMessagePart;
use ZBateson\MailMimeParser\Message\IMimePart;

/**
 * Reads a letter as it came over the wire: who, to whom, when, what it says, and what came along, also inside letters that it
 * passes on, inside winmail.dat and in a ZIP.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5322 and RFC 2045 to 2049, 2183, 2231, 3464, 3834
 */
final class MailReader
{
    /** Letters within letters that are opened. */
    private const DEEPEST = 6;

    /** What comes along with one letter at most. */
    private const MOST = 300;

    private const SUBJECT = 300;

    private const AUTOMATIC = '/^(automatic reply|auto[- ]?reply|out of (the )?office|autoreply|respuesta automática)\b/iu';

    /** @var list<MailPart> */
    private array $parts = [];

    private function __construct()
    {
    }

    /**
     * Reads a message; whatever is broken in it is read as far as it goes.
     *
     * @param list<string> $servers our receiving servers, whose word on the sender is believed
     */
    public static function read(string $raw, array $servers = []): ReceivedMail
    {
        // The parser sets properties it does not declare, which PHP 8.2 calls deprecated; nothing else is kept quiet.
        set_error_handler(static fn (): bool => true, E_DEPRECATED);
        try {
            return self::understood($raw, $servers);
        } finally {
            restore_error_handler();
        }
    }

    /** @param  list<string>  $servers */
    private static function understood(string $raw, array $servers): ReceivedMail
    {
        $mail = Message::from($raw, true);
        $reader = new self();
        $text = self::text($mail);
        $html = self::html($mail);
        $report = self::report($mail) ?? (self::isOfMailSystem($mail) ? DeliveryReport::ofWords($text) : null);
        $report !== null || $reader->attached($mail, self::shown($html), 0);

        return new ReceivedMail(
            self::messageId($mail, $raw),
            self::people($mail, 'From')[0] ?? '',
            self::people($mail, 'To'),
            self::people($mail, 'Cc'),
            self::delivered($mail),
            mb_strimwidth(self::line((string) $mail->getHeaderValue('Subject')), 0, self::SUBJECT, '…'),
            self::date($mail),
            $text !== '' ? $text : HtmlText::of($html),
            $html,
            $reader->parts,
            $report !== null || self::isAuto($mail),
            $report,
            SenderProof::of((string) ($mail->getHeader('Authentication-Results')?->getRawValue() ?? ''), $servers),
            Threading::named(
                (string) $mail->getHeader('In-Reply-To')?->getRawValue(),
                (string) $mail->getHeader('References')?->getRawValue(),
            ),
        );
    }

    private static function messageId(IMessage $mail, string $raw): string
    {
        $id = trim((string) $mail->getHeaderValue('Message-ID'), "<> \t");

        return mb_strimwidth(self::line($id), 0, 300) ?: hash('sha256', $raw);
    }

    /** @return list<string> */
    private static function people(IMessage $mail, string $field): array
    {
        $header = $mail->getHeader($field);
        if (! ($header instanceof AddressHeader)) {
            return [];
        }
        $people = [];
        foreach ($header->getAddresses() as $one) {
            $address = self::line((string) $one->getEmail());
            $name = self::line(MailName::decoded((string) $one->getName()));
            $people[] = mb_strimwidth($name === '' || $name === $address ? $address : trim("{$name} <{$address}>"), 0, 300);
        }

        return $people;
    }

    /** @return list<string> bare addresses out of what servers wrote on top on the way */
    private static function delivered(IMessage $mail): array
    {
        $all = [];
        foreach (['Delivered-To', 'X-Original-To', 'Envelope-To'] as $field) {
            foreach (array_slice($mail->getAllHeadersByName($field), 0, 5) as $header) {
                preg_match('/[^\s<>,"]{1,200}@[^\s<>,"]{1,200}/u', self::line((string) $header->getRawValue()), $address);
                $all[] = strtolower($address[0] ?? '');
            }
        }

        return array_values(array_unique(array_filter($all)));
    }

    private static function date(IMessage $mail): ?\DateTimeImmutable
    {
        $header = $mail->getHeader('Date');

        return $header instanceof DateHeader ? $header->getDateTimeImmutable() : null;
    }

    /** All that is said in plain words, also after what stands in the middle. */
    private static function text(IMessage $mail): string
    {
        $said = [];
        for ($index = 0; $index < $mail->getTextPartCount(); $index++) {
            $said[] = trim(UuencodedFiles::takenOut(self::words($mail->getTextPart($index)))[0]);
        }

        return PlainText::of(implode("\n\n", array_filter($said, static fn (string $one) => $one !== '')));
    }

    private static function html(IMessage $mail): string
    {
        $said = '';
        for ($index = 0; $index < $mail->getHtmlPartCount(); $index++) {
            $said .= self::words($mail->getHtmlPart($index));
        }

        return mb_scrub($said);
    }

    /** @return array<string, true> what the letter's own page shows inside it, by Content-ID */
    private static function shown(string $html): array
    {
        preg_match_all('/\bcid:([^"\'\s>)]+)/i', $html, $found);

        return array_fill_keys(array_map(rawurldecode(...), $found[1]), true);
    }

    private static function report(IMessage $mail): ?DeliveryReport
    {
        if (strtolower((string) $mail->getContentType()) !== 'multipart/report') {
            return null;
        }
        $of = static function (string ...$types) use ($mail): string {
            foreach ($mail->getAllParts() as $part) {
                if (in_array(strtolower((string) $part->getContentType()), $types, true)) {
                    return self::bytes($part);
                }
            }

            return '';
        };

        return DeliveryReport::of(
            $of('message/delivery-status', 'message/global-delivery-status'),
            $of('message/rfc822', 'text/rfc822-headers', 'message/rfc822-headers', 'message/global', 'message/global-headers'),
        );
    }

    /** Whether a program sent it: RFC 3834, and what is in use besides. */
    private static function isAuto(IMessage $mail): bool
    {
        $says = static fn (string $field): string => strtolower(trim((string) $mail->getHeaderValue($field)));

        return self::isOfMailSystem($mail) ||
            ! in_array($says('Auto-Submitted'), ['', 'no'], true) ||
            in_array($says('Precedence'), ['auto_reply', 'auto-reply'], true) ||
            ! in_array($says('X-Autoreply'), ['', 'no'], true) ||
            $says('X-Autorespond') !== '' ||
            in_array($says('X-Auto-Response-Suppress'), ['all'], true) ||
            preg_match(self::AUTOMATIC, $says('Subject')) === 1;
    }

    /** Whether the mail system itself writes: what it sends has no way back (RFC 5321, 4.5.5). */
    private static function isOfMailSystem(IMessage $mail): bool
    {
        $from = trim((string) $mail->getHeader('From')?->getRawValue());

        return trim((string) $mail->getHeader('Return-Path')?->getRawValue()) === '<>' ||
            preg_match('/^"?<?(?:mailer-daemon|mail delivery (?:sub)?system)\b/i', $from) === 1;
    }

    /** @param  array<string, true>  $shown */
    private function attached(IMessage $mail, array $shown, int $depth): void
    {
        for ($index = 0; $index < $mail->getTextPartCount(); $index++) {
            foreach (UuencodedFiles::takenOut(self::words($mail->getTextPart($index)))[1] as [$called, $bytes]) {
                $this->inside($called, $bytes);
            }
        }
        foreach ($mail->getAllAttachmentParts() as $part) {
            if (count($this->parts) >= self::MOST) {
                return;
            }
            $type = strtolower((string) $part->getContentType()) ?: 'application/octet-stream';
            $bytes = self::bytes($part);
            $name = MailName::of(self::named($part), $type, count($this->parts) + 1);
            if ($type === 'message/rfc822' || str_ends_with(strtolower($name), '.eml')) {
                $inner = Message::from($bytes, true);
                $called = self::named($part) === '' ? self::line((string) $inner->getHeaderValue('Subject')) : '';
                $name = $called === '' ? $name : MailName::of("{$called}.eml", $type, 1);
                $this->parts[] = new MailPart($name, 'message/rfc822', $bytes, false);
                $depth < self::DEEPEST && $this->attached($inner, self::shown(self::html($inner)), $depth + 1);

                continue;
            }
            $shownAs = self::shownAs($part, $shown);
            $this->parts[] = new MailPart($name, $type, $bytes, MailPaper::is($bytes, $type, $name, $shownAs !== ''), $shownAs);
            foreach (PackedFiles::of($bytes, $type, $name) as [$called, $packed]) {
                $this->inside($called, $packed);
            }
        }
    }

    /** What a part is called; a path that was written without quotes has lost its strokes on being read. */
    private static function named(IMessagePart $part): string
    {
        $said = $part instanceof IMimePart ? (string) $part->getHeader('Content-Disposition')?->getRawValue() : '';

        return preg_match('/filename="?[^";]*\\\\([^";\\\\]+)/i', $said, $m) === 1 ? trim($m[1]) : (string) ($part->getFilename() ?? '');
    }

    /**
     * The Content-ID by which the letter's own page shows a part; empty: it does not.
     *
     * @param array<string, true> $shown
     */
    private static function shownAs(IMessagePart $part, array $shown): string
    {
        $id = trim((string) ($part instanceof IMimePart ? $part->getContentId() : ''), '<> ');

        return $id !== '' && isset($shown[$id]) ? $id : '';
    }

    /** A file whose kind nobody has said. */
    private function inside(string $called, string $bytes): void
    {
        if (count($this->parts) < self::MOST) {
            $type = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes);
            $name = MailName::of($called, $type, count($this->parts) + 1);
            $this->parts[] = new MailPart($name, $type, $bytes, MailPaper::is($bytes, $type, $name, false));
        }
    }

    /** What a part says. Where it does not say how it is written it is read as what it can only be (RFC 6532). */
    private static function words(?IMessagePart $part): string
    {
        if ($part === null) {
            return '';
        }
        $header = $part instanceof IMimePart ? $part->getHeader('Content-Type') : null;
        $bytes = $header instanceof ParameterHeader && $header->getValueFor('charset') !== null ? '' : self::bytes($part);

        return $bytes !== '' && mb_check_encoding($bytes, 'UTF-8') ? $bytes : (string) $part->getContent();
    }

    private static function bytes(IMessagePart $part): string
    {
        return (string) ($part->getBinaryContentStream()?->getContents() ?? '');
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', PlainText::of(MailName::decoded($text))));
    }
}
