<?php

declare(strict_types=1);

use App\Access\KeptConnection;
use App\Demo\Seed;
use App\Models\DealFile;
use App\Models\Paper;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;

/** @return list<string> what stands prepared that speaks of these words */
function standingPrepared(string $words): array
{
    $texts = DB::connection()
        ->getPdo()
        ->query("SELECT statement FROM pg_prepared_statements WHERE name LIKE 'kept%'")
        ->fetchAll(PDO::FETCH_COLUMN);

    return array_values(array_filter($texts, static fn (string $text) => str_contains($text, $words)));
}

// Connections of their own, on which nothing stands yet.
beforeEach(function () {
    /** @var AppCase $this */
    $options = (array) config('database.connections.pgsql.options');
    config(['database.connections.pgsql.options' => [PDO::ATTR_PERSISTENT => false] + $options]);
    DB::rollBack();
    DB::purge();
    DB::beginTransaction();
    $this->people = Seed::people();
    $this->seeAll();
});

it('prepares a question once, however many ids it is asked for', function () {
    /** @var AppCase $this */
    expect(DB::connection())->toBeInstanceOf(KeptConnection::class);
    $file = $this->aFile();
    $all = $file->papers()->pluck('id')->all();
    foreach ([[$all[0], $all[1]], [$all[0], $all[1], $all[2]], $all, [$all[0]]] as $ids) {
        expect(Paper::query()->whereIn('papers.id', $ids)->count())
            ->toBe(count($ids))
            ->and(Paper::query()->whereIntegerInRaw('papers.id', $ids)->count())
            ->toBe(count($ids))
            ->and(Paper::query()->where('deal_file_id', $file->id)->whereNotIn('papers.id', $ids)->count())
            ->toBe(count($all) - count($ids));
    }
    expect(standingPrepared('"papers"."id" = any'))
        ->toHaveCount(1)
        ->and(standingPrepared('"papers"."id" <> all'))
        ->toHaveCount(1)
        ->and(standingPrepared('"papers"."id" = $1'))
        ->toHaveCount(1);
});

it('brings every kind of value through as it was', function (mixed $given, string $type, mixed $back) {
    expect(DB::selectOne("select ?::{$type} as it", [$given])->it)
        ->toBe($back)
        ->and(DB::selectOne("select ?::{$type} as it", [$given])->it)
        ->toBe($back);
})->with([
    'text with all that quotes' => ["O'Brien \\ \"x\" ?? \$1 :name -- ; %", 'text', "O'Brien \\ \"x\" ?? \$1 :name -- ; %"],
    'a backslash at the end' => ['C:\\', 'text', 'C:\\'],
    'nothing' => [null, 'text', null],
    'an empty text' => ['', 'text', ''],
    'true' => [true, 'boolean', true],
    'false' => [false, 'boolean', false],
    'a number' => [9007199254740993, 'bigint', 9007199254740993],
    'Arabic' => ['أحمد', 'text', 'أحمد'],
    'json' => ['{"a": 1}', 'jsonb', '{"a": 1}'],
]);

it('leaves question marks in texts and operators alone', function () {
    expect(DB::selectOne("select 'really?' as it, '{\"a\": 1}'::jsonb ?? ? as has", ['a']))->toEqual(
        (object) ['it' => 'really?', 'has' => true],
    );
});

it('plans the questions of finding for what is asked', function () {
    /** @var AppCase $this */
    $this->aFile();
    expect(DealFile::query()->where('name', 'like', '%Lantern%')->count())
        ->toBe(1)
        ->and(standingPrepared('"name" like'))
        ->toBe([]);
});

it('goes on after a question that failed, and tells the question as it was put', function () {
    try {
        DB::transaction(static fn () => DB::select('select 1 / ? as it', [0]));
    } catch (QueryException $failed) {
        expect($failed->getSql())->toBe('select 1 / ? as it')->and($failed->getCode())->toBe('22012');
    }
    expect(DB::selectOne('select 1 / ? as it', [1])->it)->toBe(1);
});

it('asks anew after a table was changed under it', function () {
    $connection = DB::connectUsing('apart', config('database.connections.pgsql'));
    $connection->unprepared('CREATE TEMP TABLE shifting (a int)');
    $connection->insert('insert into shifting values (?)', [1]);
    expect((array) $connection->selectOne('select * from shifting'))->toBe(['a' => 1]);
    $connection->unprepared('ALTER TABLE shifting ADD COLUMN b int');
    $ask = static fn () => $connection->transaction(static fn () => (array) $connection->selectOne('select * from shifting'));
    expect($ask)
        ->toThrow(QueryException::class, 'cached plan')
        ->and($ask())
        ->toBe(['a' => 1, 'b' => null]);
    $connection->disconnect();
});

it('prepares nothing for longer than a request while the tables change', function () {
    /** @var AppCase $this */
    $mark = (string) config('database.connections.pgsql.tables_change');
    expect($mark)->toEndWith('/run/tables-change');
    touch($mark);
    try {
        expect(DB::selectOne('select ?::int + 41 as it', [1])->it)->toBe(42)->and(standingPrepared('+ 41'))->toBe([]);
    } finally {
        unlink($mark);
    }
    expect(DB::selectOne('select ?::int + 41 as it', [1])->it)->toBe(42)->and(standingPrepared('+ 41'))->toHaveCount(1);
});

it('connects with the password that was written when the database asks for another than the settings say', function () {
    $config = (array) config('database.connections.pgsql');
    $file = tempnam(sys_get_temp_dir(), 'word');
    file_put_contents($file, $config['password']."\n");
    $pdo = (new App\Access\AppConnector())->connect(['password' => 'the-one-before', 'password_file' => $file] + $config);
    expect($pdo->query('SELECT 1')->fetchColumn())->toBe(1);
    file_put_contents($file, 'neither');
    expect(fn () => (new App\Access\AppConnector())->connect(['password' => 'the-one-before', 'password_file' => $file] + $config))
        ->toThrow(PDOException::class);
    unlink($file);
});
