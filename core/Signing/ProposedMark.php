<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Parties\PartyRole;

/**
 * A place on a page that seems to be meant for somebody's signature, initials, date or the like.
 */
final readonly class ProposedMark
{
    /**
     * @param int $page from 1
     * @param Rect $place as the page is displayed, in points from its upper left
     * @param Seat|null $seat whose it is; null: the page does not say it clearly
     * @param string $word what the page calls them, where that names no seat: "client"; empty when it says nothing
     * @param float $sure from 0 to 1
     * @param PartyRole|null $role what they are in the deal, where that is said; null: it is not
     * @param string $hint what a text or a check mark is asked for
     * @param EntryFormat $format how a text is entered
     */
    public function __construct(
        public int $page,
        public Rect $place,
        public MarkKind $kind,
        public ?Seat $seat,
        public string $word,
        public float $sure,
        public ?PartyRole $role = null,
        public string $hint = '',
        public EntryFormat $format = EntryFormat::Line,
    ) {
    }

    /** The same at another place. */
    public function at(Rect $place, float $sure): self
    {
        return new self($this->page, $place, $this->kind, $this->seat, $this->word, $sure, $this->role, $this->hint, $this->format);
    }

    /**
     * As printed by marks:propose; rect is left, bottom, right, top from the lower left of the page as it is displayed.
     *
     * @param float $height of its page, in points
     * @return array{page: int, rect: array{float, float, float, float}, kind: string, seat: string|null, word: string,
     *     sure: float}
     */
    public function toArray(float $height): array
    {
        return [
            'page' => $this->page,
            'rect' => [
                round($this->place->x, 2),
                round($height - $this->place->y - $this->place->height, 2),
                round($this->place->x + $this->place->width, 2),
                round($height - $this->place->y, 2),
            ],
            'kind' => $this->kind === MarkKind::Company ? MarkKind::Text->value : $this->kind->value,
            'seat' => $this->seat === null ? null : (string) $this->seat,
            'word' => $this->word,
            'sure' => round($this->sure, 2),
        ];
    }
}
