<?php

declare(strict_types=1);

use App\Access\Roots;
use App\Models\Round;
use App\Models\SealedSet;
use App\Models\Signer;
use App\Papers\PaperPrint;
use App\Signing\Actions\SealSet;
use App\Storage\Bytes;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\SigningRefusal;

it('composes a round from the forms\' marks: the buyers together, then the agent', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key, $this->paper($file, 'M-201')->key]])
        ->assertRedirect();
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    expect($round->signers->map(fn (Signer $signer) => [$signer->seat, $signer->turn])->all())
        ->toBe([['buyer.1', 1], ['buyer.2', 1], ['agent.1', 2]])
        ->and($round->marks->where('seat', 'seller.1'))
        ->toHaveCount(0)
        ->and($round->marks->where('seat', 'buyer.2')->where('kind.value', 'initials'))
        ->toHaveCount(count($this->paper($file, 'M-201')->form()->pages) - 1);
});

it('says on the spot what keeps it from being sent, and sends nothing', function () {
    $file = $this->aFile();
    $file
        ->parties()
        ->where('role', 'buyer')
        ->where('number', 2)
        ->firstOrFail()
        ->reach(['email' => null]);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-215')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertSee('José Nguyễn-Ortiz has no email address.')
        ->assertSee('required blank');
    $this->as('tomas')
        ->post("/rounds/{$round->key}/send")
        ->assertSessionHas('reason', SigningRefusal::RoundHasFaults->value);
    $this->seeAll();
    expect($round->refresh()->status->value)
        ->toBe('drafting')
        ->and(DB::table('letters')->count())
        ->toBe(0);
});

it('mends a missing address on the spot, in the file too', function () {
    $file = $this->aFile();
    $file
        ->parties()
        ->where('role', 'buyer')
        ->where('number', 2)
        ->firstOrFail()
        ->reach(['email' => null]);
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $signer = $this->signer($round, 'buyer.2');
    $this->as('tomas')
        ->put("/rounds/{$round->key}", [
            'addresses' => [$signer->key => 'jose@new.example'],
            'message' => 'Please',
            'last_day' => $this->day(8),
            'send' => '1',
        ])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($round->refresh()->status->value)
        ->toBe('out')
        ->and(DB::table('party_contacts')->where('party_id', $signer->party_id)->value('email'))
        ->toBe('jose@new.example')
        ->and(lettersTo('jose@new.example'))
        ->toBe(['Please sign: Agency disclosure']);
});

it('goes out once, however often send is pressed', function () {
    $round = $this->aRound($this->aFile());
    foreach ([1, 2] as $again) {
        $this->as('tomas')
            ->post("/rounds/{$round->key}/send")
            ->assertRedirect();
    }
    $this->seeAll();
    expect(DB::table('letters')->count())
        ->toBe(2)
        ->and(DB::table('paper_versions')->where('made_by', 'sent')->count())
        ->toBe(1)
        ->and(DB::table('round_events')->where('kind', 'sent')->count())
        ->toBe(1);
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
    $scratch = new Scratch();
    $pdfsig = (new NativeTool())->run(['pdfsig', $scratch->put('set.pdf', $pdf)]);
    expect($pdfsig)
        ->toContain('Signature is Valid')
        ->toContain('Total document signed')
        ->and(SealCheck::of($pdf, Roots::trusted())->answer)
        ->toBe(SealAnswer::Holds)
        ->and(isClean($pdf))
        ->toBeTrue()
        ->and((new NativeTool())->run(['pdffonts', $scratch->path('set.pdf')]))
        ->toContain('GreatVibes')
        ->and(textOf($pdf))
        ->toContain('Evidence record')
        ->toContain('sunniva@eide.example')
        ->toContain((string) $round->papers()->firstOrFail()->sha256)
        ->and(DB::table('papers')->whereIn('id', $round->papers->pluck('paper_id'))->pluck('state')->unique()->all())
        ->toBe(['signed'])
        ->and(lettersTo('jose@eide.example'))
        ->toBe(['Please sign: Agency disclosure and one more', 'Signed by everyone: Agency disclosure and one more']);
    $sent = app('mailer')->getSymfonyTransport()->messages();
    expect($sent->count())
        ->toBe(6)
        ->and($sent->last()->getOriginalMessage()->getAttachments())
        ->toHaveCount(1);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('Everyone has signed');
    expect(
        $this->get("{$link}/set.pdf")
            ->assertOk()
            ->getContent(),
    )->toBe($pdf);
});

it('draws the signatures where the marks are', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $paper = $round->papers()->firstOrFail()->paper;
    $pdf = (string) $this->as('tomas')
        ->get("/papers/{$paper->key}/pdf")
        ->assertOk()
        ->getContent();
    expect(isClean($pdf))->toBeTrue();
    // The record behind it has days and names of its own.
    $this->seeAll();
    $text = textOf(app(PaperPrint::class)->of($paper));
    expect(substr_count($text, now()->setTimezone('America/New_York')->format('m/d/Y')))
        ->toBe(3)
        ->and(substr_count($text, 'José Nguyễn-Ortiz'))
        ->toBeGreaterThanOrEqual(2);
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
    expect(SealedSet::query()->whereNull('round_paper_id')->count())
        ->toBe(1)
        ->and(DB::table('paper_versions')->where('made_by', 'signed')->count())
        ->toBe(1)
        ->and(DB::table('letters')->where('subject', 'like', 'Signed%')->count())
        ->toBe(3);
});

it('loses nothing when the time stamp cannot be had, and seals later', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $real = app(TimeStamps::class);
    $this->app->bind(
        TimeStamps::class,
        fn () => new class implements TimeStamps
        {
            public function stamp(string $digest): string
            {
                throw new StampUnavailable('down');
            }
        },
    );
    Artisan::call('queue:work', ['--stop-when-empty' => true, '--sleep' => 0, '--memory' => 1024, '--tries' => 8]);
    $this->seeAll();
    expect(SealedSet::query()->whereNull('round_paper_id')->count())
        ->toBe(0)
        ->and($round->refresh()->status->value)
        ->toBe('complete')
        ->and(DB::table('paper_versions')->where('made_by', 'signed')->count())
        ->toBe(0);
    $this->app->bind(TimeStamps::class, fn () => $real);
    DB::table('jobs')->update(['available_at' => time() - 1]);
    $this->work();
    expect(SealedSet::query()->whereNull('round_paper_id')->count())->toBe(1);
});

it('picks up a set that was never sealed, letters never sent, and rounds past their last day', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $other = $this->aRound($file, ['M-230']);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    DB::table('jobs')->delete();
    DB::table('rounds')
        ->where('id', $round->id)
        ->update(['over_at' => now()->subMinutes(10)]);
    DB::table('rounds')
        ->where('id', $other->id)
        ->update(['last_day' => '2026-01-01']);
    DB::table('pending_work')->update(['claimed_until' => now()->subMinute()]);
    Artisan::call('rounds:sweep');
    Artisan::call('work:sweep');
    $this->work();
    expect(SealedSet::query()->where('round_id', $round->id)->whereNull('round_paper_id')->count())
        ->toBe(1)
        ->and($other->refresh()->status->value)
        ->toBe('lapsed')
        ->and(DB::table('letters')->whereNull('sent_at')->count())
        ->toBe(0)
        ->and($this->paper($file, 'M-230')->state->value)
        ->toBe('draft');
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
    expect($round->refresh()->status->value)
        ->toBe('declined')
        ->and($round->reason)
        ->toBe('The price is not what we said.')
        ->and($this->paper($file, 'M-102')->state->value)
        ->toBe('draft')
        ->and(lettersTo('tomas@quillmark.example'))
        ->toBe(['Signing ended: Agency disclosure']);
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertSee('The price is not what we said.');
});

it('takes back a round that is out', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $this->as('tomas')
        ->post("/rounds/{$round->key}/recall")
        ->assertRedirect();
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('took the documents back');
    $this->post("{$link}/consent", ['agree' => '1'])->assertSessionHas('reason', SigningRefusal::Recalled->value);
    $this->seeAll();
    expect($this->paper($file, 'M-102')->state->value)->toBe('draft');
});

it('seals each paper of a round on its own, with a record that tells of nothing else', function () {
    $file = $this->aFile();
    $round = $this->aRound($file, ['M-102', 'M-230']);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    $papers = $round->papers()->with('paper.latest')->get();
    foreach ($papers as $sent) {
        $other = $papers->firstOrFail(static fn ($one) => $one->id !== $sent->id);
        $pdf = (string) $this->as('tomas')->get("/papers/{$sent->paper->key}/pdf")->getContent();
        $scratch = new Scratch();
        $path = $scratch->put('paper.pdf', $pdf);
        expect(SealCheck::of($pdf, Roots::trusted())->answer)
            ->toBe(SealAnswer::Holds)
            ->and((new NativeTool())->run(['pdfsig', $path]))
            ->toContain('Total document signed')
            ->and(textOf($pdf))
            ->toContain('Evidence record')
            ->toContain((string) $sent->sha256)
            ->not->toContain((string) $other->sha256)
            ->not->toContain($other->title)
            // What is looked at and put together are its pages alone.
            ->and(textOf(app(PaperPrint::class)->of($sent->paper)))
            ->not->toContain('Evidence record');
        $this->seeAll();
        $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
        $theirs = $this->get("{$link}/sealed/{$sent->position}.pdf");
        expect($theirs->getContent())->toBe($pdf);
        $this->get($link)->assertSee("{$link}/sealed/{$sent->position}.pdf", false);
        $this->post('/proof', ['pdf' => UploadedFile::fake()->createWithContent('one.pdf', $pdf)])->assertSee('Sunniva');
        $this->seeAll();
    }
    expect(DB::table('sealed_sets')->where('round_id', $round->id)->count())->toBe(3);
});

it('seals a round of one paper once', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect(DB::table('sealed_sets')->where('round_id', $round->id)->pluck('sha256')->unique()->count())->toBe(1);
    $this->get('/sign/'.$this->signer($round, 'buyer.1')->token())->assertDontSee('/sealed/1.pdf');
});

it('gives a signer what they are about to sign, to read first, and only while they may', function () {
    $round = $this->aRound($this->aFile(), ['M-102', 'M-230']);
    Auth::forgetGuards();
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $this->get($link)->assertSee("{$link}/to-sign.pdf", false);
    $pdf = (string) $this->get("{$link}/to-sign.pdf")->assertOk()->getContent();
    expect(textOf($pdf))->toContain('Agency disclosure')->toContain('Paint made before 1978');
    $this->get('/sign/'.$this->signer($round, 'agent.1')->token().'/to-sign.pdf')->assertNotFound();
    $this->seeAll();
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'x']);
    Auth::forgetGuards();
    $this->get("{$link}/to-sign.pdf")->assertNotFound();
});
