<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Support\HtmlString;
use Unanimus\Signing\Seat;

/** The board's glyphs, each drawn once a request: a board of sixty papers shows the same few hundreds of times. */
final class Glyphs
{
    /** @var array<string, HtmlString> */
    private array $drawn = [];

    public function cell(?string $state, Seat $seat, string $who): HtmlString
    {
        return $this->drawn["{$state} {$seat} {$who}"] ??= new HtmlString(
            $state === null ? '' : trim(view('components.cell', ['state' => $state, 'seat' => $seat, 'who' => $who])->render()),
        );
    }
}
