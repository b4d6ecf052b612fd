<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** A native program that did not do what it was asked. */
final class ToolFailed extends \RuntimeException
{
    /** The program is not there or could not be started. */
    public static function notStarted(string $program): self
    {
        return new self("{$program} could not be started.");
    }

    /** It was stopped after its time. */
    public static function tookTooLong(string $program, int $seconds): self
    {
        return new self("{$program} was stopped: it ran longer than {$seconds} seconds or said too much.");
    }

    /** It ended with an error of its own. */
    public static function said(string $program, int $code, string $errors): self
    {
        return new self("{$program} ended with {$code}: ".mb_strimwidth(mb_scrub(trim($errors)), 0, 600, '…'));
    }
}
