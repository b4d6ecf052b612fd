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
