<?php

// The post room's letter box: a small SMTP server on loopback that keeps every letter as a file.
// Usage: receive.php HOST PORT FOLDER

declare(strict_types=1);

[, $host, $port, $folder] = $argv;
$server = stream_socket_server("tcp://{$host}:{$port}", $code, $message);
if ($server === false) {
    fwrite(STDERR, "The letter box cannot listen on {$host}:{$port}: {$message}\n");
    exit(1);
}
stream_set_blocking($server, false);
/** @var array<int, array{stream: resource, in: string, letter: bool, to: list<string>, since: int}> $callers */
$callers = [];
$say = static fn ($stream, string $line) => @fwrite($stream, $line."\r\n");
while (true) {
    $read = [$server, ...array_column($callers, 'stream')];
    $write = $except = null;
    if (@stream_select($read, $write, $except, 5) === false) {
        continue;
    }
    foreach ($read as $stream) {
        if ($stream === $server) {
            $new = @stream_socket_accept($server, 0);
            if ($new !== false) {
                stream_set_blocking($new, false);
                $callers[(int) $new] = ['stream' => $new, 'in' => '', 'letter' => false, 'to' => [], 'since' => time()];
                $say($new, '220 post room');
            }

            continue;
        }
        $id = (int) $stream;
        $caller = &$callers[$id];
        $bytes = fread($stream, 1 << 18);
        if ($bytes === '' || $bytes === false) {
            if (feof($stream)) {
                fclose($stream);
                unset($caller, $callers[$id]);
            }

            continue;
        }
        $caller['in'] .= $bytes;
        while (true) {
            if ($caller['letter']) {
                $end = strpos($caller['in'], "\r\n.\r\n");
                if ($end === false) {
                    break;
                }
                $letter = str_replace("\r\n..", "\r\n.", substr($caller['in'], 0, $end))."\r\n";
                $caller['in'] = substr($caller['in'], $end + 5);
                $caller['letter'] = false;
                $name = sprintf('%s-%s', (new DateTimeImmutable)->format('YmdHis.u'), bin2hex(random_bytes(4)));
                file_put_contents("{$folder}/{$name}.part", 'X-Envelope-To: '.implode(', ', $caller['to'])."\r\n".$letter);
                rename("{$folder}/{$name}.part", "{$folder}/{$name}.eml");
                $caller['to'] = [];
                $say($stream, '250 kept');

                continue;
            }
            $end = strpos($caller['in'], "\r\n");
            if ($end === false) {
                break;
            }
            $line = substr($caller['in'], 0, $end);
            $caller['in'] = substr($caller['in'], $end + 2);
            $verb = strtoupper(strtok($line, " :\t") ?: '');
            match ($verb) {
                'EHLO' => $say($stream, "250-post room\r\n250-8BITMIME\r\n250 SIZE 104857600"),
                'RCPT' => ($caller['to'][] = preg_match('/<([^>]*)>/', $line, $m) === 1 ? $m[1] : '') !== null && $say($stream, '250 ok'),
                'DATA' => ($caller['letter'] = true) && $say($stream, '354 go on'),
                'RSET' => ($caller['to'] = []) === [] && $say($stream, '250 ok'),
                'QUIT' => $say($stream, '221 bye'),
                'HELO', 'MAIL', 'NOOP' => $say($stream, '250 ok'),
                default => $say($stream, '502 not understood'),
            };
            if ($verb === 'QUIT') {
                fclose($stream);
                unset($caller, $callers[$id]);
                break;
            }
        }
        unset($caller);
    }
}
