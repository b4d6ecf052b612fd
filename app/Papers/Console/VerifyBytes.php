<?php

declare(strict_types=1);

namespace App\Papers\Console;

use App\Models\Sight;
use App\Storage\Bytes;
use App\Storage\BytesMissing;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Reads back every stored document against its SHA-256, slowly and in as many sittings as it takes, and tells of files on the
 * disk that no row knows.
 */
final class VerifyBytes extends Command
{
    private const AT_ONCE = 200;

    /** What came in a moment ago may not be known to any row yet. */
    private const YOUNG = 86_400;

    protected $signature = 'bytes:verify {--for=0 : seconds, after which it stops and goes on next time; 0: to the end}
        {--pause=2 : milliseconds between two} {--anew : from the beginning}';

    protected $description = 'Reads back all stored documents, slowly, and tells what is damaged, missing or known to no one';

    public function handle(Bytes $bytes): int
    {
        $until = (int) $this->option('for') > 0 ? time() + (int) $this->option('for') : PHP_INT_MAX;
        $so = $this->option('anew') ? [] : $this->progress();
        [$read, $broken] = [(int) ($so['read'] ?? 0), (int) ($so['broken'] ?? 0)];
        foreach (Sight::brokerages() as $brokerage) {
            $after = match (true) {
                $brokerage < (int) ($so['brokerage'] ?? 0) => null,
                $brokerage === (int) ($so['brokerage'] ?? 0) => (string) $so['after'],
                default => '',
            };
            while ($after !== null && ($some = $this->next($brokerage, $after)) !== []) {
                foreach ($some as $row) {
                    $fault = $this->fault($bytes, (string) $row->sha256, (int) $row->size);
                    $read++;
                    if ($fault !== null) {
                        $broken++;
                        $this->error("{$row->sha256} ({$row->media_type}): {$fault}");
                    }
                    usleep(1000 * max(0, (int) $this->option('pause')));
                }
                $after = (string) $some[count($some) - 1]->sha256;
                $this->keep(['brokerage' => $brokerage, 'after' => $after, 'read' => $read, 'broken' => $broken]);
                if (time() >= $until) {
                    $this->line("{$read} documents read so far, {$broken} broken; it goes on from there next time.");

                    return $broken === 0 ? self::SUCCESS : self::FAILURE;
                }
            }
        }
        $this->keep([]);
        $unknown = $this->unknown();
        $this->callSilently('installation:beat', ['what' => $broken === 0 ? 'bytes' : 'bytes-broken']);
        $this->info("{$read} documents read, {$broken} broken, {$unknown} on the disk that no one knows");

        return $broken === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return list<object{sha256: string, size: int, media_type: string}> */
    private function next(int $brokerage, string $after): array
    {
        return Sight::within($brokerage, static fn (): array => array_values(DB::table('blobs')
            ->where('sha256', '>', $after)
            ->orderBy('sha256')
            ->limit(self::AT_ONCE)
            ->get(['sha256', 'size', 'media_type'])
            ->all()));
    }

    private function fault(Bytes $bytes, string $sha256, int $size): ?string
    {
        try {
            return strlen($bytes->read($sha256)) === $size ? null : 'its size is another than the one written down';
        } catch (BytesMissing) {
            return 'it is gone, or no longer what it was';
        }
    }

    /** Files of the local store that no row names; they are told and stay. */
    private function unknown(): int
    {
        $folder = (string) config('unanimus.bytes.folder');
        if (config('unanimus.bytes.store') === 's3' || ! is_dir($folder)) {
            return 0;
        }
        $unknown = 0;
        $some = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $isOld = $file->getMTime() < time() - self::YOUNG;
            $isOld && preg_match('/^[0-9a-f]{64}$/', $file->getFilename()) === 1 && ($some[] = $file->getFilename());
            if (count($some) >= self::AT_ONCE) {
                $unknown += $this->known($some);
                $some = [];
            }
        }

        return $unknown + $this->known($some);
    }

    /** @param  list<string>  $names  @return int how many of them no brokerage knows */
    private function known(array $names): int
    {
        foreach ($names === [] ? [] : Sight::brokerages() as $brokerage) {
            $there = Sight::within($brokerage, static fn () => DB::table('blobs')->whereIn('sha256', $names)->pluck('sha256')->all());
            $names = array_diff($names, $there);
        }
        foreach ($names as $name) {
            $this->line("known to no one: {$name}");
        }

        return count($names);
    }

    /** @return array<string, mixed> */
    private function progress(): array
    {
        return (array) json_decode((string) @file_get_contents(self::place()), true);
    }

    /** @param  array<string, mixed>  $so */
    private function keep(array $so): void
    {
        file_put_contents(self::place().'.part', json_encode($so));
        rename(self::place().'.part', self::place());
    }

    private static function place(): string
    {
        return storage_path('app/bytes-verified.json');
    }
}
