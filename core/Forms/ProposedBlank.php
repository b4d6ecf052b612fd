<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\Kind;

/**
 * A blank, or a mark, that a flat page seems to have.
 */
final readonly class ProposedBlank
{
    /**
     * @param Kind|MarkKind $kind what is filled, or what a signer makes there
     * @param string|null $binding the fact it seems to ask for; for a mark, the seat
     * @param string $by what on the page told it
     */
    public function __construct(
        public string $name,
        public Kind|MarkKind $kind,
        public string $label,
        public int $page,
        public Rect $place,
        public ?string $binding,
        public string $by,
    ) {
    }

    /** Whether it is made by a signer. */
    public function isMark(): bool
    {
        return $this->kind instanceof MarkKind;
    }

    /**
     * As told to other programs.
     *
     * @param float $height of its page in points
     * @return array<string, mixed> the place as left, bottom, right, top from the page's lower left corner as it is read
     */
    public function toArray(float $height): array
    {
        $rect = [
            $this->place->x,
            $height - $this->place->y - $this->place->height,
            $this->place->x + $this->place->width,
            $height - $this->place->y,
        ];

        return [
            'name' => $this->name,
            'kind' => $this->kind->value,
            'label' => $this->label,
            'page' => $this->page,
            'rect' => array_map(static fn (float $edge) => round($edge, 2), $rect),
            ...$this->isMark() ? ['mark' => true, 'seat' => $this->binding] : ['binding' => $this->binding],
            'by' => $this->by,
        ];
    }
}
