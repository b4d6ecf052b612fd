<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\User;

/** A task as it is added by hand: on a day, or so many days from an anchor of the file. */
final readonly class NewTask
{
    /**
     * @param string $day as typed; empty for none
     * @param string $anchor a day of the file that it is reckoned from; empty when $day says it
     * @param int $days from the anchor, before it when negative
     * @param User|null $for who is to do it; null for whoever adds it
     */
    public function __construct(
        public string $title,
        public string $day = '',
        public string $anchor = '',
        public int $days = 0,
        public bool $business = false,
        public ?User $for = null,
    ) {
    }
}
