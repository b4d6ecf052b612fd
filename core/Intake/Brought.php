<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Evidence\Signature;

/**
 * A file from outside as it may be kept: a PDF to show and to serve, with what had to be done to it. Of one that is signed
 * digitally the original goes along, byte for byte; of a page cut out of a photo, the photo as a PDF.
 */
final readonly class Brought
{
    /**
     * @param string $pdf its bytes
     * @param list<string> $notes in words
     * @param string|null $original as it came, where that is worth keeping: signed digitally, or the photo a page was cut out of
     * @param list<Signature> $signatures in that original
     */
    public function __construct(
        public string $pdf,
        public int $pages,
        public array $notes,
        public ?string $original = null,
        public array $signatures = [],
    ) {
    }

    /** Whether what came is the photo a page was cut out of, and not something signed digitally. */
    public function isFromPhoto(): bool
    {
        return $this->original !== null && $this->signatures === [];
    }
}
