<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A file that came along with a letter.
 */
final readonly class MailPart
{
    /**
     * @param string $name without a folder; made up from its type where the letter has none
     * @param string $type as the letter says, in small letters
     * @param bool $paper whether it is a paper, and no logo, calendar entry, card or signature of the mail itself
     * @param string $shownAs the Content-ID by which the letter's own page shows it; empty: it does not
     */
    public function __construct(
        public string $name,
        public string $type,
        public string $bytes,
        public bool $paper,
        public string $shownAs = '',
    ) {
    }

    /** @return array{name: string, type: string, bytes: int, sha256: string, paper: bool} */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'type' => $this->type,
            'bytes' => strlen($this->bytes),
            'sha256' => hash('sha256', $this->bytes),
            'paper' => $this->paper,
        ];
    }
}
