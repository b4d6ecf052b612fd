<?php

declare(strict_types=1);

use App\Models\Round;
use App\Models\SealedSet;
use App\Storage\Bytes;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\SigningRefusal;

it('keeps a signer to their own steps, in order', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $others = $round->marks()->where('seat', 'buyer.2')->where('kind', 'signature')->firstOrFail();
    $own = $round->marks()->where('seat', 'buyer.1')->where('kind', 'signature')->firstOrFail();
    $link = '/sign/'.$signer->token();
    Auth::forgetGuards();
    $this->postJson("{$link}/marks/{$own->key}")->assertStatus(409);
    $this->post("{$link}/consent")->assertSessionHasErrors('agree');
    $this->post("{$link}/adopt", ['name' => 'S', 'initials' => 'S', 'hand' => 'flowing'])
        ->assertSessionHas('reason', SigningRefusal::NotConsented->value);
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'nonsense'])
        ->assertSessionHas('reason', SigningRefusal::NoSuchStyle->value);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'brisk']);
    $this->postJson("{$link}/marks/{$others->key}")->assertStatus(409);
    $this->postJson("{$link}/marks/01ARZ3NDEKTSV4RRFFQ69G5FAV")->assertNotFound();
    $this->post("{$link}/finish")->assertSessionHas('reason', SigningRefusal::PlaceLeft->value);
    $this->postJson("{$link}/marks/{$own->key}")
        ->assertOk()
        ->assertJsonStructure(['places' => [$own->key => ['drawn', 'asked']], 'left']);
    $this->postJson("{$link}/marks/{$own->key}")
        ->assertOk()
        ->assertJson(['left' => 0]);
    $this->post("{$link}/adopt", ['name' => 'Someone Else', 'initials' => 'X', 'hand' => 'plain'])
        ->assertSessionHas('reason', SigningRefusal::AdoptedForGood->value);
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->post("{$link}/finish")->assertRedirect();
    $this->get($link)->assertSee('Still to sign: José Nguyễn-Ortiz, Tomás Reyes-Whitlock.');
    $this->seeAll();
    expect(DB::table('round_events')->where('kind', 'finished')->count())
        ->toBe(1)
        ->and(DB::table('round_events')->where('kind', 'marked')->count())
        ->toBe(1);
});

it('says who asks, for which property, how many places there are and how long it takes', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $owed = count($round->state()->owes('buyer.1'));
    Auth::forgetGuards();
    $page = (string) preg_replace('/\s+/', ' ', strip_tags((string) $this->get($link)->assertOk()->getContent()));
    expect($page)->toContain('Tomás Reyes-Whitlock asks you to sign')
        ->toContain('14 Lanternfish Lane')
        ->toContain(trans_choice('client.sign.places', $owed).' It takes about')
        ->and($owed)->toBeGreaterThan(0);
});

it('tells the next turn to wait', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'agent.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('It is not your turn yet')->assertSee('Still to sign: Sunniva Eide, José Nguyễn-Ortiz.');
});

it('takes a drawn signature', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link);
    $this->post("{$link}/consent", ['agree' => '1']);
    $strokes = json_encode([array_map(static fn (int $i) => [$i * 9, 60 + $i], range(1, 40))]);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'strokes' => $strokes])->assertRedirect($link);
    $this->get($link)->assertOk()->assertSee('sign here');
});

it('passes a question on to the sender, once', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    foreach ([1, 2] as $again) {
        $this->post("{$link}/ask", ['question' => 'Who pays the survey?', 'once' => 'same-form'])->assertSessionHas('told');
    }
    $this->seeAll();
    expect(DB::table('letters')->where('subject', 'like', 'Question%')->count())
        ->toBe(1)
        ->and(DB::table('letters')->where('subject', 'like', 'Question%')->value('body'))
        ->toContain('Who pays the survey?');
});

it('opens nothing on a wrong, cut off or made up link', function (callable $token) {
    $round = $this->aRound($this->aFile());
    $real = $this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get('/sign/'.$token($real))
        ->assertNotFound()
        ->assertDontSee('Lanternfish');
    $this->post('/sign/'.$token($real).'/finish')->assertNotFound();
})->with([
    'cut off' => [fn (string $real) => substr($real, 0, -3)],
    'no proof' => [fn (string $real) => explode('.', $real)[0]],
    'made up' => [fn () => '01ARZ3NDEKTSV4RRFFQ69G5FAV.xxxx'],
    'nonsense' => [fn () => 'hello'],
    'one letter changed' => [fn (string $real) => substr_replace($real, $real[30] === 'A' ? 'B' : 'A', 30, 1)],
]);

it('shows a signer the pages of their round only', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get("{$link}/papers/0/pages/1.webp")->assertOk();
    $this->get("{$link}/papers/1/pages/1.webp")->assertNotFound();
    $this->get("{$link}/papers/0/pages/99.webp")->assertNotFound();
    $this->get("/files/{$file->key}")->assertRedirect('/sign-in');
    $this->get("{$link}/set.pdf")->assertNotFound();
});

it('reminds only who is asked', function () {
    $round = $this->aRound($this->aFile());
    $this->as('tomas')
        ->post("/rounds/{$round->key}/signers/{$this->signer($round, 'buyer.1')->key}/remind")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/rounds/{$round->key}/signers/{$this->signer($round, 'agent.1')->key}/remind")
        ->assertSessionHas('reason', SigningRefusal::NotTheirTurn->value);
    $this->seeAll();
    expect(lettersTo('sunniva@eide.example'))->toHaveCount(2)->and(lettersTo('tomas@quillmark.example'))->toBe([]);
});

it('leaves a signer out and drops a round before it is sent', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $this->as('tomas')
        ->delete("/rounds/{$round->key}/signers/{$this->signer($round, 'buyer.2')->key}")
        ->assertRedirect();
    $this->seeAll();
    expect($round->signers()->count())
        ->toBe(2)
        ->and($round->marks()->where('seat', 'buyer.2')->count())
        ->toBe(0);
    $this->as('tomas')
        ->delete("/rounds/{$round->key}")
        ->assertRedirect("/files/{$file->key}");
    $this->seeAll();
    expect(Round::query()->count())->toBe(0);
});

it('sends no paper that is out already in a second round', function () {
    $file = $this->aFile();
    $this->aRound($file);
    $this->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]])
        ->assertSessionHas('reason', SigningRefusal::PaperNotOpen->value);
});

it('verifies a sealed set from the command line', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $pdf = app(Bytes::class)->read((string) SealedSet::query()->firstOrFail()->sha256);
    $scratch = new Scratch();
    expect(Artisan::call('seal:verify', ['file' => $scratch->put('set.pdf', $pdf)]))
        ->toBe(0)
        ->and(Artisan::call('seal:verify', ['file' => $scratch->put('set.pdf', $pdf.' ')]))
        ->toBe(1)
        ->and(Artisan::output())
        ->toContain('does not cover the whole file')
        ->and(Artisan::call('seal:verify', ['file' => '/no/such/file']))
        ->toBe(2);
});

it('signs with a picture of a signature: the ink is shown first, and stands in the sealed set', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $this->post("{$link}/consent", ['agree' => '1']);
    $picture = imagecreatetruecolor(700, 260);
    imagefill($picture, 0, 0, (int) imagecolorallocate($picture, 240, 238, 230));
    imagesetthickness($picture, 7);
    foreach (range(0, 9) as $n) {
        $up = ($n % 2) * 160;
        imageline($picture, 60 + 55 * $n, 40 + $up, 115 + 55 * $n, 200 - $up, (int) imagecolorallocate($picture, 30, 30, 80));
    }
    ob_start();
    imagejpeg($picture);
    $scratch = new Scratch();
    $file = fn (string $bytes) => new UploadedFile($scratch->put('own.jpg', $bytes), 'own.jpg', 'image/jpeg', null, true);
    $read = $this->post("{$link}/picture", ['picture' => $file((string) ob_get_clean())], ['Accept' => 'application/json'])
        ->assertOk()
        ->json();
    expect($read['drawn'])->toStartWith('<path');
    $this->post("{$link}/picture", ['picture' => $file('no picture')], ['Accept' => 'application/json'])
        ->assertStatus(409)
        ->assertJson(['reason' => SigningRefusal::NoPicture->value]);
    $this->post("{$link}/picture", [], ['Accept' => 'application/json'])->assertStatus(409);
    $given = ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing'];
    $this->post("{$link}/adopt", [...$given, 'picture' => '{"width":1}'])
        ->assertSessionHas('reason', SigningRefusal::PictureUnreadable->value);
    $this->post("{$link}/adopt", [...$given, 'picture' => json_encode($read['picture'])])->assertRedirect($link);
    $this->seeAll();
    expect($this->signer($round, 'buyer.1')->signature()?->picture?->width)->toBe($read['picture']['width']);
    foreach ($round->refresh()->load(['signers', 'marks', 'events'])->state()->owes('buyer.1') as $mark) {
        $this->postJson("{$link}/marks/{$mark}")->assertOk()->assertSee('scale(');
    }
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->seeAll();
    foreach (['buyer.2', 'agent.1'] as $seat) {
        $this->work();
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect($round->refresh()->sealedSet)->not->toBeNull();
});

it('reminds all who are asked at once, and nobody twice', function () {
    $round = $this->aRound($this->aFile());
    $this->signs($round, 'buyer.1');
    $this->as('tomas')->get("/rounds/{$round->key}")->assertDontSee('Remind everyone');
    $second = $this->aRound($this->aFile());
    $this->as('tomas')->get("/rounds/{$second->key}")->assertSee('Remind everyone who has not signed');
    $this->as('tomas')
        ->post("/rounds/{$second->key}/remind")
        ->assertSessionHas('told', 'Reminder sent to Sunniva Eide and José Nguyễn-Ortiz.');
    $this->as('tomas')->post("/rounds/{$second->key}/remind")->assertSessionHas('told', 'They were all reminded a few minutes ago.');
    $this->seeAll();
    expect(DB::table('letters')->where('once_key', 'like', 'remind:%')->count())->toBe(2);
});
