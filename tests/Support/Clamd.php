<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;
use Unanimus\Pages\Scratch;

/** A clamd of its own for one test, which knows the harmless test file and nothing else. */
final class Clamd
{
    /** The first half of the file that every such program calls harmful; it is put together only where it is used. */
    public const TEST_FILE = ['X5O!P%@AP[4\\PZX54(P^)7CC)7}$', 'EICAR-STANDARD-ANTIVIRUS-TEST-FILE!$H+H*'];

    public readonly string $address;

    private readonly Scratch $scratch;

    /** @var resource */
    private $process;

    public function __construct()
    {
        $this->scratch = new Scratch();
        $hex = bin2hex(implode('', self::TEST_FILE));
        mkdir($signatures = $this->scratch->path('signatures'), 0700, true);
        file_put_contents("{$signatures}/test.ndb", "Harmless.Test:0:*:{$hex}\n");
        $socket = $this->scratch->path('clamd.ctl');
        $this->address = "unix://{$socket}";
        $conf = $this->scratch->put('clamd.conf', implode("\n", [
            'Foreground yes',
            "DatabaseDirectory {$signatures}",
            "LocalSocket {$socket}",
            'MaxThreads 2',
            'StreamMaxLength 50M',
            '',
        ]));
        $out = $this->scratch->path('out');
        $this->process = proc_open(['/usr/sbin/clamd', '-c', $conf], [1 => ['file', $out, 'w'], 2 => ['file', $out, 'a']], $pipes) ?:
            Assert::fail('clamd does not start');
        for ($end = microtime(true) + 60; microtime(true) < $end; usleep(100_000)) {
            $there = @stream_socket_client($this->address, $code, $why, 1.0);
            if ($there !== false) {
                fclose($there);

                return;
            }
        }
        Assert::fail('clamd does not answer: '.@file_get_contents($out));
    }

    public function stop(): void
    {
        if (is_resource($this->process)) {
            proc_terminate($this->process);
            proc_close($this->process);
        }
    }

    public function __destruct()
    {
        $this->stop();
    }
}
