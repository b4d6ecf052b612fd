<?php

declare(strict_types=1);

use App\Access\AppConnection;
use App\Access\Replica;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Support\AppCase;

it('is asked for pages that are there and are only looked at', function (string $name) {
    expect(Route::getRoutes()->getByName($name)?->methods() ?? [])->toContain('GET');
})->with(Replica::PAGES);

it('leaves a page as it is where the copy does not answer, or is none', function (array $replica) {
    /** @var AppCase $this */
    config(['database.connections.replica' => $replica + (array) config('database.connections.replica')]);
    $this->aFile();
    expect(Replica::isFresh())->toBeFalse();
    $this->as('tomas')->get('/files')->assertOk()->assertSee('14 Lanternfish Lane');
    $this->as('ines')->get('/reports')->assertOk();
})->with([
    'nobody at its port' => [['database' => 'unanimus', 'port' => '1']],
    'a database that follows none' => [['database' => 'unanimus_tests']],
]);

it('takes for a refusal what the copy could not do, and nothing else', function () {
    $thrown = static function (string $connection, string $code): QueryException {
        $before = new class($code) extends PDOException
        {
            public function __construct(string $code)
            {
                parent::__construct('refused');
                $this->code = $code;
            }
        };

        return new QueryException($connection, 'select 1', [], $before);
    };
    expect(Replica::refused($thrown('replica', '25006')))
        ->toBeTrue()
        ->and(Replica::refused($thrown('replica', '57P01')))
        ->toBeTrue()
        ->and(Replica::refused(new RuntimeException('a page', previous: $thrown('replica', '25006'))))
        ->toBeTrue()
        ->and(Replica::refused(new RuntimeException('a page', previous: $thrown('pgsql', '25006'))))
        ->toBeFalse()
        ->and(Replica::refused($thrown('replica', '42703')))
        ->toBeFalse()
        ->and(Replica::refused($thrown('pgsql', '25006')))
        ->toBeFalse()
        ->and(Replica::refused(null))
        ->toBeFalse();
});

it('asks the same through a pooler, on whose connections nothing stays', function () {
    /** @var AppCase $this */
    config(['database.connections.pgsql.keep_statements' => false]);
    DB::rollBack();
    DB::purge();
    DB::beginTransaction();
    $this->people = App\Demo\Seed::people();
    $this->seeAll();
    expect(DB::connection())->toBeInstanceOf(AppConnection::class);
    $file = $this->aFile();
    $this->as('tomas')->get('/')->assertOk();
    $this->as('tomas')->get("/files/{$file->key}")->assertOk()->assertSee('14 Lanternfish Lane');
    $this->as('ines')->get('/reports')->assertOk();
    $this->as('ines')->get('/office')->assertOk();
});
