<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Round;
use App\Storage\Bytes;

/** The pages of a round as they go along with the email that asks for signatures: nobody's signature is on them. */
final readonly class ToRead
{
    /** What is larger stays behind the link: mail servers turn it back. */
    private const LARGEST = 5_000_000;

    public function __construct(private PenPrint $print, private Bytes $bytes)
    {
    }

    /** The SHA-256 of the PDF; null when its sender attaches nothing, or it is too large for an email. */
    public function of(Round $round): ?string
    {
        if (! $round->attach) {
            return null;
        }
        $pdf = $this->print->plain($round);

        return strlen($pdf) > self::LARGEST ? null : $this->bytes->keep($round->brokerage_id, $pdf);
    }
}
