<?php

declare(strict_types=1);

use App\Signing\RoundWatch;
use Unanimus\Signing\Device;

it('says of each paper and person how many places are signed, since when, and on what', function () {
    $round = $this->aRound($this->aFile(), ['M-102', 'M-230']);
    $watch = function () use ($round): array {
        $round->refresh()->load(['papers', 'signers', 'marks', 'events', 'file.office']);
        $watch = new RoundWatch($round);

        return $round->papers->map(
            fn ($sent) => $round->signers->map(fn ($signer) => implode('/', $watch->places($sent, $signer)))->implode(' '),
        )->all();
    };
    $before = $watch();
    expect($before[0])->toStartWith('0/');
    $signer = $this->signer($round, 'buyer.1');
    $link = '/sign/'.$signer->token();
    $phone = ['User-Agent' => 'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X)'];
    $this->post("{$link}/consent", ['agree' => '1'], $phone);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing'], $phone);
    $this->seeAll();
    $first = $round->refresh()->load(['signers', 'marks', 'events'])->state()->owes('buyer.1')[0];
    $this->post("{$link}/marks/{$first}", ['once' => 'one-mark'], [...$phone, 'Accept' => 'application/json'])->assertOk();
    $this->seeAll();
    expect($watch())->not->toBe($before)
        ->and((new RoundWatch($round))->since($this->signer($round, 'buyer.1')))->toEndWith(', on an iPhone')
        ->and((new RoundWatch($round))->since($this->signer($round, 'agent.1')))->toBe('');
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('✓')->assertSee('0 of 1')->assertSee('on an iPhone');
    $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}/person", ['name' => 'Oda Eide', 'email' => 'oda@eide.example']);
    $this->seeAll();
    $round->refresh()->load(['papers', 'signers', 'marks', 'events', 'file.office']);
    $now = new RoundWatch($round);
    expect($now->since($this->signer($round, 'buyer.1')))->not->toBe('')->not->toContain('iPhone');
    // What was done in that place stays told, of whoever did it.
    $done = $now->done($this->signer($round, 'buyer.1'));
    expect(array_column($done, 'who'))->each->toBe('Sunniva Eide')
        ->and(implode(' | ', array_column($done, 'what')))
        ->toStartWith('Opened | Agreed to sign electronically | Chose a signature | Signed: ')
        ->and($done[3]['what'])->toContain('Agency disclosure')
        ->and($done[3]['from'])->toStartWith('an iPhone · ')
        ->and($now->done($this->signer($round, 'agent.1')))->toBe([]);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('What Oda Eide did')->assertSee('Sunniva Eide: Chose a signature');
});

it('tells devices by what browsers say', function (string $browser, string $told) {
    expect(Device::of($browser))->toBe($told);
})->with([
    ['Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X)', 'an iPhone'],
    ['Mozilla/5.0 (iPad; CPU OS 17_0 like Mac OS X)', 'an iPad'],
    ['Mozilla/5.0 (Linux; Android 14; Pixel) Mobile Safari', 'an Android phone'],
    ['Mozilla/5.0 (Linux; Android 14; Tab) Safari', 'an Android tablet'],
    ['Mozilla/5.0 (Windows NT 10.0; Win64; x64)', 'a Windows computer'],
    ['Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15)', 'a Mac'],
    ['Mozilla/5.0 (X11; CrOS x86_64)', 'a Chromebook'],
    ['Mozilla/5.0 (X11; Linux x86_64)', 'a Linux computer'],
    ['curl/8', ''],
    ['', ''],
]);
