<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * A time-stamp request and the reading of its answer.
 *
 * @link https://www.rfc-editor.org/rfc/rfc3161#section-2.4
 */
final readonly class StampRequest
{
    private function __construct(public string $der, private string $digest, private string $nonce)
    {
    }

    /** The request for a SHA-256 digest, with a nonce, asking for the authority's certificate. */
    public static function over(string $digest): self
    {
        $nonce = Der::integer(random_int(1 << 40, PHP_INT_MAX));
        $sha256 = Der::sequence(Der::oid('2.16.840.1.101.3.4.2.1'), Der::null());

        return new self(
            Der::sequence(Der::integer(1), Der::sequence($sha256, Der::octets($digest)), $nonce, "\x01\x01\xFF"),
            $digest,
            $nonce,
        );
    }

    /**
     * The token in an answer.
     *
     * @throws StampUnavailable when the authority refused, or answered for something else
     */
    public function tokenIn(string $answer): string
    {
        try {
            $parts = Der::children(Der::read($answer)['content']);
            $status = ord(Der::children($parts[0]['content'])[0]['content']);
        } catch (SealBroken) {
            throw new StampUnavailable('The time-stamping authority answered with something unreadable.');
        }
        if ($status > 1 || ! isset($parts[1])) {
            throw new StampUnavailable("The time-stamping authority refused with status {$status}.");
        }
        $token = $parts[1]['whole'];
        if (! str_contains($token, $this->digest) || ! str_contains($token, $this->nonce)) {
            throw new StampUnavailable('The time-stamping authority answered for another request.');
        }

        return $token;
    }
}
