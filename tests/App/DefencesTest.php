<?php

declare(strict_types=1);

use App\Access\Http\SeesWhatItNames;
use App\History\History;
use App\History\Stamps;
use App\Models\DealFile;
use App\Models\Round;
use App\Models\SealedSet;
use App\Models\Sight;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Tests\Support\OpensslStamps;
use Unanimus\Files\SeenBy;

function rowSecurity(bool $on): void
{
    $owner = owner();
    foreach (
        $owner->query("SELECT DISTINCT tablename FROM pg_policies WHERE schemaname = 'public'")->fetchAll(PDO::FETCH_COLUMN) as $table
    ) {
        $owner->exec("ALTER TABLE {$table} ".($on ? 'ENABLE' : 'DISABLE').' ROW LEVEL SECURITY');
    }
}

/**
 * Everyone who has no business in Tomás's file: another office's agent, its broker, another brokerage.
 *
 * @return array<string, App\Models\User>
 */
function intruders(): array
{
    $outside = anotherOne();
    test()->seeAll();

    return [
        'another agent' => test()->people['caleb'],
        'an agent of the same office' => test()->people['greta'],
        'another brokerage' => $outside,
    ];
}

/** Asks every guarded route as each of them; which of them were let in. @return list<string> */
function letIn(DealFile $file, array $places, array $intruders): array
{
    $in = [];
    $before = (int) DB::table('history')->where('deal_file_id', $file->id)->max('seq');
    foreach ($intruders as $who => $user) {
        foreach (guardedRoutes() as $name => [$method, $path, $data]) {
            Auth::forgetGuards();
            $data = array_map(static fn ($one) => is_string($one) ? strtr($one, $places) : $one, $data);
            DB::statement('SAVEPOINT asked');
            $answer = test()->actingAs($user)->call($method, strtr($path, $places), $data, server: ['HTTP_ACCEPT' => 'text/html']);
            in_array($answer->getStatusCode(), [403, 404, 405], true) || ($in[] = "{$who}: {$name} ({$answer->getStatusCode()})");
            DB::statement('ROLLBACK TO SAVEPOINT asked');
            test()->seeAll();
        }
    }
    expect((int) DB::table('history')->where('deal_file_id', $file->id)->max('seq'))->toBe($before);

    return $in;
}

it('refuses every route to everyone it is not for, with row-level security off', function () {
    DB::rollBack();
    rowSecurity(false);
    try {
        DB::beginTransaction();
        $this->people = App\Demo\Seed::people();
        $this->seeAll();
        $file = $this->aFile();
        $places = placesIn($file);
        $this->seeAll();
        $intruders = intruders();
        expect(letIn($file, $places, $intruders))->toBe([]);
        // Lists show nothing of it either.
        foreach ($intruders as $who => $user) {
            foreach (['/', '/files', '/files?q=Lanternfish', '/find?q=Lanternfish', '/tasks', '/files.csv'] as $list) {
                Auth::forgetGuards();
                expect((string) $this->actingAs($user)->get($list)->getContent())->not->toContain('14 Lanternfish', "{$who} at {$list}");
                $this->seeAll();
            }
        }
    } finally {
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        rowSecurity(true);
        DB::beginTransaction();
    }
});

it('refuses every route to everyone it is not for, with the application\'s own rules off', function () {
    $file = $this->aFile();
    $places = placesIn($file);
    $this->seeAll();
    Gate::before(static fn () => true);
    $this->withoutMiddleware(SeesWhatItNames::class);
    Model::setAllGlobalScopes([]);
    expect(letIn($file, $places, intruders()))->toBe([]);
});

it('holds those who do not run an office from its roles, forms and rules by the database too', function (string $statement) {
    $this->as('tomas');
    Sight::ofPerson($this->people['tomas']->fresh());
    $numbers = [
        '{me}' => (string) $this->people['tomas']->id,
        '{brokerage}' => (string) $this->people['tomas']->brokerage_id,
        '{office}' => (string) $this->people['tomas']->officeRoles->firstOrFail()->office_id,
    ];
    DB::statement('SAVEPOINT tried');
    try {
        $changed = DB::affectingStatement(strtr($statement, $numbers));
    } catch (QueryException $refused) {
        expect($refused->getMessage())->toContain('row-level security');
        $changed = 0;
    }
    DB::statement('ROLLBACK TO SAVEPOINT tried');
    expect($changed)->toBe(0);
})->with([
    "INSERT INTO office_roles (brokerage_id, user_id, office_id, role) VALUES ({brokerage}, {me}, {office}, 'broker')",
    "INSERT INTO office_roles (brokerage_id, user_id, office_id, role) VALUES ({brokerage}, {me}, {office}, 'administrator')",
    "UPDATE office_roles SET role = 'broker' WHERE user_id = {me}",
    'DELETE FROM office_roles WHERE user_id <> {me}',
    "UPDATE offices SET name = 'Mine'",
    "INSERT INTO offices (key, brokerage_id, name, zone) VALUES ('01ABCDEFGHJKMNPQRSTVWXYZ00', {brokerage}, 'Mine', 'UTC')",
    'DELETE FROM office_rules',
    "UPDATE own_forms SET title = 'Mine'",
    'UPDATE users SET active = false WHERE id <> {me}',
]);

it('lets the application write no history but through its function', function () {
    $file = $this->aFile();
    expect(
        static fn () => DB::transaction(
            static fn () => DB::table('history')->insert([
                'brokerage_id' => $file->brokerage_id,
                'deal_file_id' => $file->id,
                'seq' => 9999,
                'at' => '2020-01-01',
                'who' => 'Ines Okafor-Lund',
                'what' => 'x',
                'before' => str_repeat('0', 64),
                'hash' => str_repeat('0', 64),
            ]),
        ),
    )->toThrow(QueryException::class, 'permission denied');
});

it('finds a history that its owner wrote anew, cut, emptied, gave another side or added to', function (string $sql, string $told) {
    // Outside of any test's transaction, as the owner's work would be.
    DB::rollBack();
    DB::beginTransaction();
    $this->people = App\Demo\Seed::people();
    $this->seeAll();
    config(['unanimus.anchors' => sys_get_temp_dir().'/unanimus-anchors-'.bin2hex(random_bytes(6))]);
    $file = $this->aFile();
    DB::commit();
    $owner = owner();
    try {
        $check = static function () use ($file): ?string {
            return Sight::within(
                $file->brokerage_id,
                static fn () => History::fault($file->id, Stamps::stamped($file->brokerage_id)[$file->key] ?? []),
            );
        };
        Sight::within(
            $file->brokerage_id,
            static fn () => (new Stamps(new OpensslStamps((string) config('unanimus.authority'))))->take($file->brokerage_id),
        );
        expect($check())->toBeNull();
        $owner->exec('ALTER TABLE history DISABLE TRIGGER ALL');
        $owner->exec(strtr($sql, ['{file}' => (string) $file->id]));
        $owner->exec('ALTER TABLE history ENABLE TRIGGER ALL');
        expect($check())->toContain($told);
    } finally {
        emptyAll($owner);
        DB::beginTransaction();
    }
})->with([
    'rehashed by the owner' => [
        "UPDATE history SET who = 'Someone else' WHERE deal_file_id = {file} AND seq = 2; DO \$\$ DECLARE h history; b text := ".
            "repeat('0', 64); BEGIN FOR h IN SELECT * FROM history WHERE deal_file_id = {file} ORDER BY seq LOOP h.before := b; b := ".
            'chain_hash(h); UPDATE history SET before = h.before, hash = b WHERE id = h.id; END LOOP; UPDATE history_heads SET hash = b '.
            'WHERE deal_file_id = {file}; END $$;',
        'sealed by someone else',
    ],
    'its end cut off' => ['DELETE FROM history WHERE deal_file_id = {file} AND seq > 3', 'ends at entry 3'],
    'all of it gone' => [
        'DELETE FROM history WHERE deal_file_id = {file}; DELETE FROM history_heads WHERE deal_file_id = {file}',
        'no entry left',
    ],
    'another side' => ["UPDATE history SET side = 'seller' WHERE deal_file_id = {file} AND seq = 2", 'entry 2 was changed'],
    'in another\'s name and earlier' => [
        'INSERT INTO history (brokerage_id, deal_file_id, seq, at, who, what, data, before, hash) SELECT brokerage_id, deal_file_id, 100 '.
            "+ seq, at - interval '1 year', 'Ines Okafor-Lund', 'Agreed', '{}', hash, repeat('a', 64) FROM history WHERE deal_file_id = ".
            '{file} AND seq = 2',
        'was changed, moved or taken out',
    ],
]);

it('keeps what was sent from every change by the application', function (string $sql) {
    $round = $this->aRound($this->aFile());
    $this->seeAll();
    expect(
        static fn () => DB::transaction(static fn () => DB::affectingStatement(strtr($sql, ['{round}' => (string) $round->id]))),
    )->toThrow(
        QueryException::class,
    );
})->with([
    'UPDATE marks SET x = 10 WHERE round_id = {round}',
    'DELETE FROM marks WHERE round_id = {round}',
    "UPDATE marks SET seat = 'buyer.2' WHERE round_id = {round}",
    'INSERT INTO marks (key, brokerage_id, deal_file_id, round_id, round_paper_id, seat, kind, page, x, y, width, height, position) '.
        "SELECT 'X' || substr(key, 2), brokerage_id, deal_file_id, round_id, round_paper_id, seat, kind, page, x, y, width, height, 99 ".
        'FROM marks WHERE round_id = {round} LIMIT 1',
    "UPDATE round_papers SET sha256 = repeat('a', 64) WHERE round_id = {round}",
    'DELETE FROM round_papers WHERE round_id = {round}',
    "UPDATE signers SET name = 'Another' WHERE round_id = {round}",
    'DELETE FROM signers WHERE round_id = {round}',
    "UPDATE rounds SET status = 'drafting' WHERE id = {round}",
    'DELETE FROM rounds WHERE id = {round}',
]);

it('seals nothing but what was sent and chosen, and raises the alarm', function (Closure $change, string $told) {
    $file = $this->aFile();
    $round = $this->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $change($round);
    $this->work();
    expect(SealedSet::query()->where('round_id', $round->id)->exists())
        ->toBeFalse()
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Sealing stopped')->count())
        ->toBe(1)
        ->and(lettersTo('dario@quillmark.example'))
        ->toContain("Not sealed: {$round->title}");
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertOk()
        ->assertSee($told)
        ->assertSee('Try again now');
})->with([
    'another signature' => [
        static function (Round $round): void {
            $signer = $round->signers()->where('seat', 'buyer.1')->firstOrFail();
            $signer->update(['adopted' => [...(array) $signer->adopted, 'name' => 'Someone Else']]);
        },
        'is not the one that was chosen',
    ],
    'no signature' => [
        static fn (Round $round) => $round
            ->signers()
            ->where('seat', 'buyer.1')
            ->update(['adopted' => null]),
        'There is no signature of buyer 1',
    ],
    'other bytes' => [
        static function (Round $round): void {
            $path = app(App\Storage\Bytes::class)->path((string) $round->papers()->firstOrFail()->sha256);
            file_put_contents($path, file_get_contents($path).' ');
        },
        'is not the document that was sent',
    ],
]);

it('stamps the ends of histories outside the database, and tells what happened to the stamps', function () {
    config(['unanimus.anchors' => ($folder = sys_get_temp_dir().'/unanimus-anchors-'.bin2hex(random_bytes(6)))]);
    $file = $this->aFile();
    $stamps = new Stamps(new OpensslStamps((string) config('unanimus.authority')));
    expect($stamps->take($file->brokerage_id))->toBe(1)->and($stamps->take($file->brokerage_id))->toBe(0);
    History::add($file->brokerage_id, $file->id, 'One more', [], SeenBy::everyone());
    expect($stamps->take($file->brokerage_id))
        ->toBe(1)
        ->and(count(Stamps::stamped($file->brokerage_id)[$file->key]))
        ->toBe(2)
        ->and(Artisan::call('history:verify'))
        ->toBe(0);
    $this->seeAll();
    $manifest = glob("{$folder}/*.txt")[0];
    file_put_contents($manifest, str_replace($file->key, strrev($file->key), (string) file_get_contents($manifest)));
    expect(Stamps::faults($file->brokerage_id, ourRoots()->stamps))
        ->not->toBe([])
        ->and(Stamps::faults($file->brokerage_id, []))
        ->toHaveCount(2);
});
