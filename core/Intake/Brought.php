<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Evidence\Signature;

/**
 * A file from outside as it may be kept: a PDF to show and to serve, with what had to be done to it. Of one that is signed
 * digitally the original goes along, byte for byte, as an attachment.
 */
final readonly class Brought
{
    /**
     * @param string $pdf its bytes
     * @param list<string> $notes in words
     * @param string|null $original the bytes as they came, where a signature in them means something
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
}
