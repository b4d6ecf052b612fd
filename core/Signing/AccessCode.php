<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Steps\StepRefused;

/** A code that is told by telephone and asked for on a signer's link before anything is shown. */
final readonly class AccessCode
{
    /** Wrong ones after which the link is locked until the sender sets another. */
    public const TRIES = 5;

    private function __construct(public string $text)
    {
    }

    /**
     * A code as the sender wrote it. Capitals, blanks and dashes make no difference, as nobody hears them.
     *
     * @throws StepRefused when it is no code of 4 to 12 letters and digits
     */
    public static function of(string $typed): self
    {
        $text = self::plain($typed);

        return preg_match('/^[A-Z0-9]{4,12}$/', $text) === 1 ? new self($text) : throw SigningRefusal::CodeTooShort->because();
    }

    /** Whether someone typed it. */
    public function is(string $typed): bool
    {
        return hash_equals($this->text, self::plain($typed));
    }

    private static function plain(string $typed): string
    {
        return strtoupper((string) preg_replace('/[\s-]+/u', '', $typed));
    }
}
