<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;

/** A place to sign as a stencil keeps it. */
final readonly class StencilMark
{
    /**
     * @param string $key what others of the same stencil refer to it by
     * @param int $page from 1
     */
    public function __construct(
        public string $key,
        public int $page,
        public Seat $seat,
        public MarkKind $kind,
        public Rect $place,
        public MarkTerms $terms,
    ) {
    }

    /** The same at another place. */
    public function at(int $page, Rect $place): self
    {
        return new self($this->key, $page, $this->seat, $this->kind, $place, $this->terms);
    }

    /** The same for someone else. */
    public function of(Seat $seat): self
    {
        return new self($this->key, $this->page, $seat, $this->kind, $this->place, $this->terms);
    }

    /** @param  array<string, mixed>  $data  as written by {@see toArray} */
    public static function fromArray(array $data): self
    {
        $kind = MarkKind::from((string) $data['kind']);

        return new self(
            (string) $data['key'],
            (int) $data['page'],
            Seat::of((string) $data['seat']),
            $kind,
            new Rect(...array_map(floatval(...), array_values($data['place']))),
            MarkTerms::fromArray($kind, $data['terms']),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'page' => $this->page,
            'seat' => (string) $this->seat,
            'kind' => $this->kind->value,
            'place' => $this->place->toArray(),
            'terms' => $this->terms->toArray($this->kind),
        ];
    }
}
