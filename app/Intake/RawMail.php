<?php

declare(strict_types=1);

namespace App\Intake;

use Unanimus\Intake\DeliveryReport;

/**
 * A letter as it came over the wire, taken apart.
 *
 * @link https://www.rfc-editor.org/rfc/rfc5322 and RFC 2045 to 2047 for its parts
 */
final readonly class RawMail
{
    private const DEEPEST = 8;

    /** @param  list<array{name: string, type: string, bytes: string}>  $attachments */
    private function __construct(
        public string $messageId,
        public string $sender,
        public string $subject,
        public string $text,
        public array $attachments,
        public ?DeliveryReport $report = null,
    ) {
    }

    public static function read(string $raw): self
    {
        [$headers, $body] = self::split($raw);
        $parts = self::parts($headers, $body, 0);
        $texts = array_filter($parts, static fn (array $part) => $part['name'] === '' && $part['type'] === 'text/plain');

        return new self(
            mb_strimwidth(trim($headers['message-id'] ?? '', '<> ') ?: hash('sha256', $raw), 0, 300),
            mb_strimwidth(self::decoded($headers['from'] ?? ''), 0, 300),
            mb_strimwidth(self::decoded($headers['subject'] ?? ''), 0, 300),
            mb_scrub(trim(implode("\n", array_column($texts, 'bytes')))),
            array_values(array_filter($parts, static fn (array $part) => $part['name'] !== '')),
            self::report($headers, $parts),
        );
    }

    /**
     * Of a message that says that another could not be delivered.
     *
     * @param array<string, string> $headers
     * @param list<array{name: string, type: string, bytes: string}> $parts
     */
    private static function report(array $headers, array $parts): ?DeliveryReport
    {
        if (preg_match('~^multipart/report\b~i', $headers['content-type'] ?? '') !== 1) {
            return null;
        }
        $of = static fn (string ...$types): string => (string) current(
            array_column(array_filter($parts, static fn (array $part) => in_array($part['type'], $types, true)), 'bytes'),
        );

        return DeliveryReport::of($of('message/delivery-status'), $of('message/rfc822', 'text/rfc822-headers', 'message/global-headers'));
    }

    /** @return array{array<string, string>, string} */
    private static function split(string $raw): array
    {
        [$head, $body] = preg_split('/\r?\n\r?\n/', $raw, 2) + [1 => ''];
        $headers = [];
        foreach (preg_split('/\r?\n/', (string) preg_replace('/\r?\n[ \t]+/', ' ', (string) $head)) ?: [] as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            $headers[strtolower(trim($name))] ??= trim($value);
        }

        return [$headers, (string) $body];
    }

    /**
     * @param array<string, string> $headers
     * @return list<array{name: string, type: string, bytes: string}>
     */
    private static function parts(array $headers, string $body, int $depth): array
    {
        $type = $headers['content-type'] ?? 'text/plain';
        if ($depth < self::DEEPEST && preg_match('~^multipart/.*boundary="?([^";]+)~i', $type, $m) === 1) {
            $all = [];
            foreach (array_slice(preg_split('/^--'.preg_quote($m[1], '/').'(?:--)?[ \t]*\r?$/m', $body) ?: [], 1) as $part) {
                $part = ltrim($part, "\r\n");
                $part === '' || array_push($all, ...self::parts(...[...self::split($part), $depth + 1]));
            }

            return $all;
        }
        $bytes = match (strtolower($headers['content-transfer-encoding'] ?? '')) {
            'base64' => (string) base64_decode($body),
            'quoted-printable' => quoted_printable_decode($body),
            default => $body,
        };
        $named = preg_match('/(?:file)?name="?([^";]+)/i', ($headers['content-disposition'] ?? '').' ; '.$type, $n) === 1;

        return [
            [
                'name' => $named ? mb_strimwidth(basename(self::decoded($n[1])), 0, 120, '…') : '',
                'type' => strtolower(trim(explode(';', $type)[0])),
                'bytes' => $bytes,
            ],
        ];
    }

    private static function decoded(string $text): string
    {
        // Bare UTF-8 is allowed too (RFC 6532), and would be dropped by what reads encoded words.
        return str_contains($text, '=?') ? mb_scrub(
            iconv_mime_decode($text, ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8') ?: $text,
        ) : mb_scrub($text);
    }
}
