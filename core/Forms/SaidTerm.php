<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;

/** Something that a paper which is no form of ours says of a deal, with the words it stands in. */
final readonly class SaidTerm
{
    /**
     * @param string $name of the term or the fact of the property, or the seat: "price", "property.street", "buyer.1"
     * @param string $value as it is kept; of a person their name
     * @param string $quote the words it was read in
     * @param int $page from one
     */
    public function __construct(public string $name, public string $value, public string $quote, public int $page, public Rect $place)
    {
    }

    /** @param  array<string, mixed>  $data  as written by {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self(
            (string) $data['name'],
            (string) $data['value'],
            (string) $data['quote'],
            (int) $data['page'],
            new Rect(...array_map(floatval(...), array_values((array) $data['place']))),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $at = $this->place;
        $place = array_map(static fn (float $one) => round($one, 1), [$at->x, $at->y, $at->width, $at->height]);

        return ['name' => $this->name, 'value' => $this->value, 'quote' => $this->quote, 'page' => $this->page, 'place' => $place];
    }
}
