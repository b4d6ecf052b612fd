<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;

it('lets an administrator see what somebody sees, marked, logged, and change nothing', function () {
    $file = $this->aFile();
    $tomas = $this->people['tomas'];
    $this->as('fenna')->post("/people/{$tomas->key}/look")->assertRedirect('/');
    $this->as('fenna')->get("/files/{$file->key}")->assertOk()->assertSee('You are looking as Tomás Reyes-Whitlock')
        // What stands on the page is sent by whoever looks.
        ->assertSee("<meta name=\"who\" content=\"{$this->people['fenna']->key}\">", false);
    $this->as('fenna')->get('/office/archive')->assertForbidden();
    $this->as('fenna')->post("/files/{$file->key}/tasks", ['title' => 'Sneaked in'])->assertForbidden();
    $this->as('fenna')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '1'])->assertForbidden();
    $this->as('fenna')->post('/look/end')->assertRedirect("/people/{$tomas->key}");
    $this->as('fenna')->get('/office/archive')->assertOk()->assertDontSee('You are looking as');
    $this->seeAll();
    expect(DB::table('tasks')->where('title', 'Sneaked in')->count())->toBe(0)
        ->and(DB::table('brokerage_history')->where('what', 'Looked as')->value('who'))->toBe('Fenna Holtrop');
});

it('leaves nothing behind that a page does by being opened', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    auth()->forgetGuards();
    $this->post("{$link}/ask", ['question' => 'Who pays?', 'once' => 'once-1']);
    $this->as('fenna')->post("/people/{$this->people['tomas']->key}/look");
    $this->seeAll();
    $before = DB::table('pg_stat_user_tables')->count();
    $rows = fn () => array_map(static fn (string $table) => DB::table($table)->count(), ['message_looks', 'history', 'notices',
        'review_looks']);
    $standing = $rows();
    foreach (['/', '/notices', "/files/{$file->key}/messages", "/rounds/{$round->key}", "/files/{$file->key}/commission"] as $page) {
        $this->as('fenna')->get($page)->assertOk();
    }
    $this->seeAll();
    expect($rows())->toBe($standing)->and($before)->toBeGreaterThan(0);
});

it('lets nobody else look, and nobody at guests, at others’ people, or at who has left', function () {
    foreach (['tomas', 'ines', 'wendell'] as $who) {
        $this->as($who)->post("/people/{$this->people['caleb']->key}/look")->assertForbidden();
    }
    $this->as('fenna')->post("/people/{$this->people['fenna']->key}/look")->assertForbidden();
    $this->seeAll();
    DB::table('users')->where('id', $this->people['caleb']->id)->update(['active' => false]);
    $this->as('fenna')->post("/people/{$this->people['caleb']->key}/look")->assertForbidden();
    $this->as('fenna')->post("/people/{$this->people['tomas']->key}/look")->assertRedirect();
    // Whoever is no administrator any more looks as nobody.
    $this->seeAll();
    DB::table('office_roles')->where('user_id', $this->people['fenna']->id)->update(['role' => 'bookkeeper']);
    $this->actingAs($this->people['fenna']->fresh())->get('/')->assertOk()->assertDontSee('You are looking as');
});
