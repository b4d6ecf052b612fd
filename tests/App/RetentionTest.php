<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\PurgeCertificate;
use App\Models\Sight;
use App\Retention\Actions\PurgeFile;
use App\Storage\Bytes;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Retention\RetentionRefusal;

/** Ended so many days ago. */
function endedDaysAgo(DealFile $file, int $days): string
{
    $day = LocalDate::of(test()->day(0))->plusDays(-$days)->iso();
    test()->seeAll();
    DB::table('deal_files')->where('id', $file->id)->update(['status' => 'closed', 'closed_on' => $day, 'ended_on' => $day]);

    return $day;
}

/** Sets periods of the office in Pellingford or wherever the file is. */
function keptFor(DealFile $file, array $years, string $archive = ''): void
{
    test()->as('ines')->put("/office/archive/{$file->office->key}", ['years' => $years, 'archive' => $archive])->assertSessionHas('told');
    test()->seeAll();
}

/** As if notice had been given two months ago, and all bytes were older than a day. */
function noticePast(): void
{
    test()->seeAll();
    DB::update('UPDATE purge_notices SET announced_on = announced_on - 61, purged_on = purged_on - 61');
    DB::update("UPDATE blobs SET kept_at = now() - interval '3 days'");
}

/** What the night does. */
function sweepRetention(): void
{
    expect(Artisan::call('retention:sweep'))->toBe(0, Artisan::output());
}

/** In which tables a word still stands anywhere. @return list<string> */
function tablesWith(string $word): array
{
    test()->seeAll();
    $found = [];
    $names = array_column(DB::select("SELECT tablename FROM pg_tables WHERE schemaname = 'public' AND tablename <> 'migrations'
        AND tablename IN (SELECT table_name FROM information_schema.role_table_grants WHERE privilege_type = 'SELECT')"), 'tablename');
    foreach ($names as $name) {
        DB::scalar("SELECT count(*) FROM {$name} t WHERE to_jsonb(t)::text ILIKE ?", ["%{$word}%"]) > 0 && $found[] = $name;
    }

    return $found;
}

it('purges a file whose time is over: rows, bytes and pictures that nobody else uses, and leaves a certificate', function () {
    $file = $this->aFile(['property.street' => '9 Vanishing Quay']);
    $round = $this->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $kept = $this->aFile(['property.street' => '10 Standing Stones']);
    // Both files have one and the same survey; one has a letter of its own.
    $both = brought('A survey of two neighbors')->getContent();
    foreach ([$file, $kept] as $one) {
        $pdf = Illuminate\Http\UploadedFile::fake()->createWithContent('Survey.pdf', $both);
        $this->as('tomas')->postJson("/files/{$one->key}/papers", ['pdf' => $pdf, 'key' => "both-papers-{$one->key}"])->assertOk();
    }
    $own = brought('Only of the one that goes')->getContent();
    $pdf = Illuminate\Http\UploadedFile::fake()->createWithContent('Own.pdf', $own);
    $this->as('tomas')->postJson("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'only-own-1'])->assertOk();
    $this->as('tomas')->post("/files/{$file->key}/messages", ['to' => 'buyer.1']);
    $this->work();
    $this->seeAll();
    $set = DB::table('sealed_sets')->where('deal_file_id', $file->id)->value('sha256');
    $shared = DB::table('uploads')->where('deal_file_id', $kept->id)->value('sha256');
    $alone = DB::table('uploads')->where('deal_file_id', $file->id)->where('sha256', '<>', $shared)->value('sha256');
    expect($set)->not->toBeNull()->and($shared)->not->toBeNull()->and($alone)->not->toBeNull();
    $picture = config('unanimus.page_cache')."/{$alone}-1.webp";
    is_dir(dirname($picture)) || mkdir(dirname($picture), 0770, true);
    file_put_contents($picture, 'picture');
    $last = DB::table('history')->where('deal_file_id', $file->id)->orderByDesc('seq')->first();
    endedDaysAgo($file, 8 * 366);
    keptFor($file, ['sale-closed' => '7']);

    sweepRetention();
    $this->seeAll();
    expect(DB::table('purge_notices')->where('deal_file_id', $file->id)->value('by_rule'))->toBe('sale, closed: 7 years')
        ->and(DB::table('letters')->where('once_key', 'like', 'purges:%')->count())->toBeGreaterThan(0)
        ->and(DB::table('letters')->where('once_key', 'like', 'purges:%')->where('body', 'like', '%Vanishing%')->count())->toBe(0)
        ->and(DealFile::query()->whereKey($file->id)->exists())->toBeTrue();
    sweepRetention();
    $this->seeAll();
    expect(DealFile::query()->whereKey($file->id)->exists())->toBeTrue();
    $last = DB::table('history')->where('deal_file_id', $file->id)->orderByDesc('seq')->first();
    noticePast();
    sweepRetention();
    $this->seeAll();

    $certificate = PurgeCertificate::query()->sole();
    expect($certificate->finished_at)->not->toBeNull()
        ->and($certificate->history_hash)->toBe($last->hash)
        ->and($certificate->history_entries)->toBe((int) $last->seq)
        ->and($certificate->bytes_left)->toBe([])
        ->and($certificate->bytes_removed)->toBeGreaterThan(1)
        ->and($certificate->purged_rows['history'])->toBe((int) $last->seq);
    foreach (['Vanishing Quay', 'vanishing', $alone, $set] as $word) {
        expect(tablesWith($word))->toBe([], $word);
    }
    expect(tablesWith($file->key))->toBe(['purge_certificates'])
        ->and(is_file($picture))->toBeFalse()
        ->and(is_file(app(Bytes::class)->path($shared)))->toBeTrue()
        ->and(fn () => app(Bytes::class)->path($alone))->toThrow(App\Storage\BytesMissing::class)
        ->and(fn () => app(Bytes::class)->path($set))->toThrow(App\Storage\BytesMissing::class);
    // The other one is whole.
    $this->as('tomas')->get("/files/{$kept->key}")->assertOk()->assertSee('Standing Stones');
    $this->as('tomas')->get("/files/{$file->key}")->assertNotFound();
    expect(Artisan::call('history:verify'))->toBe(0);
    $this->as('ines')->get("/office/archive?office={$kept->office->key}")->assertOk()->assertSee(substr($certificate->key, -8));
    $this->as('ines')->get("/office/archive/certificates/{$certificate->key}?name=".urlencode($file->name))->assertSee('Yes.');
    $this->as('ines')->get("/office/archive/certificates/{$certificate->key}?name=Something")->assertSee('No. The file');
    $this->as('tomas')->get("/office/archive/certificates/{$certificate->key}")->assertNotFound();
});

it('goes on with a purge that was cut off between the rows and the bytes', function () {
    $file = $this->aFile();
    $pdf = brought('Half gone');
    $this->as('tomas')->postJson("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => 'half-gone-1'])->assertOk();
    endedDaysAgo($file, 5 * 366);
    keptFor($file, ['any-any' => '1']);
    sweepRetention();
    noticePast();
    $brokerage = $this->people['tomas']->brokerage_id;
    Sight::within($brokerage, fn () => app(PurgeFile::class)->rows($file->id));
    $this->seeAll();
    $certificate = PurgeCertificate::query()->sole();
    expect($certificate->finished_at)->toBeNull()->and($certificate->bytes_left)->not->toBe([]);
    // The bytes on the disk went before their row did: found gone, and no fault.
    app(Bytes::class)->drop($certificate->bytes_left[0]);
    sweepRetention();
    sweepRetention();
    $this->seeAll();
    expect($certificate->refresh()->finished_at)->not->toBeNull()
        ->and(PurgeCertificate::query()->count())->toBe(1)
        ->and(DB::table('brokerage_history')->where('what', 'File purged')->count())->toBe(1);
});

it('leaves bytes alone that came in within a day, and finishes tomorrow', function () {
    $file = $this->aFile();
    $this->as('tomas')->postJson("/files/{$file->key}/papers", ['pdf' => brought('Fresh'), 'key' => 'fresh-one-1'])->assertOk();
    endedDaysAgo($file, 5 * 366);
    keptFor($file, ['any-any' => '1']);
    sweepRetention();
    noticePast();
    DB::update('UPDATE blobs SET kept_at = clock_timestamp()');
    sweepRetention();
    $this->seeAll();
    $certificate = PurgeCertificate::query()->sole();
    expect($certificate->finished_at)->toBeNull()->and($certificate->bytes_left)->not->toBe([]);
    DB::update("UPDATE blobs SET kept_at = now() - interval '2 days'");
    sweepRetention();
    $this->seeAll();
    expect($certificate->refresh()->finished_at)->not->toBeNull()->and($certificate->bytes_left)->toBe([]);
});

it('purges nothing that is held, open again, kept longer by now, or of which no notice was given; the database says so too', function () {
    $file = $this->aFile();
    $brokerage = $this->people['tomas']->brokerage_id;
    endedDaysAgo($file, 5 * 366);
    keptFor($file, ['any-any' => '1']);
    expect(fn () => Sight::within($brokerage, fn () => app(PurgeFile::class)->rows($file->id)))->toBeRefused(RetentionRefusal::NotDue);
    $ask = fn () => Sight::within($brokerage, fn () => DB::scalar('SELECT purge_file(?, ?, ?)', [$file->id, str_repeat('0', 26), 'x']));
    expect($ask)->toThrow(QueryException::class);
    sweepRetention();
    expect($ask)->toThrow(QueryException::class);
    noticePast();
    $this->as('ines')->post("/files/{$file->key}/hold", ['reason' => ''])->assertSessionHas('reason', RetentionRefusal::NoReason->value);
    foreach ([1, 2] as $press) {
        $this->as('ines')->post("/files/{$file->key}/hold", ['reason' => 'A claim by the neighbor'])->assertSessionHas('told');
    }
    $this->seeAll();
    expect(DB::table('retention_holds')->count())->toBe(1);
    sweepRetention();
    expect($ask)->toThrow(QueryException::class);
    $this->as('ines')->get("/files/{$file->key}/keeping")->assertSee('A claim by the neighbor');
    $this->as('ines')->get("/office/archive?office={$file->office->key}")->assertSee('A claim by the neighbor');
    // Agents see that it is held, not why.
    $this->as('tomas')->get("/files/{$file->key}/keeping")->assertSee('On hold')->assertDontSee('A claim by the neighbor');
    $this->as('ines')->post("/files/{$file->key}/hold/lift")->assertSessionHas('told');
    // After the hold notice is given anew: 60 days from now.
    sweepRetention();
    $this->seeAll();
    expect(DB::table('purge_notices')->where('deal_file_id', $file->id)->value('announced_on'))->toBe($this->day(0))
        ->and(DealFile::query()->whereKey($file->id)->exists())->toBeTrue();
    keptFor($file, ['any-any' => '30']);
    sweepRetention();
    $this->seeAll();
    expect(DB::table('purge_notices')->count())->toBe(0);
    // Opened again by the broker.
    keptFor($file, ['any-any' => '1']);
    sweepRetention();
    $this->as('ines')->post("/files/{$file->key}/status", ['status' => 'active', 'reason' => 'The buyer came back'])
        ->assertSessionHas('told');
    sweepRetention();
    $this->seeAll();
    expect(DB::table('purge_notices')->count())->toBe(0);
});

it('lets nobody but the application purge, and nobody take a certificate back', function () {
    $file = $this->aFile();
    endedDaysAgo($file, 5 * 366);
    keptFor($file, ['any-any' => '1']);
    sweepRetention();
    noticePast();
    $ines = $this->people['ines'];
    $asInes = fn (string $sql) => fn () => DB::transaction(function () use ($ines, $sql) {
        Sight::ofPerson($ines);

        return DB::unprepared($sql);
    });
    expect($asInes("SELECT purge_file({$file->id}, '00000000000000000000000000', 'x')"))->toThrow(QueryException::class)
        ->and($asInes("SET LOCAL unanimus.purging = 'yes'; DELETE FROM history"))->toThrow(QueryException::class)
        ->and($asInes('SELECT let_bytes_go(repeat(\'0\', 64))'))->toThrow(QueryException::class)
        ->and($asInes("INSERT INTO purge_notices (deal_file_id, brokerage_id, announced_on, purged_on, by_rule)
            VALUES ({$file->id}, {$file->brokerage_id},
            '2020-01-01', '2020-12-01', 'x')"))->toThrow(QueryException::class);
    sweepRetention();
    $this->seeAll();
    expect(PurgeCertificate::query()->count())->toBe(1)
        ->and(fn () => DB::transaction(fn () => DB::table('purge_certificates')->delete()))->toThrow(QueryException::class)
        ->and(fn () => DB::transaction(fn () => DB::table('purge_certificates')->update(['by_rule' => 'x'])))
        ->toThrow(QueryException::class);
});

it('archives by hand and after a while, and shows what is archived where it is asked for', function () {
    $file = $this->aFile(['property.street' => '77 Ledger Row']);
    $this->as('tomas')->post("/files/{$file->key}/archive", ['archived' => '1'])->assertSessionHas('reason', RetentionRefusal::StillOpen
        ->value);
    endedDaysAgo($file, 40);
    keptFor($file, [], '60');
    sweepRetention();
    $this->as('tomas')->get('/files?q=status:archived')->assertDontSee('Ledger Row');
    keptFor($file, [], '30');
    foreach ([1, 2] as $again) {
        sweepRetention();
    }
    $this->as('tomas')->get('/files?q=status:archived')->assertSee('Ledger Row');
    $this->as('tomas')->get('/files?q=status:ended')->assertDontSee('Ledger Row');
    $this->as('tomas')->get('/files?q=ledger')->assertSee('Ledger Row');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'File archived')->count())->toBe(1);
    $this->as('tomas')->post("/files/{$file->key}/archive", ['archived' => '0'])->assertSessionHas('told');
    $this->as('tomas')->get('/files?q=status:ended')->assertSee('Ledger Row');
    $this->as('tomas')->get("/files/{$file->key}/keeping")->assertSee('kept permanently');
});

it('lists what ends within a year by the period each file has, and nothing that ends later', function () {
    [$soon, $later, $lease] = [
        $this->aFile(['property.street' => '1 Nearly Over']),
        $this->aFile(['property.street' => '2 Much Later']),
        $this->aFile(['property.street' => '3 Short Lease']),
    ];
    endedDaysAgo($soon, 6 * 365 + 200);
    endedDaysAgo($later, 5 * 365);
    endedDaysAgo($lease, 2 * 365 + 200);
    DB::table('deal_files')->where('id', $lease->id)->update(['kind' => 'lease']);
    keptFor($soon, ['sale-closed' => '7', 'lease-closed' => '3']);
    $this->as('ines')->get("/office/archive?office={$soon->office->key}")->assertSee('1 Nearly Over')->assertSee('3 Short Lease')
        ->assertDontSee('2 Much Later');
    keptFor($soon, []);
    $this->as('ines')->get("/office/archive?office={$soon->office->key}")->assertSee('every file is kept permanently')
        ->assertDontSee('1 Nearly Over');
});

it('keeps periods and holds to those who run the office', function () {
    $file = $this->aFile();
    endedDaysAgo($file, 40);
    foreach (['tomas', 'wendell'] as $who) {
        $this->as($who)->get('/office/archive')->assertForbidden();
        $this->as($who)->put("/office/archive/{$file->office->key}", ['years' => ['any-any' => '1']])->assertForbidden();
        $this->as($who)->post("/files/{$file->key}/hold", ['reason' => 'x'])->assertForbidden();
        $this->as($who)->post("/files/{$file->key}/hold/lift")->assertForbidden();
    }
    $this->as('ines')->put("/office/archive/{$file->office->key}", ['years' => ['any-any' => 'many']])
        ->assertSessionHas('reason', RetentionRefusal::NoYears->value);
    $this->seeAll();
    expect($file->office->fresh()->retention)->toBe([])
        ->and(DB::table('brokerage_history')->where('what', 'Retention periods changed')->count())->toBe(0);
});
