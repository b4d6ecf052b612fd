<?php

declare(strict_types=1);

namespace App\Signing;

use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Parties\Language;

/** What someone says of a round on its desk, besides where is signed. */
final readonly class RoundChange
{
    /**
     * @param list<array{name: string, email: string}> $copies who gets the set in the end besides those who sign
     * @param array<string, int> $turns by signer's key
     * @param array<string, string> $addresses by signer's key; an empty one leaves the address as it is
     * @param array<string, string> $notes words for one person alone, by signer's key
     * @param array<string, Language> $languages in which they read, by signer's key
     * @param TimeOfDay|null $lastTime the hour of the last day; null for the whole of it
     * @param bool $attach whether its pages go along with the emails, to be read first
     * @param array<string, string> $codes asked for on their links, by signer's key; an empty one asks for none
     */
    public function __construct(
        public string $subject = '',
        public string $message = '',
        public ?LocalDate $lastDay = null,
        public array $copies = [],
        public array $turns = [],
        public array $addresses = [],
        public array $notes = [],
        public array $languages = [],
        public array $codes = [],
        public ?TimeOfDay $lastTime = null,
        public bool $attach = false,
    ) {
    }
}
