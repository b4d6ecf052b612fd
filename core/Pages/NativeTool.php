<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The one door to native programs: each call runs under limits of memory, processor, file size and wall clock,
 * so that a hostile file costs its own call and nothing else.
 */
final class NativeTool
{
    private const OUTPUT_CAP = 64 * 1024 * 1024;

    /** Programs that begin others: what they began ends with them. */
    private const WITH_OTHERS = ['chromium', 'soffice', 'unshare'];

    /** On a busy machine a program waits far longer than it works. */
    private const WALL = 8;

    /** The signal of a program that used up its processor time (SIGXCPU), and the one that follows when it does not mind (SIGKILL). */
    private const OUT_OF_TIME = [24, 9];

    /**
     * @param int $seconds of processor time it may use; it is waited for eight times as long
     * @param string $memory the most address space: "512M", "1G"; "0" for programs that reserve far more than they use
     * @param array<string, string> $environment added to the caller's own
     * @param string $written the most memory it may write to, where address space says nothing
     * @param int|null $wall seconds it is waited for, where that must be less
     */
    public function __construct(
        private readonly int $seconds = 60,
        private readonly string $memory = '1G',
        private readonly array $environment = [],
        private readonly string $written = '0',
        private readonly ?int $wall = null,
    ) {
    }

    /**
     * Runs a program to its end.
     *
     * @param list<string> $command program and arguments
     * @param list<int> $accept exit codes that count as done
     * @return string what it wrote to standard output
     *
     * @throws ToolFailed when it fails, is stopped by a limit, or cannot be started
     * @throws DiskFull when it fails for want of room
     */
    public function run(array $command, string $input = '', array $accept = [0]): string
    {
        $memory = ['--as='.(self::bytes($this->memory) ?: 'unlimited'), '--data='.(self::bytes($this->written) ?: 'unlimited')];
        $limited = ['prlimit', ...$memory, '--cpu='.$this->seconds, '--fsize=314572800', '--core=0', ...$command];
        $together = in_array($command[0], self::WITH_OTHERS, true);
        $process = proc_open($together ? ['setsid', ...$limited] : $limited, [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, null, [
            ...getenv(),
            ...$this->environment,
        ]);
        if (! is_resource($process)) {
            throw ToolFailed::notStarted($command[0]);
        }
        $wall = $this->wall ?? $this->seconds * self::WALL;
        [$output, $errors, $stopped] = $this->converse($pipes, $input, $wall);
        if ($stopped !== null) {
            $together && posix_kill(-proc_get_status($process)['pid'], 9);
            proc_terminate($process, 9);
        }
        array_map(fclose(...), array_filter($pipes, is_resource(...)));
        [$code, $signal] = self::end($process);
        if ($stopped === 'waited') {
            throw ToolFailed::waitedInVain($command[0], $wall);
        }
        if ($stopped !== null || in_array($signal, self::OUT_OF_TIME, true)) {
            throw ToolFailed::tookTooLong($command[0], $this->seconds);
        }
        if (! in_array($code, $accept, true)) {
            if (DiskFull::in(sys_get_temp_dir())) {
                throw DiskFull::told();
            }
            throw ToolFailed::said($command[0], $code, $errors);
        }

        return $output;
    }

    /**
     * @param array<int, resource> $pipes
     * @return array{string, string, 'waited'|'said too much'|null} what it wrote, what it complained of, why it was stopped
     */
    private function converse(array &$pipes, string $input, int $wall): array
    {
        array_map(static fn ($pipe) => stream_set_blocking($pipe, false), $pipes);
        $end = microtime(true) + $wall;
        $texts = [1 => '', 2 => ''];
        $open = [1 => $pipes[1], 2 => $pipes[2]];
        if ($input === '') {
            fclose($pipes[0]);
        }
        while ($open !== []) {
            $read = $open;
            $write = $input === '' ? [] : [$pipes[0]];
            $except = null;
            $left = $end - microtime(true);
            if ($left <= 0 || strlen($texts[1]) > self::OUTPUT_CAP) {
                return [$texts[1], $texts[2], $left <= 0 ? 'waited' : 'said too much'];
            }
            if (stream_select($read, $write, $except, (int) $left, 200_000) === false) {
                break;
            }
            if ($write !== []) {
                $input = (string) substr($input, (int) @fwrite($pipes[0], $input));
                if ($input === '') {
                    fclose($pipes[0]);
                }
            }
            foreach ($read as $stream) {
                $which = $stream === $pipes[1] ? 1 : 2;
                $texts[$which] .= (string) fread($stream, 1 << 20);
                if (feof($stream)) {
                    unset($open[$which]);
                }
            }
        }

        return [$texts[1], $texts[2], null];
    }

    /**
     * @param resource $process
     * @return array{int, int} exit code and the signal that ended it, 0 when none did
     */
    private static function end($process): array
    {
        for ($waits = 0; ($status = proc_get_status($process))['running']; $waits++) {
            usleep($waits < 100 ? 500 : 20_000);
        }
        $code = proc_close($process);
        // Where it ran beneath another program, that one tells the signal as a code of 128 and more.
        $signal = $status['signaled'] ? $status['termsig'] : max(0, $status['exitcode'] - 128);

        return [$status['signaled'] ? -1 : ($status['exitcode'] >= 0 ? $status['exitcode'] : $code), $signal];
    }

    private static function bytes(string $size): int
    {
        return (int) $size * (str_ends_with($size, 'G') ? 1 << 30 : 1 << 20);
    }
}
