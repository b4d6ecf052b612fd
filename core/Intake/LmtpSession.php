<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * One mail server's talk with us: what it says line by line, and what is answered. A message is answered once for each whom it
 * is for, after it was kept, so that the mail server keeps what was not.
 *
 * @link https://www.rfc-editor.org/rfc/rfc2033 LMTP: 4.1 LHLO, 4.2 one answer for each recipient
 * @link https://www.rfc-editor.org/rfc/rfc5321 SMTP: 4.5.2 dots at the beginning of a line, 4.1.1 the commands
 * @link https://www.rfc-editor.org/rfc/rfc1870 SIZE
 */
final class LmtpSession
{
    public const LARGEST = 60 * 1024 * 1024;

    /** No command is longer (RFC 5321, 4.5.3.1.4, and room for extensions). */
    private const LONGEST_COMMAND = 2048;

    private const MOST_RECIPIENTS = 100;

    private bool $greeted = false;

    private ?string $from = null;

    /** @var list<string> */
    private array $to = [];

    private ?string $data = null;

    private bool $isOver = false;

    /**
     * @param string $host what we call ourselves
     * @param \Closure(string): bool $knows whether mail to an address is for somebody here
     * @param \Closure(string, list<string>, string): LmtpAnswer $keep keeps a message: who sent it, whom it is for, and itself
     */
    public function __construct(private readonly string $host, private readonly \Closure $knows, private readonly \Closure $keep)
    {
    }

    /** What is said first. */
    public function greeting(): string
    {
        return "220 {$this->host} LMTP\r\n";
    }

    /** Whether the other side said goodbye. */
    public function isOver(): bool
    {
        return $this->isOver;
    }

    /** Whether a message is being received: what comes are its lines. */
    public function isReceiving(): bool
    {
        return $this->data !== null;
    }

    /**
     * Hears a line, with its end, and says what is answered; nothing while a message comes in.
     *
     * @param string $line a command, or a line of a message
     */
    public function hear(string $line): string
    {
        if ($this->data !== null) {
            return $this->receive($line);
        }
        if (strlen($line) > self::LONGEST_COMMAND) {
            return "500 5.5.2 Too long\r\n";
        }
        [$verb, $rest] = [...explode(' ', trim($line), 2), ''];

        return match (strtoupper($verb)) {
            'LHLO' => $this->greet($rest),
            'HELO', 'EHLO' => "500 5.5.1 This is LMTP: say LHLO\r\n",
            'MAIL' => $this->sender($rest),
            'RCPT' => $this->recipient($rest),
            'DATA' => $this->begin(),
            'RSET' => $this->reset("250 2.0.0 Ok\r\n"),
            'NOOP' => "250 2.0.0 Ok\r\n",
            'VRFY' => "252 2.1.5 Send it, and see\r\n",
            'QUIT' => $this->leave(),
            default => "500 5.5.1 What is that?\r\n",
        };
    }

    private function greet(string $who): string
    {
        if (trim($who) === '') {
            return "501 5.5.4 LHLO who?\r\n";
        }
        $this->greeted = true;

        return $this->reset("250-{$this->host}\r\n250-PIPELINING\r\n250-8BITMIME\r\n250-SMTPUTF8\r\n250-ENHANCEDSTATUSCODES\r\n250 SIZE ".
            self::LARGEST."\r\n");
    }

    private function sender(string $rest): string
    {
        if (! $this->greeted || $this->from !== null) {
            return "503 5.5.1 Not now\r\n";
        }
        if (preg_match('/^FROM:\s*<([^<>\r\n]*)>(.*)$/i', $rest, $m) !== 1) {
            return "501 5.5.4 MAIL FROM:<address>\r\n";
        }
        if (preg_match('/\bSIZE=(\d+)/i', $m[2], $size) === 1 && (strlen($size[1]) > 12 || (int) $size[1] > self::LARGEST)) {
            return "552 5.3.4 Larger than 60 MB\r\n";
        }
        $this->from = $m[1];

        return "250 2.1.0 Ok\r\n";
    }

    private function recipient(string $rest): string
    {
        if ($this->from === null) {
            return "503 5.5.1 Not now\r\n";
        }
        if (preg_match('/^TO:\s*<([^<>\s]+@[^<>\s]+)>/i', $rest, $m) !== 1) {
            return "501 5.5.4 RCPT TO:<address>\r\n";
        }
        if (count($this->to) >= self::MOST_RECIPIENTS) {
            return "452 4.5.3 Too many at once\r\n";
        }
        if (! ($this->knows)($m[1])) {
            return "550 5.1.1 No one here is known by that address\r\n";
        }
        $this->to[] = $m[1];

        return "250 2.1.5 Ok\r\n";
    }

    private function begin(): string
    {
        if ($this->to === []) {
            return "503 5.5.1 No one to give it to\r\n";
        }
        $this->data = '';

        return "354 Go on; a dot alone ends it\r\n";
    }

    private function receive(string $line): string
    {
        if (rtrim($line, "\r\n") !== '.') {
            // What is larger is heard to its end, and not kept.
            strlen((string) $this->data) > self::LARGEST || ($this->data .= str_starts_with($line, '.') ? substr($line, 1) : $line);

            return '';
        }
        [$from, $to, $raw] = [(string) $this->from, $this->to, (string) $this->data];
        $answer = match (true) {
            strlen($raw) > self::LARGEST => LmtpAnswer::TooLarge,
            trim($raw) === '' => LmtpAnswer::NoMessage,
            default => ($this->keep)($from, $to, $raw),
        };

        return $this->reset(str_repeat("{$answer->value}\r\n", count($to)));
    }

    /**
     * Whom it was really sent by and to stands on top (RFC 5321, 4.4): blind copies are told by nothing else.
     *
     * @param list<string> $to those of one inbox: nobody else's address is told to them
     */
    public static function withEnvelope(string $from, array $to, string $raw): string
    {
        $on = "Return-Path: <{$from}>\r\n";
        foreach ($to as $one) {
            $on .= "Delivered-To: {$one}\r\n";
        }

        return $on.$raw;
    }

    private function reset(string $answer): string
    {
        [$this->from, $this->to, $this->data] = [null, [], null];

        return $answer;
    }

    private function leave(): string
    {
        $this->isOver = true;

        return "221 2.0.0 Goodbye\r\n";
    }
}
