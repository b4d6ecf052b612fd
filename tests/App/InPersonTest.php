<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Unanimus\Signing\SigningRefusal;

it('hands the device over: nothing else is reached until its owner’s password, and the evidence says in person', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $signer = $this->signer($round, 'buyer.1');
    $signer->update(['code' => 'KITE42']);
    $this->as('tomas')->post("/rounds/{$round->key}/here")->assertRedirect('/here');
    $this->get('/here')->assertSee('Hand this device to Sunniva Eide')->assertSee('Hand this device to José');
    foreach (['/', "/files/{$file->key}", "/rounds/{$round->key}", '/office', '/me'] as $behind) {
        $this->get($behind)->assertRedirect('/here');
        $this->seeAll();
    }
    $this->post("/rounds/{$round->key}/recall")->assertForbidden();
    $this->post('/sign-out')->assertForbidden();
    $this->getJson("/rounds/{$round->key}/standing")->assertForbidden();
    // Whoever gives it sees who they are: no code is asked for, of them alone.
    $this->post("/here/give/{$signer->key}")->assertRedirect('/sign/'.$signer->token());
    $link = '/sign/'.$signer->token();
    $this->get($link)->assertSee('Hello Sunniva')->assertSee('Give the device back');
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->seeAll();
    $this->post('/here/end', ['password' => 'wrong'])->assertSessionHasErrors('password');
    $this->get('/')->assertRedirect('/here');
    $this->post('/here/end', ['password' => 'lanternfish'])->assertRedirect("/rounds/{$round->key}");
    $this->seeAll();
    $this->get("/rounds/{$round->key}")->assertOk();
    $this->get('/here')->assertRedirect('/');
    $this->seeAll();
    expect((string) DB::table('round_events')->where('kind', 'consented')->value('device'))
        ->toStartWith('in person, on the device of Tomás Reyes-Whitlock');
    $signer->update(['code' => null]);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect(sealedText($round))
        ->toContain('signed in person, on the device of Tomás Reyes-Whitlock')
        ->toContain('known by a link sent to jose@eide.example');
});

it('hands it to nobody whose turn it is not, and to nobody of another round', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $other = $this->aRound($file, ['M-230']);
    $this->as('tomas')->post("/rounds/{$round->key}/here");
    $this->post('/here/give/'.$this->signer($round, 'agent.1')->key)->assertNotFound();
    $this->seeAll();
    $this->post('/here/give/'.$this->signer($other, 'buyer.1')->key)->assertNotFound();
});

it('forgets a remembered device that is handed over', function () {
    $round = $this->aRound($this->aFile());
    $this->as('tomas')
        ->post("/rounds/{$round->key}/here")
        ->assertRedirect('/here')
        ->assertCookieExpired(Illuminate\Support\Facades\Auth::guard('web')->getRecallerName());
});

it('hands the device to no colleague but its owner', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2'] as $seat) {
        $this->signs($round, $seat);
    }
    // Only the agent is left: on the coordinator's device nobody can sign for them.
    $this->as('wendell')->post("/rounds/{$round->key}/here")->assertSessionHas('reason', SigningRefusal::NobodyHere->value);
    $this->as('tomas')->post("/rounds/{$round->key}/here")->assertRedirect('/here');
});

it('hands nothing over when nobody can sign, or without the right to work on the file', function () {
    $round = $this->aRound($this->aFile());
    $this->as('caleb')->post("/rounds/{$round->key}/here")->assertNotFound();
    $this->seeAll();
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'x']);
    $this->as('tomas')->post("/rounds/{$round->key}/here")->assertSessionHas('reason', SigningRefusal::NobodyHere->value);
    $this->as('caleb')->get('/here')->assertRedirect('/');
    $this->as('caleb')->post('/here/end', ['password' => 'lanternfish'])->assertNotFound();
    $this->as('caleb')->post('/here/give/'.$this->signer($round, 'buyer.1')->key)->assertNotFound();
});
