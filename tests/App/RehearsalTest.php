<?php

declare(strict_types=1);

use App\Models\Letter;
use App\Models\Round;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\SigningRefusal;

/** A draft of one library paper and its rehearsal. @return array{Round, Round} */
function rehearsed(): array
{
    $test = test();
    $file = $test->aFile();
    $test->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$test->paper($file, 'M-102')->key]]);
    $test->seeAll();
    $draft = Round::query()->firstOrFail();
    $draft->signers()->where('seat', 'buyer.2')->update(['email' => null]);
    $test->as('tomas')->post("/rounds/{$draft->key}/rehearsals")->assertSessionHas('told');
    $test->seeAll();

    return [$draft, Round::query()->where('rehearsal', true)->sole()];
}

it('rehearses a round: letters to oneself alone, each page marked, nothing in the file changed, nothing sealed', function () {
    [$draft, $round] = rehearsed();
    $history = DB::table('history')->where('deal_file_id', $draft->deal_file_id)->count();
    expect(Letter::query()->pluck('recipient')->unique()->all())
        ->toBe(['tomas@quillmark.example'])
        ->and(Letter::query()->pluck('subject')->all())
        ->toContain('Rehearsal, as Sunniva Eide gets it: Please sign: Agency disclosure')
        ->and($this->paper($draft->file, 'M-102')->state->value)
        ->toBe('draft')
        ->and(DB::table('paper_versions')->where('paper_id', $draft->papers()->value('paper_id'))->count())
        ->toBe(0)
        ->and($draft->refresh()->status->value)
        ->toBe('drafting')
        ->and($draft->file->rounds()->pluck('id')->all())
        ->toBe([$draft->id]);
    $pdf = app(App\Storage\Bytes::class)->read((string) $round->papers()->value('sha256'));
    expect(substr_count(textOf($pdf), 'REHEARSAL, nothing is signed here'))->toBe((int) $round->papers()->value('pages'));
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Rehearsal.')->assertSee('Sign as Sunniva Eide');
    $this->as('tomas')->get("/rounds/{$draft->key}")->assertSee("/rounds/{$round->key}");
    $this->as('tomas')->get('/')->assertDontSee('has not opened');
    $this->seeAll();
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    Artisan::call('rounds:sweep');
    Artisan::call('work:sweep');
    $this->work();
    $this->seeAll();
    expect($round->refresh()->status->value)
        ->toBe('complete')
        ->and(DB::table('sealed_sets')->count())
        ->toBe(0)
        ->and(DB::table('history')->where('deal_file_id', $draft->deal_file_id)->count())
        ->toBe($history)
        ->and($this->paper($draft->file, 'M-102')->state->value)
        ->toBe('draft');
    Auth::forgetGuards();
    $this->get('/sign/'.$this->signer($round, 'buyer.1')->token())->assertSee('The rehearsal is over');
    // The round itself goes out as if nothing had been.
    $draft->signers()->where('seat', 'buyer.2')->update(['email' => 'jose@eide.example']);
    $this->as('tomas')->post("/rounds/{$draft->key}/send")->assertSessionHas('told');
});

it('rehearses once, however often it is pressed', function () {
    [$draft] = rehearsed();
    $this->as('tomas')->post("/rounds/{$draft->key}/rehearsals")->assertRedirect();
    $this->seeAll();
    expect(Round::query()->where('rehearsal', true)->count())->toBe(1);
});

it('forgets a rehearsal after a week, with all that was done in it', function () {
    [$draft, $round] = rehearsed();
    $this->signs($round, 'buyer.1');
    $this->travel(8)->days();
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect(Round::query()->pluck('id')->all())
        ->toBe([$draft->id])
        ->and(DB::table('round_events')->count())
        ->toBe(0);
    Auth::forgetGuards();
    $this->get('/sign/'.$round->key)->assertNotFound();
});

it('does not forget what was really sent', function () {
    $round = $this->aRound($this->aFile());
    $this->travel(800)->days();
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect(Round::query()->count())->toBe(1);
    expect(static fn () => DB::transaction(static fn () => DB::delete('DELETE FROM round_events')))
        ->toThrow(Illuminate\Database\QueryException::class);
});

it('rehearses nothing that was sent, and leaves what is out alone when a rehearsal ends', function () {
    [$draft, $round] = rehearsed();
    $draft->signers()->where('seat', 'buyer.2')->update(['email' => 'jose@eide.example']);
    $this->as('tomas')->post("/rounds/{$draft->key}/send")->assertSessionHas('told');
    $this->as('tomas')->post("/rounds/{$draft->key}/rehearsals")->assertSessionHas('reason', SigningRefusal::AlreadyOut->value);
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'x'])->assertRedirect();
    $this->seeAll();
    expect($this->paper($draft->file, 'M-102')->state->value)->toBe('out');
    $this->as('tomas')->post("/rounds/{$round->key}/again")->assertSessionHas('reason', SigningRefusal::NotEnded->value);
});
