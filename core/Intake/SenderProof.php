<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Whether the receiving mail server found that a letter is from whom it says.
 *
 * @link https://www.rfc-editor.org/rfc/rfc8601 Authentication-Results; RFC 7208 SPF, RFC 6376 DKIM, RFC 7489 DMARC
 */
final readonly class SenderProof
{
    /**
     * @param string $spf result of each: "pass", "fail", "none" …; empty where the server says nothing
     * @param bool $isOurs whether one of our own receiving servers says so; anybody else can have written it
     */
    public function __construct(
        public string $spf = '',
        public string $dkim = '',
        public string $dmarc = '',
        public bool $isOurs = false,
    ) {
    }

    /**
     * From the header that the receiving server put on top; those below it anybody can have written.
     *
     * @param string $results the value of the first Authentication-Results; empty: there is none
     * @param list<string> $servers names under which our receiving servers write it (RFC 8601, section 5)
     */
    public static function of(string $results, array $servers = []): self
    {
        // Comments may say anything, also "dmarc=pass".
        $plain = (string) preg_replace('/\([^()]*\)/', ' ', $results);
        $one = static function (string $method) use ($plain): string {
            preg_match_all('/(?:^|;)\s*'.$method.'\s*=\s*([a-z]+)/i', $plain, $m);
            $all = array_map(strtolower(...), $m[1]);

            // Of several signatures one that holds is enough.
            return in_array('pass', $all, true) ? 'pass' : $all[0] ?? '';
        };

        $by = strtolower((string) strtok(trim($plain), "; \t\r\n"));

        return new self($one('spf'), $one('dkim'), $one('dmarc'), in_array($by, array_map(strtolower(...), $servers), true));
    }

    /** Whether the sender's own domain stands for it: only DMARC holds the address that is shown against what was proved. */
    public function isProved(): bool
    {
        return $this->isOurs && $this->dmarc === 'pass';
    }

    /** @return array{spf: string, dkim: string, dmarc: string, proved: bool} */
    public function toArray(): array
    {
        return ['spf' => $this->spf, 'dkim' => $this->dkim, 'dmarc' => $this->dmarc, 'proved' => $this->isProved()];
    }
}
