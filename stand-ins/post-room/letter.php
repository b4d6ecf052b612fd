<?php

declare(strict_types=1);

/** A letter as its recipient sees it. */
final class Letter
{
    /** @param  list<array{name: string, type: string, bytes: string}>  $attachments */
    private function __construct(public string $from, public string $to, public string $subject, public string $date, public string $text, public ?string $link, public array $attachments)
    {
    }

    public static function read(string $file): self
    {
        [$headers, $body] = self::split((string) file_get_contents($file));
        $parts = self::parts($headers, $body);
        $texts = array_filter($parts, static fn (array $part) => $part['type'] === 'text/plain' && $part['name'] === '');
        $text = implode("\n", array_column($texts, 'bytes'));
        preg_match('~https?://\S+~', $text, $link);

        return new self(
            self::decoded($headers['from'] ?? ''), self::decoded($headers['to'] ?? $headers['x-envelope-to'] ?? ''), self::decoded($headers['subject'] ?? '(no subject)'), $headers['date'] ?? '',
            $text, $link[0] ?? null, array_values(array_filter($parts, static fn (array $part) => $part['name'] !== '')),
        );
    }

    /** @return array{bool, string} */
    public static function sendIn(array $env, array $form, ?array $upload): array
    {
        $boundary = bin2hex(random_bytes(12));
        $clean = static fn (string $text) => trim(str_replace(["\r", "\n"], ' ', $text));
        $encoded = static fn (string $text) => '=?UTF-8?B?'.base64_encode($text).'?=';
        $mime = 'From: '.$clean($form['from'] ?? '')."\r\nTo: inbox@quillmark.example\r\nSubject: ".$encoded($clean($form['subject'] ?? ''))."\r\nDate: ".date(DATE_RFC2822)."\r\nMessage-ID: <{$boundary}@post-room.example>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary=\"{$boundary}\"\r\n\r\n"
            ."--{$boundary}\r\nContent-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: base64\r\n\r\n".chunk_split(base64_encode((string) ($form['text'] ?? '')));
        if ($upload !== null && ($upload['error'] ?? 4) === 0) {
            $mime .= "--{$boundary}\r\nContent-Type: application/octet-stream\r\nContent-Transfer-Encoding: base64\r\nContent-Disposition: attachment; filename=\"".$encoded($clean($upload['name']))."\"\r\n\r\n".chunk_split(base64_encode((string) file_get_contents($upload['tmp_name'])));
        }
        $context = stream_context_create(['http' => ['method' => 'POST', 'header' => "Content-Type: message/rfc822\r\nAuthorization: Bearer ".($env['UNANIMUS_INTAKE_TOKEN'] ?? ''), 'content' => $mime."--{$boundary}--\r\n", 'ignore_errors' => true, 'timeout' => 20]]);
        $answer = @file_get_contents(($env['APP_URL'] ?? '').'/intake/mail', false, $context);
        $ok = str_contains($http_response_header[0] ?? '', ' 20');

        return [$ok, $answer === false ? 'Unanimus does not answer.' : (string) $answer];
    }

    /** @return array{array<string, string>, string} */
    private static function split(string $raw): array
    {
        [$head, $body] = explode("\n\n", str_replace("\r\n", "\n", $raw), 2) + [1 => ''];
        $headers = [];
        foreach (explode("\n", (string) preg_replace('/\n[ \t]+/', ' ', $head)) as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            $headers[strtolower(trim($name))] = trim($value);
        }

        return [$headers, $body];
    }

    /** @return list<array{name: string, type: string, bytes: string}> */
    private static function parts(array $headers, string $body): array
    {
        $type = $headers['content-type'] ?? 'text/plain';
        if (preg_match('~^multipart/.*boundary="?([^";]+)~i', $type, $m) === 1) {
            $all = [];
            foreach (array_slice(explode("--{$m[1]}", $body), 1, -1) as $part) {
                [$inner, $content] = self::split(ltrim($part, "\n"));
                array_push($all, ...self::parts($inner, $content));
            }

            return $all;
        }
        $bytes = match (strtolower($headers['content-transfer-encoding'] ?? '')) {
            'base64' => (string) base64_decode($body),
            'quoted-printable' => quoted_printable_decode($body),
            default => $body,
        };
        $name = preg_match('/(?:file)?name="?([^";]+)/i', ($headers['content-disposition'] ?? '').' ; '.$type, $n) === 1 ? self::decoded($n[1]) : '';

        return [['name' => $name, 'type' => strtolower(trim(explode(';', $type)[0])), 'bytes' => $bytes]];
    }

    private static function decoded(string $text): string
    {
        return iconv_mime_decode($text, ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8') ?: $text;
    }
}
