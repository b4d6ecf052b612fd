<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** How well something is. */
enum Level: string
{
    case Well = 'well';
    /** Nothing is lost yet; somebody should see to it. */
    case Look = 'look';
    case Broken = 'broken';

    /** The worse of two. */
    public function worse(self $other): self
    {
        return $this->weight() >= $other->weight() ? $this : $other;
    }

    /** For programs: 0 well, 1 to look at, 2 broken. */
    public function weight(): int
    {
        return match ($this) {
            self::Well => 0,
            self::Look => 1,
            self::Broken => 2,
        };
    }
}
