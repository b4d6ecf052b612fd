<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/**
 * Somebody who is to sign in a round.
 */
final readonly class PlannedSigner
{
    /**
     * @param bool $isOurs whether those who send keep their address; of the other side's people their own agent does
     * @param int $places how many places they have to sign or initial
     * @param string $inFile their name in the file now; empty where it is as here
     * @param Part $part what they are asked for
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $email,
        public bool $isOurs,
        public int $places = 1,
        public string $inFile = '',
        public Part $part = Part::Signs,
    ) {
    }
}
