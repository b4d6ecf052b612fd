<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Round;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\SendRound;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\SigningRefusal;

/** A draft in which the first buyer is asked for a letter. */
function askingRound(object $test, array $more = []): Round
{
    $file = $test->aFile();
    $test->seeAll();
    Auth::setUser($test->people['tomas']);
    $round = app(ComposeRound::class)($file->load('papers'), [$test->paper($file, 'M-102')], $test->people['tomas']);
    Auth::forgetGuards();
    $signer = $test->signer($round, 'buyer.1');
    $test->as('tomas')
        ->post("/rounds/{$round->key}/asks", ['signer' => $signer->key, 'title' => ' Pre-approval  letter ', ...$more])
        ->assertSessionHas('told');
    $test->seeAll();

    return $round->refresh()->load(['signers', 'marks', 'events', 'papers']);
}

/** @return TestResponse the answer to the first buyer's adding that text as a PDF */
function adds(object $test, Round $round, string $text, string $once, ?UploadedFile $file = null): TestResponse
{
    $signer = $test->signer($round, 'buyer.1');
    $path = tempnam(sys_get_temp_dir(), 'ask');
    file_put_contents($path, press()->print([(new Drawing(612, 792))->text(72, 90, 14, $text)]));
    Auth::forgetGuards();
    $answer = $test->post(
        "/sign/{$signer->token()}/asks/{$signer->asks()[0]->key}",
        ['once' => $once, 'paper' => $file ?? new UploadedFile($path, "{$text}.pdf", 'application/pdf', null, true)],
        ['Accept' => 'application/json'],
    );
    $test->seeAll();

    return $answer;
}

function goesOut(object $test, Round $round): void
{
    Auth::setUser($test->people['tomas']);
    app(SendRound::class)($round);
    Auth::forgetGuards();
    $test->seeAll();
}

it('asks a signer for a paper, keeps a place for it, and takes it in where it belongs', function () {
    $round = askingRound($this);
    $place = Paper::query()->where('deal_file_id', $round->deal_file_id)->where('title', 'Pre-approval letter')->sole();
    expect($place->state->value)->toBe('expected')->and($place->reason)->toBe('asked of Sunniva Eide');
    $signer = $this->signer($round, 'buyer.1');
    // Pressed twice, it is asked for once.
    $this->as('tomas')->post("/rounds/{$round->key}/asks", ['signer' => $signer->key, 'title' => 'pre-approval letter']);
    $this->seeAll();
    expect($signer->refresh()->asks())->toHaveCount(1);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('adds')->assertSee('Pre-approval letter');
    $this->seeAll();
    goesOut($this, $round);
    $link = '/sign/'.$signer->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('You will also be asked to add: Pre-approval letter.');
    adds($this, $round, 'Letter', 'early-1')->assertStatus(409);
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing']);
    $this->get($link)->assertSee('Please add')->assertSee('Choose a file or take a photo');
    $this->seeAll();
    foreach ($round->refresh()->load(['signers', 'marks', 'events'])->state()->owes('buyer.1') as $mark) {
        $this->postJson("{$link}/marks/{$mark}")->assertOk();
    }
    $this->post("{$link}/finish")->assertSessionHas('reason', SigningRefusal::PaperLeft->value);
    $this->seeAll();
    adds($this, $round, 'Bank letter', 'once-1')->assertOk()->assertJson(['name' => 'Bank letter.pdf', 'missing' => 0]);
    // A lost answer, sent again.
    adds($this, $round, 'Bank letter', 'once-1')->assertOk();
    expect($place->refresh()->state->value)->toBe('ready')->and($place->versions()->count())->toBe(1);
    // The wrong one was chosen: another lies over it.
    adds($this, $round, 'Right letter', 'once-2')->assertOk()->assertJson(['name' => 'Right letter.pdf']);
    expect($place->refresh()->versions()->count())->toBe(2)
        ->and(Paper::query()->where('deal_file_id', $round->deal_file_id)->where('title', 'like', '%letter%')->count())->toBe(1);
    Auth::forgetGuards();
    $this->get($link)->assertSee('Received: Right letter.pdf');
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->seeAll();
    adds($this, $round, 'Late letter', 'once-3')->assertStatus(409);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Pre-approval letter: added');
    $this->seeAll();
    foreach (['buyer.2', 'agent.1'] as $seat) {
        $this->work();
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect(sealedText($round))->toContain('Added a paper: Pre-approval letter');
});

it('lets a signer finish without a paper they may leave out', function () {
    $round = askingRound($this, ['optional' => '1']);
    goesOut($this, $round);
    $this->signs($round, 'buyer.1');
    expect($this->signer($round, 'buyer.1')->status->value)->toBe('finished');
});

it('refuses what is no paper, in words, and what is not theirs', function () {
    $round = askingRound($this);
    goesOut($this, $round);
    $signer = $this->signer($round, 'buyer.1');
    $link = '/sign/'.$signer->token();
    $this->post("{$link}/consent", ['agree' => '1']);
    $scratch = new Scratch();
    $file = fn (string $bytes, string $name) => new UploadedFile($scratch->put($name, $bytes), $name, null, null, true);
    adds($this, $round, '', 'bad-1', $file('hello', 'letter.pdf'))->assertStatus(422)->assertSee('not a PDF');
    adds($this, $round, '', 'bad-2', $file('{\\rtf1 hello}', 'letter.rtf'))
        ->assertStatus(409)
        ->assertJson(['reason' => SigningRefusal::AskedAsPdf->value]);
    $this->post("{$link}/asks/{$signer->asks()[0]->key}", ['once' => 'x'], ['Accept' => 'application/json'])->assertStatus(409);
    $other = '/sign/'.$this->signer($round, 'buyer.2')->token();
    $this->post("{$other}/consent", ['agree' => '1']);
    $this->post(
        "{$other}/asks/{$signer->asks()[0]->key}",
        ['once' => 'bad-3', 'paper' => $file(press()->print([new Drawing(612, 792)]), 'a.pdf')],
        ['Accept' => 'application/json'],
    )->assertStatus(409)->assertJson(['reason' => SigningRefusal::NotTheirs->value]);
    $this->seeAll();
    expect(Paper::query()->where('deal_file_id', $round->deal_file_id)->where('title', 'Pre-approval letter')->sole()->state->value)
        ->toBe('expected');
});

it('asks no more once it went out, and lets nobody change what was asked', function () {
    $round = askingRound($this);
    $signer = $this->signer($round, 'buyer.1');
    $key = $signer->asks()[0]->key;
    $this->as('tomas')->post("/rounds/{$round->key}/asks", ['signer' => $signer->key, 'title' => '  '])
        ->assertSessionHas('reason', SigningRefusal::NothingAskedFor->value);
    $this->as('tomas')->post("/rounds/{$round->key}/asks", ['signer' => $signer->key, 'title' => 'Copy of a check']);
    $this->seeAll();
    $second = $signer->refresh()->asks()[1]->key;
    $this->as('tomas')->delete("/rounds/{$round->key}/signers/{$signer->key}/asks/{$second}")->assertRedirect();
    $this->seeAll();
    expect(array_column($signer->refresh()->asks(), 'key'))->toBe([$key]);
    goesOut($this, $round);
    $this->as('tomas')->post("/rounds/{$round->key}/asks", ['signer' => $signer->key, 'title' => 'One more'])->assertSessionHas('refused');
    $this->as('tomas')->delete("/rounds/{$round->key}/signers/{$signer->key}/asks/{$key}")->assertSessionHas('refused');
    $this->seeAll();
    expect(static fn () => DB::transaction(static fn () => DB::table('signers')->where('id', $signer->id)->update(['asks' => '[]'])))
        ->toThrow(Illuminate\Database\QueryException::class, 'cannot be changed');
});

it('brings nothing into the file in a rehearsal', function () {
    $round = askingRound($this);
    $this->as('tomas')->post("/rounds/{$round->key}/rehearsals");
    $this->seeAll();
    $rehearsal = Round::query()->where('rehearsal_of', $round->id)->sole()->load(['signers', 'marks', 'events']);
    $link = '/sign/'.$this->signer($rehearsal, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->post("{$link}/consent", ['agree' => '1']);
    adds($this, $rehearsal, 'Bank letter', 'once-1')->assertOk();
    expect(Paper::query()->where('deal_file_id', $round->deal_file_id)->where('title', 'Pre-approval letter')->sole()->state->value)
        ->toBe('expected');
});
