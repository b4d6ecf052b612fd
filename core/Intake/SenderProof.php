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
    /** @param  string  $spf  result of each: "pass", "fail", "none" …; empty where the server says nothing */
    public function __construct(public string $spf = '', public string $dkim = '', public string $dmarc = '')
    {
    }

    /**
     * From the header that the receiving server put on top; those below it anybody can have written.
     *
     * @param string $results the value of the first Authentication-Results; empty: there is none
     */
    public static function of(string $results): self
    {
        // Comments may say anything, also "dmarc=pass".
        $plain = (string) preg_replace('/\([^()]*\)/', ' ', $results);
        $one = static function (string $method) use ($plain): string {
            preg_match_all('/(?:^|;)\s*'.$method.'\s*=\s*([a-z]+)/i', $plain, $m);
            $all = array_map(strtolower(...), $m[1]);

            // Of several signatures one that holds is enough.
            return in_array('pass', $all, true) ? 'pass' : $all[0] ?? '';
        };

        return new self($one('spf'), $one('dkim'), $one('dmarc'));
    }

    /** Whether the sender's own domain stands for it: only DMARC holds the address that is shown against what was proved. */
    public function isProved(): bool
    {
        return $this->dmarc === 'pass';
    }

    /** @return array{spf: string, dkim: string, dmarc: string, proved: bool} */
    public function toArray(): array
    {
        return ['spf' => $this->spf, 'dkim' => $this->dkim, 'dmarc' => $this->dmarc, 'proved' => $this->isProved()];
    }
}
