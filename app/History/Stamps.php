<?php

declare(strict_types=1);

namespace App\History;

use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Where every file's history ended, stamped by the time-stamping authority and kept outside the database: whoever rules
 * over the database alone cannot take back what stands there.
 */
final class Stamps
{
    public function __construct(private readonly TimeStamps $stamps)
    {
    }

    /**
     * Stamps the ends that have moved since the last time.
     *
     * @return int how many there were
     *
     * @throws StampUnavailable when the authority does not answer; the next time takes them along
     */
    public function take(int $brokerageId): int
    {
        $lines = self::lines($brokerageId);
        $last = end($lines);
        $since = $last === false ? '-infinity' : $last['until'];
        $until = (string) DB::scalar('SELECT clock_timestamp()');
        // A change still under way shows with the next one: what began before it is looked at again then.
        $heads = DB::table('history_heads')
            ->join('deal_files', 'deal_files.id', '=', 'history_heads.deal_file_id')
            ->where('history_heads.brokerage_id', $brokerageId)
            ->whereRaw("moved_at > ?::timestamptz - interval '10 minutes'", [$since])
            ->orderBy('deal_files.key')
            ->get(['deal_files.key', 'seq', 'hash']);
        $known = self::stamped($brokerageId);
        $moved = $heads->reject(static fn (object $head) => isset($known[$head->key][(int) $head->seq]));
        if ($moved->isEmpty()) {
            return 0;
        }
        $manifest =
            ($last === false ? '' : "before {$last['sha256']}\n").
            $moved->map(static fn (object $head) => "{$head->key} {$head->seq} {$head->hash}\n")->implode('');
        $sha256 = hash('sha256', $manifest);
        $token = $this->stamps->stamp((string) hex2bin($sha256));
        $folder = self::folder();
        self::write("{$folder}/{$sha256}.txt", $manifest, 'w');
        self::write(
            "{$folder}/{$brokerageId}.jsonl",
            json_encode(['until' => $until, 'sha256' => $sha256, 'token' => base64_encode($token)], JSON_THROW_ON_ERROR)."\n",
            'a',
        );

        return $moved->count();
    }

    /**
     * What is stamped of each file.
     *
     * @return array<string, array<int, string>> hashes by the file's key and the number of the entry
     */
    public static function stamped(int $brokerageId): array
    {
        $stamped = [];
        foreach (self::lines($brokerageId) as $line) {
            foreach (explode("\n", self::manifest($line['sha256'])) as $entry) {
                [$key, $seq, $hash] = explode(' ', $entry) + [1 => '', 2 => ''];
                $hash === '' || ($stamped[$key][(int) $seq] = $hash);
            }
        }

        return $stamped;
    }

    /**
     * What does not hold in the stamps themselves.
     *
     * @param list<string> $roots PEM certificates that are trusted for stamps
     * @return list<string> in words
     */
    public static function faults(int $brokerageId, array $roots): array
    {
        $faults = [];
        $before = null;
        foreach (self::lines($brokerageId) as $number => $line) {
            $manifest = self::manifest($line['sha256']);
            $name = 'stamp '.($number + 1)." ({$line['until']})";
            if (hash('sha256', $manifest) !== $line['sha256'] || ($before !== null && ! str_starts_with($manifest, "before {$before}\n"))) {
                $faults[] = "{$name} is not what was stamped";
            } elseif (! self::holds($line, $roots)) {
                $faults[] = "{$name} has no time stamp that holds";
            }
            $before = $line['sha256'];
        }

        return $faults;
    }

    /**
     * @param array{until: string, sha256: string, token: string} $line
     * @param list<string> $roots
     */
    private static function holds(array $line, array $roots): bool
    {
        $scratch = new Scratch();
        try {
            (new NativeTool(20))->run([
                'openssl',
                'ts',
                '-verify',
                '-token_in',
                '-in',
                $scratch->put('token.der', (string) base64_decode($line['token'])),
                '-digest',
                $line['sha256'],
                '-CAfile',
                $scratch->put('roots.pem', implode("\n", $roots)."\n"),
            ]);

            return true;
        } catch (ToolFailed) {
            return false;
        }
    }

    /** @return list<array{until: string, sha256: string, token: string}> */
    private static function lines(int $brokerageId): array
    {
        $path = self::folder()."/{$brokerageId}.jsonl";
        $lines = array_map(
            static fn (string $line) => json_decode($line, true),
            is_file($path) ? (file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : [],
        );

        return array_values(
            array_filter(
                $lines,
                static fn (mixed $line) => is_array($line) &&
                    isset($line['until'], $line['sha256'], $line['token']) &&
                    preg_match('/^[0-9a-f]{64}$/', $line['sha256']) === 1,
            ),
        );
    }

    private static function manifest(string $sha256): string
    {
        $path = self::folder()."/{$sha256}.txt";

        return is_file($path) ? (string) file_get_contents($path) : '';
    }

    private static function write(string $path, string $text, string $mode): void
    {
        $file = fopen($path, $mode);
        if ($file === false || fwrite($file, $text) !== strlen($text) || ! fflush($file) || ! fsync($file) || ! fclose($file)) {
            throw new \RuntimeException('The stamp of the history could not be written.');
        }
    }

    private static function folder(): string
    {
        $folder = (string) config('unanimus.anchors');
        is_dir($folder) || mkdir($folder, 0770, true);

        return $folder;
    }
}
