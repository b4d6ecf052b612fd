<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;

/**
 * Where on a form a seat signs, initials, dates or prints its name.
 */
final readonly class MarkPlace
{
    /** A mark of a kind, by a seat, at a place on a page (the first page is 1). */
    public function __construct(public MarkKind $kind, public Seat $seat, public int $page, public Rect $place)
    {
    }

    /** @param  array<string, mixed>  $data as written by {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self(
            MarkKind::from((string) $data['kind']),
            Seat::of((string) $data['seat']),
            (int) $data['page'],
            Rect::fromArray($data['place']),
        );
    }

    /** @return array{kind: string, seat: string, page: int, place: array{float, float, float, float}} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'seat' => (string) $this->seat, 'page' => $this->page, 'place' => $this->place->toArray()];
    }
}
