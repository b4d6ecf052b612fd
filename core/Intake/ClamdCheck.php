<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * Asks a clamd, on this machine or another, by its own protocol: the file is sent in parts, so that it need not be able to read
 * what we store.
 *
 * @link https://docs.clamav.net/manual/Usage/Scanning.html#clamd (INSTREAM)
 */
final readonly class ClamdCheck implements HarmCheck
{
    private const PART = 262_144;

    /**
     * @param string $address unix:///run/clamav/clamd.ctl or tcp://127.0.0.1:3310
     * @param float $patience seconds for its answer
     */
    public function __construct(private string $address, private float $patience = 30.0)
    {
    }

    public function look(string $path): ?string
    {
        $file = @fopen($path, 'rb') ?: throw new HarmUnknown("{$path} cannot be read.");
        $clamd = @stream_socket_client($this->address, $code, $why, 5.0) ?: throw new HarmUnknown("{$this->address}: {$why}");
        stream_set_timeout($clamd, (int) $this->patience, (int) (fmod($this->patience, 1) * 1e6));
        try {
            $this->write($clamd, "zINSTREAM\0");
            while (($part = (string) fread($file, self::PART)) !== '') {
                $this->write($clamd, pack('N', strlen($part)).$part);
            }
            $this->write($clamd, pack('N', 0));
            $answer = rtrim((string) stream_get_contents($clamd), "\0\r\n");
        } finally {
            fclose($file);
            fclose($clamd);
        }
        if (preg_match('/^stream: (.+) FOUND$/', $answer, $m) === 1) {
            return $m[1];
        }

        return $answer === 'stream: OK' ? null : throw new HarmUnknown("{$this->address} answered “{$answer}”.");
    }

    /** @param  resource  $clamd */
    private function write($clamd, string $bytes): void
    {
        while ($bytes !== '') {
            $written = @fwrite($clamd, $bytes);
            if ($written === false || $written === 0) {
                // It stops reading where a file is larger than it takes; what it says of it is read next.
                return;
            }
            $bytes = substr($bytes, $written);
        }
    }
}
