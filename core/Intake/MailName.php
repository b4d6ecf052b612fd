<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\PlainText;

/**
 * Names of what comes along with a letter, also those that were written as no standard allows.
 *
 * @internal to its area
 */
final class MailName
{
    private const LONGEST = 120;

    private const ENDINGS = [
        'application/pdf' => 'pdf',
        'image/jpeg' => 'jpg',
        'image/png' => 'png',
        'image/gif' => 'gif',
        'image/heic' => 'heic',
        'image/tiff' => 'tif',
        'text/plain' => 'txt',
        'text/html' => 'html',
        'text/calendar' => 'ics',
        'text/vcard' => 'vcf',
        'message/rfc822' => 'eml',
        'application/msword' => 'doc',
        'application/rtf' => 'rtf',
        'application/vnd.openxmlformats-officedocument.wordprocessingml.document' => 'docx',
    ];

    /** A name without a folder; one that is made up where there is none. */
    public static function of(string $given, string $type, int $number): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', PlainText::of(self::decoded($given))), " .\t\"'");
        $name = trim((string) preg_replace('~^.*[/\\\\]~u', '', $name));
        if ($name === '') {
            $ending = self::ENDINGS[$type] ?? 'bin';

            return "attachment-{$number}.{$ending}";
        }
        $ending = mb_substr((string) strrchr($name, '.'), 0, 8);

        return mb_strlen($name) <= self::LONGEST ? $name : mb_substr($name, 0, self::LONGEST - mb_strlen($ending) - 1).'…'.$ending;
    }

    /** Encoded words where none may stand (RFC 2047, section 5), and bytes that are no UTF-8. */
    public static function decoded(string $text): string
    {
        if (preg_match('/=\?[^?]+\?[bq]\?/i', $text) === 1) {
            $text = iconv_mime_decode($text, ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8') ?: $text;
        }

        return mb_check_encoding($text, 'UTF-8') ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
