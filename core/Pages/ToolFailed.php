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

    /** Whether the machine was too busy to get it done; the same may work a minute later. */
    public bool $machineIsBusy = false;

    /** It was waited for in vain, though it has not used up its own time: the machine is busy. */
    public static function waitedInVain(string $program, int $seconds): self
    {
        $failed = new self("{$program} was stopped: the machine had no time for it within {$seconds} seconds.");
        $failed->machineIsBusy = true;

        return $failed;
    }

    /** It was stopped after its own time. */
    public static function tookTooLong(string $program, int $seconds): self
    {
        return new self("{$program} was stopped: it worked longer than {$seconds} seconds or said too much.");
    }

    /** It ended with an error of its own. */
    public static function said(string $program, int $code, string $errors): self
    {
        return new self("{$program} ended with {$code}: ".mb_strimwidth(mb_scrub(trim($errors)), 0, 600, '…'));
    }
}
