<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Bookmark;

/**
 * One revision of a form: its pages, its blanks in reading order, its marks.
 */
final readonly class Form
{
    /**
     * @param string $stage the part of the deal it belongs to: agency, offer, contract, closing
     * @param list<array{float, float}> $pages width and height in points
     * @param list<Blank> $blanks in reading order
     * @param list<MarkPlace> $marks in reading order
     * @param string $pdf path of the printed pages
     * @param bool $retired whether papers may no more be begun on it
     * @param list<Bookmark> $sections its headings, each with the page it is on
     */
    public function __construct(
        public string $number,
        public string $revision,
        public string $title,
        public string $set,
        public string $stage,
        public array $pages,
        public array $blanks,
        public array $marks,
        public string $pdf,
        public bool $retired = false,
        public array $sections = [],
    ) {
    }

    /** The blank of that name, or null. */
    public function blank(string $name): ?Blank
    {
        foreach ($this->blanks as $blank) {
            if ($blank->name === $name) {
                return $blank;
            }
        }

        return null;
    }

    /** @return list<Blank> the blanks on a page, counted from 1 */
    public function blanksOn(int $page): array
    {
        return array_values(array_filter($this->blanks, static fn (Blank $blank) => $blank->page === $page));
    }

    /**
     * The role whose answers it takes: the one its title names, or the only client who signs it; null when it is several.
     */
    public function answeredBy(): ?string
    {
        if (preg_match('/^(Buyer|Seller|Tenant|Landlord)(?:’s|s’|\'s|s\')? /u', $this->title, $m) === 1) {
            return strtolower($m[1]);
        }
        $roles = array_unique(array_map(static fn (string $seat) => (string) strtok($seat, '.'), $this->seats()));
        $clients = array_values(array_intersect($roles, ['buyer', 'seller', 'tenant', 'landlord']));

        return count($clients) === 1 ? $clients[0] : null;
    }

    /** @return list<string> the seats that have a mark on it, in order of appearance */
    public function seats(): array
    {
        return array_values(array_unique(array_map(static fn (MarkPlace $mark) => (string) $mark->seat, $this->marks)));
    }
}
