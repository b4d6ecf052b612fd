<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What is printed at the foot of each page of papers put together.
 */
enum PageStamp: string
{
    case None = 'none';
    case Count = 'count';
    case Paper = 'paper';

    /** As chosen on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::None => 'nothing',
            self::Count => 'page of all pages',
            self::Paper => 'paper, its page, and page of all',
        };
    }

    /**
     * The foot of a page; null: nothing. Numbers alone are plain letters, which cost nothing to print.
     *
     * @param string $title of the paper
     * @param int $own page of the paper and $ownCount how many it has
     */
    public function foot(int $page, int $count, string $title, int $own, int $ownCount): Drawing|string|null
    {
        return match ($this) {
            self::None => null,
            self::Count => "{$page} / {$count}",
            self::Paper => (new Drawing(612, 792))
                ->text(36, 785, 6.5, mb_strimwidth($title, 0, 90, '…').", page {$own} of {$ownCount}", fill: '#56635c')
                ->text(540, 785, 6.5, "{$page} / {$count}", fill: '#56635c'),
        };
    }
}
