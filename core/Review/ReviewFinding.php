<?php

declare(strict_types=1);

namespace Unanimus\Review;

use Unanimus\Pages\Rect;

/**
 * Something a machine found on a paper, for the reviewer to confirm as a remark or to set aside.
 */
final readonly class ReviewFinding
{
    /**
     * @param string $text what is wrong, in words
     * @param string $how how it was found, in words: "looked for ink"
     * @param int|null $page of the paper; null: the paper as a whole
     * @param Rect|null $place on that page
     */
    public function __construct(public string $text, public string $how, public ?int $page = null, public ?Rect $place = null)
    {
    }

    /** The same finding of the same version has the same one, whoever looks and whenever. */
    public function id(): string
    {
        $place = $this->place === null ? '' : "{$this->place->x},{$this->place->y}";

        return substr(hash('sha256', "{$this->text}|{$this->page}|{$place}"), 0, 16);
    }
}
