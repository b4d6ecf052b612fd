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

    /**
     * @param string $memory the most address space: "512M", "1G"; "0" for programs that reserve far more than they use
     * @param array<string, string> $environment added to the caller's own
     */
    public function __construct(private readonly int $seconds = 60, private readonly string $memory = '1G', private readonly array $environment = [])
    {
    }

    /**
     * Runs a program to its end.
     *
     * @param list<string> $command program and arguments
     * @param list<int> $accept exit codes that count as done
     * @return string what it wrote to standard output
     *
     * @throws ToolFailed when it fails, is stopped by a limit, or cannot be started
     */
    public function run(array $command, string $input = '', array $accept = [0]): string
    {
        $limited = ['prlimit', '--as='.($this->bytes() ?: 'unlimited'), '--cpu='.$this->seconds, '--fsize=314572800', '--core=0', ...$command];
        $together = in_array($command[0], self::WITH_OTHERS, true);
        $process = proc_open($together ? ['setsid', ...$limited] : $limited, [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, null, [...getenv(), ...$this->environment]);
        if (! is_resource($process)) {
            throw ToolFailed::notStarted($command[0]);
        }
        [$output, $errors, $timedOut] = $this->converse($pipes, $input);
        if ($timedOut) {
            $together && posix_kill(-proc_get_status($process)['pid'], 9);
            proc_terminate($process, 9);
        }
        array_map(fclose(...), array_filter($pipes, is_resource(...)));
        $code = proc_close($process);
        if ($timedOut) {
            throw ToolFailed::tookTooLong($command[0], $this->seconds);
        }
        if (! in_array($code, $accept, true)) {
            throw ToolFailed::said($command[0], $code, $errors);
        }

        return $output;
    }

    /**
     * @param array<int, resource> $pipes
     * @return array{string, string, bool}
     */
    private function converse(array &$pipes, string $input): array
    {
        array_map(static fn ($pipe) => stream_set_blocking($pipe, false), $pipes);
        $end = microtime(true) + $this->seconds;
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
                return [$texts[1], $texts[2], true];
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

        return [$texts[1], $texts[2], false];
    }

    private function bytes(): int
    {
        return (int) $this->memory * (str_ends_with($this->memory, 'G') ? 1 << 30 : 1 << 20);
    }
}
