<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A letter that came in, as it was understood.
 */
final readonly class ReceivedMail
{
    /**
     * @param string $messageId without brackets; of a letter without one, the SHA-256 of its bytes
     * @param string $sender as read: "Name <address>", or the address alone
     * @param list<string> $to the same of those it went to
     * @param list<string> $cc
     * @param list<string> $delivered addresses the receiving servers say it went to, which a blind copy names alone
     * @param \DateTimeImmutable|null $date when it says it was written, in its own zone
     * @param string $text what it says, as plain text
     * @param string $html as it came; not to be shown before it was cleaned
     * @param list<MailPart> $attachments those of letters inside it too
     * @param bool $auto whether a program answered, and nobody wrote it
     * @param DeliveryReport|null $report when it tells that a letter could not be delivered
     * @param list<string> $answers identifiers of the letters it answers, without brackets, the closest first
     */
    public function __construct(
        public string $messageId,
        public string $sender,
        public array $to,
        public array $cc,
        public array $delivered,
        public string $subject,
        public ?\DateTimeImmutable $date,
        public string $text,
        public string $html,
        public array $attachments,
        public bool $auto,
        public ?DeliveryReport $report,
        public SenderProof $proof,
        public array $answers = [],
    ) {
    }

    /** @return list<string> all it went to, each once */
    public function recipients(): array
    {
        $named = [...$this->to, ...$this->cc];
        $all = strtolower(implode(' ', $named));

        return [...$named, ...array_filter($this->delivered, static fn (string $one) => ! str_contains($all, strtolower($one)))];
    }

    /** @return list<string> the codes of our own addresses among those it went to: what stands between the last dot and the @ */
    public function codes(): array
    {
        preg_match_all('/\.([a-z0-9]{6,16})@/', strtolower(implode(' ', $this->recipients())), $codes);

        return array_values(array_unique($codes[1]));
    }

    /** @return list<MailPart> what came along and is a paper */
    public function papers(): array
    {
        return array_values(array_filter($this->attachments, static fn (MailPart $part) => $part->paper));
    }

    /** Whether it speaks of money going to another account than was said: to be asked back by telephone, whoever it is from. */
    public function speaksOfWiring(): bool
    {
        $account = '(?:wir(?:e|ing)|bank(?:ing)?|routing|account|transfer|payment)\s+'.
            '(?:instruction|detail|information|number|account|info)|'.
            '(?:datos|instrucci[oó]n|instrucciones|n[uú]mero|cuenta)\s+(?:de\s+(?:la\s+|su\s+)?)?'.
            '(?:transferencia|banc|cuenta|pago|dep[oó]sito)';
        $other = '(?:new|chang|updat|revis|correct|differ|amend|replac|attached|below|instead|'.
            'nuev|cambi|actualiz|modific|correg|distint|diferent|adjunt)';
        $said = "{$this->subject}\n{$this->text}";

        return preg_match("/\\b(?:{$account})\\w*\\b.{0,90}\\b{$other}|\\b{$other}\\w*\\b.{0,60}\\b(?:{$account})/isu", $said) === 1;
    }

    /** @return array<string, mixed> as mail:read prints it */
    public function toArray(): array
    {
        return [
            'messageId' => $this->messageId,
            'from' => $this->sender,
            'to' => $this->to,
            'cc' => $this->cc,
            'delivered' => $this->delivered,
            'subject' => $this->subject,
            'date' => $this->date?->format(\DateTimeInterface::RFC3339),
            'text' => $this->text,
            'attachments' => array_map(static fn (MailPart $part) => $part->toArray(), $this->attachments),
            'answers' => $this->answers,
            'auto' => $this->auto,
            'bounce' => $this->report?->toArray(),
            'sender' => $this->proof->toArray(),
            'wiring' => $this->speaksOfWiring(),
        ];
    }
}
