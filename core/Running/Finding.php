<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** What was found of one part of an installation, in words for whoever runs it. */
final readonly class Finding
{
    /** @param  string  $says  what is so and, where it is not well, what to do */
    private function __construct(public string $part, public Level $level, public string $says)
    {
    }

    /** It is as it should be. */
    public static function well(string $part, string $says): self
    {
        return new self($part, Level::Well, $says);
    }

    /** Somebody should see to it. */
    public static function look(string $part, string $says): self
    {
        return new self($part, Level::Look, $says);
    }

    /** It does not work. */
    public static function broken(string $part, string $says): self
    {
        return new self($part, Level::Broken, $says);
    }
}
