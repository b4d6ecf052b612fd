<?php

declare(strict_types=1);

namespace App\Intake\Console;

use App\Intake\Actions\TakeMail;
use App\Intake\LetterBox;
use Illuminate\Console\Command;
use Unanimus\Pages\DiskFull;

/** Takes a message from a mail server on this machine, on standard input; answers by the codes of sysexits.h. */
final class ReceiveMail extends Command
{
    /** Of sysexits.h: the message is none; try again later, which is all that does not send a letter back to who wrote it. */
    private const NO_MESSAGE = 65;

    private const LATER = 75;

    private const LARGEST = 60 * 1024 * 1024;

    protected $signature = 'mail:receive {file=- : a message; on standard input unless named}
        {--token= : of the brokerage, where there are several}';

    protected $description = 'Takes a message into the inbox, from the pipe of a mail server (docs/operating.md)';

    public function handle(TakeMail $take): int
    {
        $path = (string) $this->argument('file');
        $raw = (string) @file_get_contents($path === '-' ? 'php://stdin' : $path, false, null, 0, self::LARGEST + 1);
        if (trim($raw) === '' || strlen($raw) > self::LARGEST) {
            return $this->fault('The message is empty or larger than 60 MB.', self::NO_MESSAGE);
        }
        try {
            $brokerage = LetterBox::here((string) $this->option('token'));
            if ($brokerage === null) {
                return $this->fault('Say with --token= whose inbox it is.', self::LATER);
            }
            $take($brokerage, $raw);
        } catch (\Throwable $gone) {
            // The mail server keeps it and comes again.
            report($gone);

            return $this->fault('It cannot be kept now: '.match (true) {
                $gone instanceof DiskFull => 'the disk is full.',
                $gone instanceof \PDOException => 'the database does not answer.',
                default => 'the log says why.',
            }, self::LATER);
        }

        return self::SUCCESS;
    }

    private function fault(string $told, int $code): int
    {
        fwrite(STDERR, "mail:receive: {$told}\n");

        return $code;
    }
}
