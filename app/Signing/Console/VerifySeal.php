<?php

declare(strict_types=1);

namespace App\Signing\Console;

use App\Access\Roots;
use Illuminate\Console\Command;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;

/** Says whether a sealed PDF holds and whose seal it is: every byte under it, nothing added, hidden or changed, under our roots. */
final class VerifySeal extends Command
{
    protected $signature = 'seal:verify {file : a PDF}';

    protected $description = 'Checks a sealed PDF, byte for byte';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (! is_file($path) || ! is_readable($path)) {
            $this->error("{$path} cannot be read.");

            return self::INVALID;
        }
        $check = SealCheck::of((string) file_get_contents($path), Roots::trusted());
        $this->line(
            match ($check->answer) {
                SealAnswer::Holds => "<info>Holds.</info> {$check->sentence} Sealed at {$check->sealedAt}.",
                SealAnswer::AnotherHolds => "<comment>A valid seal of someone else.</comment> {$check->sentence}",
                SealAnswer::AddedTo => "<error>Added to later.</error> {$check->sentence}",
                SealAnswer::Changed => "<error>Does not hold.</error> {$check->sentence}",
                SealAnswer::NotSealed => "<error>Not sealed.</error> {$check->sentence}",
            },
        );

        return $check->answer->isOurs() ? self::SUCCESS : self::FAILURE;
    }
}
