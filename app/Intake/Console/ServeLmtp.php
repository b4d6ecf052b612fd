<?php

declare(strict_types=1);

namespace App\Intake\Console;

use App\Intake\LmtpServer;
use Illuminate\Console\Command;

/** Takes mail from a mail server by LMTP. */
final class ServeLmtp extends Command
{
    protected $signature = 'mail:lmtp
        {--listen= : host:port, or unix:/path; UNANIMUS_LMTP unless given}
        {--token= : of the brokerage, where there are several and their addresses do not tell}
        {--max-time=3600 : seconds after which it ends, to be started again}';

    protected $description = 'Takes messages into the inbox from a mail server, by LMTP (docs/operating.md)';

    public function handle(LmtpServer $server): int
    {
        $at = (string) ($this->option('listen') ?? config('unanimus.intake.lmtp'));
        $path = str_starts_with($at, 'unix:') ? substr($at, 5) : null;
        if ($at === '') {
            fwrite(STDERR, "mail:lmtp: say with --listen= or UNANIMUS_LMTP where to listen, as 127.0.0.1:2424.\n");

            return self::FAILURE;
        }
        // What was left by one that was killed answers nobody.
        $path !== null && @stream_socket_client("unix://{$path}", timeout: 1) === false && @unlink($path);
        $listening = @stream_socket_server($path === null ? "tcp://{$at}" : "unix://{$path}", $code, $why);
        if ($listening === false) {
            fwrite(STDERR, "mail:lmtp: cannot listen at {$at}: {$why}\n");

            return self::FAILURE;
        }
        $path === null || chmod($path, 0660);
        $until = time() + max(1, (int) $this->option('max-time'));
        $stopped = false;
        $this->trap([SIGTERM, SIGINT], static function () use (&$stopped): void {
            $stopped = true;
        });
        $server->serve(
            $listening,
            static function () use (&$stopped, $until): bool {
                return ! $stopped && time() < $until;
            },
            (string) $this->option('token'),
        );

        return self::SUCCESS;
    }
}
