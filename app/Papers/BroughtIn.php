<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use App\Models\PaperVersion;
use Unanimus\Intake\StackPart;

/** A file that has come in: the paper it became, what had to be done to it, and what it seems to be. */
final readonly class BroughtIn
{
    /**
     * @param list<string> $notes in words
     * @param Paper|null $meant the row it seems to belong to, where it is not there already
     * @param bool $wasExpected whether it was taken for the expected paper by its name or title
     * @param list<StackPart> $parts the papers in it, where it holds several
     */
    public function __construct(
        public Paper $paper,
        public PaperVersion $version,
        public array $notes,
        public ?Paper $meant = null,
        public bool $wasExpected = false,
        public array $parts = [],
    ) {
    }

    /** Whether a person should look where it went. */
    public function isQuestion(): bool
    {
        return $this->meant !== null || $this->wasExpected || $this->parts !== [];
    }
}
