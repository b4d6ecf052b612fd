<?php

declare(strict_types=1);

namespace App\Intake;

/**
 * A mailbox on a server, looked into over IMAP by libcurl. What has been taken is marked there with a keyword of ours and stays
 * where it is, read or unread: whoever shares the mailbox finds it as before.
 *
 * @link https://www.rfc-editor.org/rfc/rfc3501 IMAP4rev1: 2.3.2 keywords, 6.4.4 SEARCH, 6.4.8 UID
 */
final class Mailbox
{
    /** On what has been taken. */
    public const KEYWORD = 'UnanimusTaken';

    /** Seconds for one command; a message of 60 MB may take that long. */
    private const PATIENCE = 120;

    private ?\CurlHandle $line = null;

    /** @param  string  $url  imaps://server, or imap:// where it is on this machine */
    public function __construct(
        private readonly string $url,
        private readonly string $user,
        #[\SensitiveParameter] private readonly string $password,
        private readonly string $folder = 'INBOX',
        private readonly ?string $roots = null,
    ) {
    }

    /**
     * What has not been taken yet, the oldest first.
     *
     * @return list<int> unique ids
     *
     * @throws MailboxUnreachable when the server does not answer or refuses
     */
    public function waiting(): array
    {
        // A line that was opened before knows nothing of what came since.
        $this->line = null;
        $answer = $this->ask('UID SEARCH UNKEYWORD '.self::KEYWORD.' UNDELETED');
        $ids = preg_match('/^\* SEARCH((?: \d+)*)/m', $answer, $m) === 1 ? array_filter(explode(' ', trim($m[1]))) : [];
        $ids = array_map(intval(...), array_values($ids));
        sort($ids);

        return $ids;
    }

    /**
     * One message, byte for byte. Looking at it marks nothing.
     *
     * @throws MailboxUnreachable when it cannot be had
     */
    public function message(int $id): string
    {
        // By a path of its own: libcurl hands over the literal then, and not the lines around it.
        return $this->get("{$this->place()}/;UID={$id};SECTION=", null);
    }

    /** @throws MailboxUnreachable when it cannot be marked */
    public function markTaken(int $id): void
    {
        $this->ask("UID STORE {$id} +FLAGS.SILENT (".self::KEYWORD.')');
    }

    private function ask(string $command): string
    {
        return $this->get($this->place(), $command);
    }

    private function place(): string
    {
        return rtrim($this->url, '/').'/'.rawurlencode($this->folder);
    }

    private function get(string $url, ?string $command): string
    {
        // One connection for all of it.
        $this->line ??= curl_init() ?: throw new MailboxUnreachable('The mailbox cannot be asked.');
        curl_reset($this->line);
        curl_setopt_array($this->line, [
            CURLOPT_URL => $url,
            CURLOPT_USERNAME => $this->user,
            CURLOPT_PASSWORD => $this->password,
            CURLOPT_PROTOCOLS => CURLPROTO_IMAP | CURLPROTO_IMAPS,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_CONNECTTIMEOUT => 15,
            CURLOPT_TIMEOUT => self::PATIENCE,
            CURLOPT_USE_SSL => str_starts_with($this->url, 'imaps:') ? CURLUSESSL_ALL : CURLUSESSL_TRY,
        ]);
        $command === null || curl_setopt($this->line, CURLOPT_CUSTOMREQUEST, $command);
        $this->roots === null || curl_setopt($this->line, CURLOPT_CAINFO, $this->roots);
        $answer = curl_exec($this->line);
        if (! is_string($answer)) {
            throw new MailboxUnreachable('The mailbox does not answer: '.curl_error($this->line));
        }

        return $answer;
    }
}
