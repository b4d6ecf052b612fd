<?php

declare(strict_types=1);

namespace App\Intake\Console;

use App\Intake\Actions\TakeMail;
use App\Intake\LetterBox;
use App\Intake\Mailbox;
use App\Intake\MailboxUnreachable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Log;

/** Takes what waits in a mailbox on a server into the inbox. Kept first, then marked there: what was not kept comes again. */
final class FetchMail extends Command
{
    /** Messages in one go; the rest a minute later. */
    private const MOST = 200;

    private const LARGEST = 60 * 1024 * 1024;

    protected $signature = 'mail:fetch {--token= : of the brokerage, where there are several}';

    protected $description = 'Looks into the mailbox of UNANIMUS_IMAP_URL and takes what is new (docs/operating.md)';

    public function handle(TakeMail $take): int
    {
        $of = (array) config('unanimus.intake');
        $brokerage = LetterBox::here((string) $this->option('token'));
        if ((string) $of['imap'] === '' || $brokerage === null) {
            $told = $brokerage === null ? 'Say with --token= whose inbox it is.' : 'UNANIMUS_IMAP_URL is not set.';
            fwrite(STDERR, "mail:fetch: {$told}\n");

            return self::FAILURE;
        }
        $box = new Mailbox(
            (string) $of['imap'],
            (string) $of['imap_user'],
            (string) $of['imap_password'],
            (string) ($of['imap_folder'] ?? 'INBOX'),
            $of['imap_roots'] === null ? null : (string) $of['imap_roots'],
        );
        try {
            foreach (array_slice($box->waiting(), 0, self::MOST) as $id) {
                $raw = $box->message($id);
                if ($raw === '' || strlen($raw) > self::LARGEST) {
                    Log::warning('A message was left in the mailbox: it is empty or larger than 60 MB', ['uid' => $id]);
                } elseif (! $this->taken($take, $brokerage, $raw)) {
                    // Not kept, so not marked: it comes again, and holds up none of the others.
                    continue;
                }
                $box->markTaken($id);
            }
        } catch (MailboxUnreachable $gone) {
            Log::warning($gone->getMessage());
            fwrite(STDERR, "mail:fetch: {$gone->getMessage()}\n");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function taken(TakeMail $take, int $brokerage, string $raw): bool
    {
        try {
            $take($brokerage, $raw);
        } catch (\Throwable $failed) {
            report($failed);

            return false;
        }

        return true;
    }
}
