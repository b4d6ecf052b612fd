<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Actions\TakeMail;
use Unanimus\Intake\LmtpAnswer;
use Unanimus\Intake\LmtpSession;
use Unanimus\Pages\DiskFull;

/** Hears mail servers on this machine, several at a time, and keeps what they bring. */
final class LmtpServer
{
    /** Seconds after which who says nothing more is let go. */
    private const PATIENCE = 300;

    private const MOST = 50;

    /** @var array<int, array{resource, LmtpSession, string, int}> the line, the talk, what was heard of a line, and when */
    private array $open = [];

    public function __construct(private readonly TakeMail $take)
    {
    }

    /**
     * Until told otherwise.
     *
     * @param resource $listening
     * @param \Closure(): bool $goesOn asked every second
     * @param string $token of the brokerage, where there are several
     */
    public function serve($listening, \Closure $goesOn, string $token = ''): void
    {
        stream_set_blocking($listening, false);
        while ($goesOn()) {
            $read = [$listening, ...array_column($this->open, 0)];
            $none = null;
            if ((int) @stream_select($read, $none, $none, 1) > 0) {
                foreach ($read as $line) {
                    $line === $listening ? $this->accept($listening, $token) : $this->hear($line);
                }
            }
            foreach ($this->open as $id => [$line, , , $since]) {
                time() - $since > self::PATIENCE && $this->close($id, $line);
            }
        }
        foreach ($this->open as $id => [$line]) {
            @fwrite($line, "421 4.3.2 Come again\r\n");
            $this->close($id, $line);
        }
    }

    /** @param  resource  $listening */
    private function accept($listening, string $token): void
    {
        $line = @stream_socket_accept($listening, 0);
        if ($line === false) {
            return;
        }
        if (count($this->open) >= self::MOST) {
            @fwrite($line, "421 4.3.2 Come again\r\n");
            fclose($line);

            return;
        }
        stream_set_blocking($line, false);
        $session = new LmtpSession(
            (string) gethostname(),
            static fn (string $address): bool => LetterBox::at($address, $token) !== null,
            fn (string $from, array $to, string $raw): LmtpAnswer => $this->keep($from, $to, $raw, $token),
        );
        $this->open[(int) $line] = [$line, $session, '', time()];
        self::say($line, $session->greeting());
    }

    /** @param  resource  $line */
    private function hear($line): void
    {
        $id = (int) $line;
        [, $session, $heard] = $this->open[$id];
        $more = (string) fread($line, 65536);
        if ($more === '' && feof($line)) {
            $this->close($id, $line);

            return;
        }
        $heard .= $more;
        $answers = '';
        while (($end = strpos($heard, "\n")) !== false && ! $session->isOver()) {
            $answers .= $session->hear(substr($heard, 0, $end + 1));
            $heard = substr($heard, $end + 1);
        }
        // A line without end is passed on in pieces while a message comes in, and is no command.
        if (strlen($heard) > 65536) {
            $answers .= $session->hear($session->isReceiving() ? $heard : str_repeat('x', 4096));
            $heard = '';
        }
        $this->open[$id] = [$line, $session, $heard, time()];
        self::say($line, $answers);
        $session->isOver() && $this->close($id, $line);
    }

    /**
     * Once for each brokerage that it is for. What failed for one is told of all: what comes again is known by its Message-ID.
     *
     * @param list<string> $to
     */
    private function keep(string $from, array $to, string $raw, string $token): LmtpAnswer
    {
        try {
            $boxes = [];
            foreach ($to as $one) {
                $boxes[(int) LetterBox::at($one, $token)][] = $one;
            }
            // Somebody's address became another since it was asked about: all comes again, and is asked about again.
            if (isset($boxes[0])) {
                return LmtpAnswer::Later;
            }
            foreach ($boxes as $brokerage => $theirs) {
                ($this->take)($brokerage, LmtpSession::withEnvelope($from, $theirs, $raw));
            }

            return LmtpAnswer::Kept;
        } catch (DiskFull) {
            return LmtpAnswer::Full;
        } catch (\Throwable $failed) {
            report($failed);

            return LmtpAnswer::Later;
        }
    }

    /** @param  resource  $line */
    private static function say($line, string $words): void
    {
        stream_set_blocking($line, true);
        $words === '' || @fwrite($line, $words);
        stream_set_blocking($line, false);
    }

    /** @param  resource  $line */
    private function close(int $id, $line): void
    {
        unset($this->open[$id]);
        fclose($line);
    }
}
