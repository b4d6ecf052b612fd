<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * What a mail system reports of a message that could not be delivered.
 *
 * @link https://www.rfc-editor.org/rfc/rfc3464 the fields of message/delivery-status; RFC 3462 the parts of the report
 */
final readonly class DeliveryReport
{
    private function __construct(public string $recipient, public string $because, public string $messageId)
    {
    }

    /**
     * From the two machine-readable parts of a report: its status, and the message that came back or only its headers.
     *
     * @return self|null null when nothing failed for good, or it is not told which message it was
     */
    public static function of(string $status, string $returned): ?self
    {
        if (preg_match('/^Message-ID:\s*<([^<>\s]+)>/mi', self::unfolded($returned), $id) !== 1) {
            return null;
        }
        // The fields of the message come first, then a block for each recipient, parted by empty lines (RFC 3464, 2.1).
        foreach (preg_split('/\R[ \t]*\R/', trim($status)) ?: [] as $block) {
            $fields = self::fields($block);
            if (strtolower($fields['action'] ?? '') === 'failed') {
                return new self(
                    self::typed($fields['final-recipient'] ?? ($fields['original-recipient'] ?? '')),
                    self::because($fields),
                    $id[1],
                );
            }
        }

        return null;
    }

    /**
     * From a report in words alone, as older mail systems write them: whom, a code of failure, and the headers of the message.
     *
     * @return self|null null when nothing failed for good, or it is not told which message it was
     *
     * @link https://www.rfc-editor.org/rfc/rfc5321 codes that begin with 5 are for good (4.2.1)
     */
    public static function ofWords(string $text): ?self
    {
        $failed = '/<?([^\s<>"]{1,200}@[^\s<>":]{1,200})>?:?\s+(?:.{0,300}?)\b5\d\d[ -](?:#?(5\.\d{1,3}\.\d{1,3})\s)?([^\n]{0,160})/s';
        $isTold = preg_match('/^\s*Message-ID:\s*<([^<>\s]+)>/mi', $text, $id) === 1 && preg_match($failed, $text, $m) === 1;

        return $isTold ? new self($m[1], self::because(['status' => $m[2], 'diagnostic-code' => trim($m[3])]), $id[1]) : null;
    }

    /** @return array{recipient: string, because: string, messageId: string} */
    public function toArray(): array
    {
        return ['recipient' => $this->recipient, 'because' => $this->because, 'messageId' => $this->messageId];
    }

    /** @return array<string, string> */
    private static function fields(string $block): array
    {
        $fields = [];
        foreach (preg_split('/\R/', self::unfolded($block)) ?: [] as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            $fields[strtolower(trim($name))] ??= trim($value);
        }

        return $fields;
    }

    /**
     * Why, in words for whoever sent it.
     *
     * @param array<string, string> $fields
     *
     * @link https://www.rfc-editor.org/rfc/rfc3463 what the enhanced status codes mean
     */
    private static function because(array $fields): string
    {
        $status = $fields['status'] ?? '';

        return match (true) {
            preg_match('/^5\.1\.[0-3]/', $status) === 1 => 'there is no such mailbox',
            preg_match('/^5\.2\.1/', $status) === 1 => 'the mailbox is closed',
            preg_match('/^[45]\.2\.2/', $status) === 1 => 'the mailbox is full',
            preg_match('/^5\.2\.3|^5\.3\.4/', $status) === 1 => 'it is too large for that mailbox',
            preg_match('/^[45]\.4\./', $status) === 1 => 'its mail server cannot be reached',
            preg_match('/^5\.7\./', $status) === 1 => 'its mail server does not accept it',
            default => mb_strimwidth(self::typed($fields['diagnostic-code'] ?? ''), 0, 160, '…') ?: 'no reason was given',
        };
    }

    /** The value behind its type: "rfc822; jose@eide.example". */
    private static function typed(string $field): string
    {
        return trim(str_contains($field, ';') ? explode(';', $field, 2)[1] : $field);
    }

    private static function unfolded(string $text): string
    {
        return (string) preg_replace('/\R[ \t]+/', ' ', $text);
    }
}
