<?php

declare(strict_types=1);

namespace App\Moving;

use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\Sight;
use App\Storage\Bytes;
use App\Storage\BytesMissing;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\Bag;

/**
 * A brokerage as a folder that can be proved (BagIt): every row of it as JSON, every byte under its hash, and for people a folder
 * for each file with its papers by name. All of one moment, whatever changes meanwhile. Begun again after it was cut off, what is
 * there already is not written twice.
 */
final class ExportBrokerage
{
    private const AT_ONCE = 500;

    /** By it a folder is known again that an export was begun in. */
    private const MARK = 'unanimus-export';

    public function __construct(private readonly Bytes $bytes, private readonly FileFolder $folders)
    {
    }

    /**
     * @param \Closure(string): void $tell how far it is
     * @return array<string, int> rows by table
     *
     * @throws BytesMissing when something kept is gone: then there is no list, and the folder is no bag
     */
    public function __invoke(int $brokerageId, string $folder, \Closure $tell): array
    {
        $isOurs = is_file("{$folder}/".self::MARK);
        $isOurs || count(scandir($folder) ?: []) === 2 || throw new MoveRefused(
            "{$folder} holds something else. Name an empty folder, or one that an export was written to.",
        );
        $isOurs || touch("{$folder}/".self::MARK);
        foreach (['bagit.txt', 'bag-info.txt', 'manifest-sha256.txt', 'tagmanifest-sha256.txt'] as $name) {
            @unlink("{$folder}/{$name}");
        }
        // One moment for all tables: said before the transaction asks anything.
        DB::statement('SET SESSION CHARACTERISTICS AS TRANSACTION ISOLATION LEVEL REPEATABLE READ');
        try {
            return Sight::within($brokerageId, fn (): array => $this->write($brokerageId, $folder, $tell));
        } finally {
            DB::statement('SET SESSION CHARACTERISTICS AS TRANSACTION ISOLATION LEVEL READ COMMITTED');
        }
    }

    /**
     * @param \Closure(string): void $tell
     * @return array<string, int>
     */
    private function write(int $brokerageId, string $folder, \Closure $tell): array
    {
        DB::statement("SET LOCAL timezone = 'UTC'");
        $tables = new Tables(DB::connection());
        $bag = new Bag();
        $rows = [];
        foreach ($tables->all() as $table) {
            $rows[$table] = $this->table($tables, $table, $brokerageId, $folder, $bag);
        }
        $tell(array_sum($rows).' rows of '.count($rows).' tables');
        $count = $this->store($folder, $bag);
        $tell("{$count} files of bytes");
        foreach (DealFile::query()->orderBy('id')->pluck('id') as $id) {
            $file = DealFile::query()->with(FileFolder::NEEDS)->findOrFail($id);
            $this->folders->write($file, $folder, $bag);
        }
        $this->put($folder, 'export.json', json_encode([
            'format' => 1,
            'brokerage' => $brokerageId,
            'made by' => $tables->version(),
            'rows' => $rows,
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT)."\n", $bag);
        // What stood here from an earlier export and is not the brokerage's any more.
        foreach ($bag->strangers($folder) as $path) {
            unlink("{$folder}/{$path}");
        }
        // The lists come last: a folder without them is no bag, and is not taken in.
        $name = (string) Brokerage::query()->whereKey($brokerageId)->value('name');
        foreach ($bag->tags(['Source-Organization' => $name, 'External-Description' => "All of {$name}"]) as $tag => $bytes) {
            file_put_contents("{$folder}/{$tag}", $bytes);
        }

        return $rows;
    }

    private function table(Tables $tables, string $table, int $brokerageId, string $folder, Bag $bag): int
    {
        is_dir("{$folder}/data/rows") || mkdir("{$folder}/data/rows", 0o775, true);
        $out = fopen("{$folder}/data/rows/{$table}.jsonl", 'w') ?: throw new \RuntimeException("{$folder} cannot be written to.");
        $hash = hash_init('sha256');
        $size = $count = 0;
        DB::statement("DECLARE moving CURSOR FOR SELECT to_jsonb(t)::text AS row FROM {$table} t
            WHERE t.{$tables->of($table)} = {$brokerageId} ORDER BY {$tables->order($table)}");
        while (($rows = DB::select('FETCH '.self::AT_ONCE.' FROM moving')) !== []) {
            foreach ($rows as $row) {
                hash_update($hash, "{$row->row}\n");
                fwrite($out, "{$row->row}\n");
                $size += strlen($row->row) + 1;
                $count++;
            }
        }
        DB::statement('CLOSE moving');
        fclose($out);
        $bag->note("rows/{$table}.jsonl", hash_final($hash), $size);

        return $count;
    }

    /** @return int how many files of bytes there are */
    private function store(string $folder, Bag $bag): int
    {
        $count = 0;
        foreach (DB::table('blobs')->orderBy('sha256')->get(['sha256', 'size']) as $blob) {
            $path = 'bytes/'.substr($blob->sha256, 0, 2)."/{$blob->sha256}";
            $there = "{$folder}/data/{$path}";
            if (! is_file($there) || filesize($there) !== (int) $blob->size || hash_file('sha256', $there) !== $blob->sha256) {
                is_dir(dirname($there)) || mkdir(dirname($there), 0o775, true);
                file_put_contents($there, $this->bytes->read($blob->sha256));
            }
            $bag->note($path, $blob->sha256, (int) $blob->size);
            $count++;
        }

        return $count;
    }

    private function put(string $folder, string $path, string $bytes, Bag $bag): void
    {
        is_dir(dirname("{$folder}/data/{$path}")) || mkdir(dirname("{$folder}/data/{$path}"), 0o775, true);
        file_put_contents("{$folder}/data/{$path}", $bytes);
        $bag->add($path, $bytes);
    }
}
