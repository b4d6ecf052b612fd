<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\Paper;
use App\Models\Requirement;
use Unanimus\Forms\Finding;

/** A paper on the board. */
final readonly class BoardRow
{
    /**
     * @param array<string, string> $cells by seat: who owes what on it
     * @param list<Finding> $findings
     * @param RowStep|null $next null when nothing is to be done
     */
    public function __construct(
        public Paper $paper,
        public ?Requirement $requirement,
        public array $cells,
        public string $note,
        public array $findings,
        public ?RowStep $next,
    ) {
    }

    /** @return list<string> seats that have something to do on it */
    public function owing(): array
    {
        return array_keys(array_filter($this->cells, static fn (string $cell) => $cell !== 'done'));
    }
}
