<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * What tells a file apart, to be found in a letter.
 */
final readonly class FileSigns
{
    /**
     * @param int $file its number, given back by a guess
     * @param string $mailCode the end of its own address
     * @param string $listingNumber empty: none
     * @param string $street house and street, "14 Lanternfish Lane"; empty: not known
     * @param list<string> $addresses mail addresses of its people
     * @param list<string> $names full names of its people
     */
    public function __construct(
        public int $file,
        public string $mailCode,
        public string $listingNumber,
        public string $street,
        public array $addresses,
        public array $names,
    ) {
    }
}
