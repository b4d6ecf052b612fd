<?php

declare(strict_types=1);

use App\Running\Measured;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

it('says in words what is wrong, and fails where something is broken', function () {
    expect(Artisan::call('installation:check'))->toBe(0)
        ->and(Artisan::output())->toContain('look    scheduler: It has not run yet.');
    DB::table('installation_marks')->insert(['name' => 'scheduler', 'at' => now()->subHour()]);
    expect(Artisan::call('installation:check'))->toBe(1)
        ->and(Artisan::output())->toContain('BROKEN  scheduler: It ran 60 minutes ago.')
        ->toContain('look    backup: No backup was taken yet')
        ->toContain('well    clock')->toContain('seal: Its certificate is good until');
    Artisan::call('installation:beat');
    Artisan::call('installation:beat', ['what' => 'backup']);
    expect(Artisan::call('installation:check'))->toBe(0, Artisan::output())
        ->and(Artisan::call('installation:beat', ['what' => 'lunch']))->toBe(1);
    DB::table('service_breakers')->insert(['name' => 'the mail server', 'fails' => 3, 'fault' => 'refused']);
    expect(Artisan::call('installation:check'))->toBe(1)
        ->and(Artisan::output())->toContain('The mail server failed 3 times in a row (refused)');
});

it('counts letters and seals that are late over all brokerages, and tells no names', function () {
    $file = $this->aFile();
    $this->aRound($file);
    $this->seeAll();
    DB::table('letters')->update(['created_at' => now()->subHour(), 'sent_at' => null]);
    // What was begun a moment ago is no late letter, whatever day it bears.
    expect(Measured::counts()['emails_late'])->toBe(0);
    DB::table('pending_work')->where('kind', 'letters')->update(['begun_at' => now()->subHour()]);
    DB::table('rounds')->update(['status' => 'complete', 'over_at' => now()->subHour()]);
    $counts = Measured::counts();
    expect($counts['emails_late'])->toBeGreaterThan(0)->and($counts['seals_late'])->toBe(1)->and($counts['files_open'])->toBe(1);
});

it('gives figures to the operator’s program alone', function () {
    Auth::forgetGuards();
    $this->get('/metrics')->assertNotFound();
    config(['unanimus.metrics' => 'short']);
    $this->withToken('short')->get('/metrics')->assertNotFound();
    config(['unanimus.metrics' => 'a-long-secret-of-the-operator']);
    $this->withToken('a-long-secret-of-the-other-one')->get('/metrics')->assertNotFound();
    $text = $this->withToken('a-long-secret-of-the-operator')->get('/metrics')->assertOk()->getContent();
    expect($text)->toContain("# TYPE unanimus_work_waiting gauge\nunanimus_work_waiting ")
        ->toContain('unanimus_check{part="scheduler"} 1')
        ->not->toContain('quillmark');
    foreach (explode("\n", trim($text)) as $line) {
        expect($line)->toMatch('/^(# (HELP|TYPE) unanimus_[a-z_]+ .+|unanimus_[a-z_]+(\{[a-z]+="[^"]*"\})? -?\d+(\.\d+)?)$/');
    }
});

it('shows administrators what did not work, of their own brokerage, and tries it again on a press', function () {
    $this->seeAll();
    $brokerage = $this->people['fenna']->brokerage_id;
    DB::table('pending_work')->insert(['kind' => 'letters', 'thing' => 999_999, 'brokerage_id' => $brokerage,
        'job' => App\Mail\Jobs\SendLetter::class,
        'claimed_until' => now()->addHour(), 'fault' => 'the address is refused', 'tries' => 4, 'stopped' => true]);
    foreach (['ines', 'wendell', 'priya', 'marguerite'] as $who) {
        $this->as($who)->get('/office/running')->assertForbidden();
        $this->as($who)->post('/office/running/letters/999999')->assertForbidden();
    }
    $this->as('fenna')->get('/office/running')->assertOk()->assertSee('the address is refused')->assertSee('not by itself');
    $this->as('fenna')->post('/office/running/letters/999999')->assertSessionHas('told', 'It is tried again now.');
    $this->as('fenna')->post('/office/running/letters/12345')->assertSessionHas('told', 'That is done meanwhile.');
    $this->seeAll();
    expect(DB::table('pending_work')->where('thing', 999_999)->value('stopped'))->toBeFalse();
});

it('reads back all documents in sittings, and tells what is damaged and what nobody knows', function () {
    $scratch = new Unanimus\Pages\Scratch();
    config(['unanimus.bytes.folder' => $scratch->path('bytes')]);
    $this->app->forgetInstance(App\Storage\Bytes::class);
    $bytes = $this->app->make(App\Storage\Bytes::class);
    $this->seeAll();
    DB::table('blobs')->count() === 0 || $this->markTestSkipped('The database holds documents already.');
    $kept = array_map(fn (string $one) => $bytes->keep($this->people['tomas']->brokerage_id, $one), ['one', 'two', 'three']);
    $place = fn (string $name) => $scratch->path('bytes').'/'.substr($name, 0, 2).'/'.substr($name, 2, 2)."/{$name}";
    expect(Artisan::call('bytes:verify', ['--pause' => 0, '--anew' => true]))->toBe(0)
        ->and(Artisan::output())->toContain('3 documents read, 0 broken, 0 on the disk');
    file_put_contents($place($kept[1]), 'tvo');
    $stray = hash('sha256', 'stray');
    @mkdir(dirname($place($stray)), 0777, true);
    file_put_contents($place($stray), 'stray');
    touch($place($stray), time() - 2 * 86_400);
    expect(Artisan::call('bytes:verify', ['--pause' => 0]))->toBe(1)
        ->and(Artisan::output())->toContain("{$kept[1]} (application/pdf)")->toContain("known to no one: {$stray}")
        ->toContain('3 documents read, 1 broken, 1 on the disk');
    Artisan::call('installation:check');
    expect(Artisan::output())->toContain('BROKEN  documents: Some are damaged or gone.');
    // Where it was cut off it goes on, and counts on: of those before it nothing is read again.
    sort($kept);
    $so = ['brokerage' => $this->people['tomas']->brokerage_id, 'after' => $kept[2], 'read' => 3, 'broken' => 0];
    file_put_contents(storage_path('app/bytes-verified.json'), json_encode($so));
    expect(Artisan::call('bytes:verify', ['--pause' => 0]))->toBe(0)->and(Artisan::output())->toContain('3 documents read, 0 broken');
});

it('tries what was set by using it, and says in words what does not work', function () {
    expect(Artisan::call('installation:try'))->toBe(0)
        ->and(Artisan::output())->toContain('well    documents: stored, read back and let go')
        ->toContain('well    seal: a page was sealed, and holds');
    config(['unanimus.seal.key' => '/nowhere/at/all.pem']);
    expect(Artisan::call('installation:try'))->toBe(1)
        ->and(Artisan::output())->toContain('BROKEN  seal: The file with the sealing key cannot be read.')
        ->toContain('well    time stamp');
    config(['unanimus.bytes.folder' => '/proc/nowhere']);
    expect(Artisan::call('installation:try'))->toBe(1)->and(Artisan::output())->toContain('BROKEN  documents');
});

it('opens papers as a person would, and tells of one that is gone', function () {
    $file = $this->aFile();
    $this->aRound($file);
    $this->seeAll();
    $some = DB::table('paper_versions')->pluck('sha256')->map(trim(...))->all();
    $some !== [] || $this->markTestSkipped('There is no paper.');
    expect(Artisan::call('papers:open', ['count' => 50]))->toBe(0, Artisan::output());
    config(['unanimus.bytes.folder' => (new Unanimus\Pages\Scratch())->path('empty')]);
    $this->app->forgetInstance(App\Storage\Bytes::class);
    expect(Artisan::call('papers:open', ['count' => 50]))->toBe(1)->and(Artisan::output())->toContain('could not be opened');
});
