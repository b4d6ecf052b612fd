<?php

declare(strict_types=1);

use App\Access\Roots;
use App\Models\Round;
use App\Models\SealedSet;
use App\Models\Signer;
use App\Signing\Actions\SealSet;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

it('composes a round from the forms\' marks: the buyers together, then the agent', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key, $this->paper($file, 'M-201')->key]])->assertRedirect();
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    expect($round->signers->map(fn (Signer $signer) => [$signer->seat, $signer->turn])->all())->toBe([['buyer.1', 1], ['buyer.2', 1], ['agent.1', 2]])
        ->and($round->marks->where('seat', 'seller.1'))->toHaveCount(0)
        ->and($round->marks->where('seat', 'buyer.2')->where('kind.value', 'initials'))->toHaveCount(count($this->paper($file, 'M-201')->form()->pages) - 1);
});

it('says on the spot what keeps it from being sent, and sends nothing', function () {
    $file = $this->aFile();
    $file->parties()->where('role', 'buyer')->where('number', 2)->firstOrFail()->reach(['email' => null]);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-215')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('José Nguyễn-Ortiz has no email address.')->assertSee('required blank');
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionHas('refused');
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('drafting')->and(DB::table('letters')->count())->toBe(0);
});

it('mends a missing address on the spot, in the file too', function () {
    $file = $this->aFile();
    $file->parties()->where('role', 'buyer')->where('number', 2)->firstOrFail()->reach(['email' => null]);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $signer = $this->signer($round, 'buyer.2');
    $this->as('tomas')->put("/rounds/{$round->key}", ['addresses' => [$signer->key => 'jose@new.example'], 'message' => 'Please', 'last_day' => $this->day(8), 'send' => '1'])->assertSessionHas('told');
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('out')->and(DB::table('party_contacts')->where('party_id', $signer->party_id)->value('email'))->toBe('jose@new.example')->and(lettersTo('jose@new.example'))->toBe(['Please sign: Agency disclosure']);
});

it('goes out once, however often send is pressed', function () {
    $round = $this->aRound($this->aFile());
    foreach ([1, 2] as $again) {
        $this->as('tomas')->post("/rounds/{$round->key}/send")->assertRedirect();
    }
    $this->seeAll();
    expect(DB::table('letters')->count())->toBe(2)->and(DB::table('paper_versions')->where('made_by', 'sent')->count())->toBe(1)->and(DB::table('round_events')->where('kind', 'sent')->count())->toBe(1);
});

it('takes two buyers and the agent to one sealed set that holds everywhere, and tells everyone', function () {
    $file = $this->aFile();
    $round = $this->aRound($file, ['M-102', 'M-230']);
    expect(lettersTo('tomas@quillmark.example'))->toBe([]);
    $this->signs($round, 'buyer.2');
    $this->signs($round, 'buyer.1');
    expect(lettersTo('tomas@quillmark.example'))->toBe(['Please sign: Agency disclosure and one more']);
    $this->signs($round, 'agent.1');
    $this->work();
    $set = SealedSet::query()->where('round_id', $round->id)->firstOrFail();
    $pdf = app(Bytes::class)->read($set->sha256);
    $scratch = new Scratch;
    $pdfsig = (new NativeTool)->run(['pdfsig', $scratch->put('set.pdf', $pdf)]);
    expect($pdfsig)->toContain('Signature is Valid')->toContain('Total document signed')
        ->and(SealCheck::of($pdf, Roots::trusted())->answer)->toBe(SealAnswer::Holds)
        ->and(isClean($pdf))->toBeTrue()
        ->and((new NativeTool)->run(['pdffonts', $scratch->path('set.pdf')]))->toContain('GreatVibes')
        ->and(textOf($pdf))->toContain('Evidence record')->toContain('sunniva@eide.example')->toContain((string) $round->papers()->firstOrFail()->sha256)
        ->and(DB::table('papers')->whereIn('id', $round->papers->pluck('paper_id'))->pluck('state')->unique()->all())->toBe(['signed'])
        ->and(lettersTo('jose@eide.example'))->toBe(['Please sign: Agency disclosure and one more', 'Signed by everyone: Agency disclosure and one more']);
    $sent = app('mailer')->getSymfonyTransport()->messages();
    expect($sent->count())->toBe(6)->and($sent->last()->getOriginalMessage()->getAttachments())->toHaveCount(1);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('Everyone has signed');
    expect($this->get("{$link}/set.pdf")->assertOk()->getContent())->toBe($pdf);
});

it('draws the signatures where the marks are', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $paper = $round->papers()->firstOrFail()->paper;
    $pdf = (string) $this->as('tomas')->get("/papers/{$paper->key}/pdf")->assertOk()->getContent();
    $text = textOf($pdf);
    expect($text)->not->toContain('Evidence record')->and(isClean($pdf))->toBeTrue();
    expect(substr_count($text, now()->setTimezone('America/New_York')->format('m/d/Y')))->toBe(3)->and(substr_count($text, 'José Nguyễn-Ortiz'))->toBeGreaterThanOrEqual(2);
});

it('seals once, though the job runs again and again', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    foreach (range(1, 3) as $again) {
        app(SealSet::class)->work($round->brokerage_id, $round->id);
        $this->seeAll();
    }
    $this->work();
    expect(SealedSet::query()->count())->toBe(1)->and(DB::table('paper_versions')->where('made_by', 'signed')->count())->toBe(1)->and(DB::table('letters')->where('subject', 'like', 'Signed%')->count())->toBe(3);
});

it('loses nothing when the time stamp cannot be had, and seals later', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $real = app(TimeStamps::class);
    $this->app->bind(TimeStamps::class, fn () => new class implements TimeStamps
    {
        public function stamp(string $digest): string
        {
            throw new StampUnavailable('down');
        }
    });
    Artisan::call('queue:work', ['--stop-when-empty' => true, '--sleep' => 0, '--memory' => 1024, '--tries' => 8]);
    $this->seeAll();
    expect(SealedSet::query()->count())->toBe(0)->and($round->refresh()->status->value)->toBe('complete')->and(DB::table('paper_versions')->where('made_by', 'signed')->count())->toBe(0);
    $this->app->bind(TimeStamps::class, fn () => $real);
    DB::table('jobs')->update(['available_at' => time() - 1]);
    $this->work();
    expect(SealedSet::query()->count())->toBe(1);
});

it('picks up a set that was never sealed, letters never sent, and rounds past their last day', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $other = $this->aRound($file, ['M-230']);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    DB::table('jobs')->delete();
    DB::table('rounds')->where('id', $round->id)->update(['over_at' => now()->subMinutes(10)]);
    DB::table('rounds')->where('id', $other->id)->update(['last_day' => '2026-01-01']);
    DB::table('pending_work')->update(['claimed_until' => now()->subMinute()]);
    Artisan::call('rounds:sweep');
    Artisan::call('work:sweep');
    $this->work();
    expect(SealedSet::query()->where('round_id', $round->id)->count())->toBe(1)
        ->and($other->refresh()->status->value)->toBe('lapsed')
        ->and(DB::table('letters')->whereNull('sent_at')->count())->toBe(0)
        ->and($this->paper($file, 'M-230')->state->value)->toBe('draft');
});

it('ends the round with the reason when a signer declines, and the papers are drafts again', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('Hello Sunniva Eide');
    $this->post("{$link}/decline", ['reason' => ''])->assertSessionHasErrors('reason');
    $this->post("{$link}/decline", ['reason' => 'The price is not what we said.'])->assertRedirect($link);
    $this->get($link)->assertSee('has ended');
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('declined')->and($round->reason)->toBe('The price is not what we said.')->and($this->paper($file, 'M-102')->state->value)->toBe('draft')
        ->and(lettersTo('tomas@quillmark.example'))->toBe(['Signing ended: Agency disclosure']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('The price is not what we said.');
});

it('takes back a round that is out', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $this->as('tomas')->post("/rounds/{$round->key}/recall")->assertRedirect();
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('took the documents back');
    $this->post("{$link}/consent", ['agree' => '1'])->assertSessionHas('refused');
    $this->seeAll();
    expect($this->paper($file, 'M-102')->state->value)->toBe('draft');
});

it('keeps a signer to their own steps, in order', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $others = $round->marks()->where('seat', 'buyer.2')->where('kind', 'signature')->firstOrFail();
    $own = $round->marks()->where('seat', 'buyer.1')->where('kind', 'signature')->firstOrFail();
    $link = '/sign/'.$signer->token();
    Auth::forgetGuards();
    $this->postJson("{$link}/marks/{$own->key}")->assertStatus(409);
    $this->post("{$link}/consent")->assertSessionHasErrors('agree');
    $this->post("{$link}/adopt", ['name' => 'S', 'initials' => 'S', 'hand' => 'flowing'])->assertSessionHas('refused');
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'nonsense'])->assertSessionHas('refused');
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'brisk']);
    $this->postJson("{$link}/marks/{$others->key}")->assertStatus(409);
    $this->postJson("{$link}/marks/01ARZ3NDEKTSV4RRFFQ69G5FAV")->assertNotFound();
    $this->post("{$link}/finish")->assertSessionHas('refused', fn (string $text) => str_contains($text, 'left to sign'));
    $this->postJson("{$link}/marks/{$own->key}")->assertOk()->assertJsonStructure(['drawn', 'left']);
    $this->postJson("{$link}/marks/{$own->key}")->assertOk()->assertJson(['left' => 0]);
    $this->post("{$link}/adopt", ['name' => 'Someone Else', 'initials' => 'X', 'hand' => 'plain'])->assertSessionHas('refused');
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->post("{$link}/finish")->assertRedirect();
    $this->seeAll();
    expect(DB::table('round_events')->where('kind', 'finished')->count())->toBe(1)->and(DB::table('round_events')->where('kind', 'marked')->count())->toBe(1);
});

it('tells the next turn to wait', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'agent.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('It is not your turn yet');
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
    expect(DB::table('letters')->where('subject', 'like', 'Question%')->count())->toBe(1)->and(DB::table('letters')->where('subject', 'like', 'Question%')->value('body'))->toContain('Who pays the survey?');
});

it('opens nothing on a wrong, cut off or made up link', function (callable $token) {
    $round = $this->aRound($this->aFile());
    $real = $this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get('/sign/'.$token($real))->assertNotFound()->assertDontSee('Lanternfish');
    $this->post('/sign/'.$token($real).'/finish')->assertNotFound();
})->with([
    'cut off' => [fn (string $real) => substr($real, 0, -3)], 'no proof' => [fn (string $real) => explode('.', $real)[0]], 'made up' => [fn () => '01ARZ3NDEKTSV4RRFFQ69G5FAV.xxxx'], 'nonsense' => [fn () => 'hello'],
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
    $this->as('tomas')->post("/rounds/{$round->key}/signers/{$this->signer($round, 'buyer.1')->key}/remind")->assertSessionHas('told');
    $this->as('tomas')->post("/rounds/{$round->key}/signers/{$this->signer($round, 'agent.1')->key}/remind")->assertSessionHas('refused');
    $this->seeAll();
    expect(lettersTo('sunniva@eide.example'))->toHaveCount(2)->and(lettersTo('tomas@quillmark.example'))->toBe([]);
});

it('leaves a signer out and drops a round before it is sent', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $this->as('tomas')->delete("/rounds/{$round->key}/signers/{$this->signer($round, 'buyer.2')->key}")->assertRedirect();
    $this->seeAll();
    expect($round->signers()->count())->toBe(2)->and($round->marks()->where('seat', 'buyer.2')->count())->toBe(0);
    $this->as('tomas')->delete("/rounds/{$round->key}")->assertRedirect("/files/{$file->key}");
    $this->seeAll();
    expect(Round::query()->count())->toBe(0);
});

it('sends no paper that is out already in a second round', function () {
    $file = $this->aFile();
    $this->aRound($file);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]])->assertSessionHas('refused', fn (string $text) => str_contains($text, 'cannot go out'));
});

it('verifies a sealed set from the command line', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $pdf = app(Bytes::class)->read((string) SealedSet::query()->firstOrFail()->sha256);
    $scratch = new Scratch;
    expect(Artisan::call('seal:verify', ['file' => $scratch->put('set.pdf', $pdf)]))->toBe(0)
        ->and(Artisan::call('seal:verify', ['file' => $scratch->put('set.pdf', $pdf.' ')]))->toBe(1)
        ->and(Artisan::output())->toContain('does not cover the whole file')
        ->and(Artisan::call('seal:verify', ['file' => '/no/such/file']))->toBe(2);
});
