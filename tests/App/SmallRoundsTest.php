<?php

declare(strict_types=1);

use App\Models\Letter;
use App\Models\Round;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\SigningRefusal;

/** A draft of three library papers that belong to three parts. */
function largeRound(): Round
{
    $test = test();
    $file = $test->aFile();
    $keys = array_map(static fn (string $number) => $test->paper($file, $number)->key, ['M-201', 'M-102', 'M-230']);
    foreach (['known_no', 'reports_no'] as $blank) {
        entry($test->paper($file, 'M-230'), ['blank' => $blank, 'value' => 'x', 'key' => "test-{$blank}"]);
    }
    $test->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => $keys])->assertRedirect();
    $test->seeAll();

    return Round::query()->sole();
}

it('parts a large set: agency, disclosures, agreement; each with its places, once', function () {
    $round = largeRound();
    $before = DB::table('marks')->count();
    // What stands in pencil there, and what was looked at, stays so.
    $draft = $round->papers()->where('title', 'Purchase agreement')->firstOrFail();
    $round->marks()->where('round_paper_id', $draft->id)->update(['sure' => 0.5]);
    $draft->update(['seen' => [1, 2]]);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Send it as three small rounds');
    $this->as('tomas')->post("/rounds/{$round->key}/parts", ['when' => 'signed'])->assertSessionHas('told');
    $this->as('tomas')->post("/rounds/{$round->key}/parts", ['when' => 'signed'])->assertSessionHas(
        'reason',
        SigningRefusal::NothingToPart->value,
    );
    $this->seeAll();
    $rounds = Round::query()->orderBy('id')->get();
    expect($rounds[2]->marks()->whereNull('sure')->count())->toBe(0)->and($rounds[2]->papers()->firstOrFail()->seen)->toBe([1, 2]);
    expect($rounds->pluck('title')->all())
        ->toBe(['Agency disclosure', 'Lead-based paint disclosure', 'Purchase agreement'])
        ->and($rounds->pluck('after_id')->all())
        ->toBe([null, $rounds[0]->id, $rounds[1]->id])
        ->and(DB::table('marks')->count())
        ->toBe($before)
        ->and(DB::table('marks')->join('round_papers', 'round_papers.id', '=', 'marks.round_paper_id')->whereColumn(
            'round_papers.round_id',
            '<>',
            'marks.round_id',
        )->count())
        ->toBe(0);
});

it('sends each small round when the one before is signed', function () {
    $round = largeRound();
    $this->as('tomas')->post("/rounds/{$round->key}/parts", ['when' => 'signed']);
    $this->seeAll();
    [$first, $second, $third] = Round::query()->orderBy('id')->get()->all();
    $this->as('tomas')->get("/rounds/{$second->key}")->assertSee('This goes out by itself once');
    $this->as('tomas')->post("/rounds/{$first->key}/send")->assertSessionHas('told');
    $this->seeAll();
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect($second->refresh()->status->value)->toBe('drafting');
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($first, $seat);
    }
    Artisan::call('rounds:sweep');
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect($second->refresh()->status->value)
        ->toBe('out')
        ->and($third->refresh()->status->value)
        ->toBe('drafting')
        ->and(Letter::query()->where('subject', 'Please sign: Lead-based paint disclosure')->count())
        ->toBe(2);
});

it('sends all small rounds together where that was chosen, and none that was stopped', function () {
    $round = largeRound();
    $this->as('tomas')->post("/rounds/{$round->key}/parts", ['when' => 'sent']);
    $this->seeAll();
    [$first, $second, $third] = Round::query()->orderBy('id')->get()->all();
    $this->as('tomas')->put("/rounds/{$third->key}", ['do' => 'stop', 'last_day' => $this->day(5)]);
    $this->as('tomas')->post("/rounds/{$first->key}/send")->assertSessionHas('told');
    $this->seeAll();
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect($second->refresh()->status->value)
        ->toBe('out')
        ->and($third->refresh()->status->value)
        ->toBe('drafting')
        ->and($third->after_id)
        ->toBeNull();
});

it('says in the file what waits for what, and what will not go out since the one before was recalled', function () {
    $round = largeRound();
    $this->as('tomas')->post("/rounds/{$round->key}/parts", ['when' => 'signed']);
    $this->seeAll();
    [$first, $second] = Round::query()->orderBy('id')->get()->all();
    $file = $first->file;
    $this->as('tomas')->get("/files/{$file->key}")->assertSee("goes out by itself once “{$first->title}” is signed")
        ->assertSee('is prepared for signature and not sent yet');
    $this->as('tomas')->post("/rounds/{$first->key}/send")->assertSessionHas('told');
    $this->as('tomas')->post("/rounds/{$first->key}/recall", ['reason' => 'Wrong price'])->assertSessionHas('told');
    $this->as('tomas')->get("/rounds/{$second->key}")->assertSee('which was recalled')->assertSee('It does not go out by itself');
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee("goes out by itself once “{$first->title}”", false);
});

it('sets right what is wrong where it is said', function () {
    $round = largeRound();
    $this->as('tomas')->put("/rounds/{$round->key}", ['last_day' => $this->day(9)]);
    $page = $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->getContent();
    // Each button that belongs to a form of the page names one that is there.
    preg_match_all('/<form[^>]* id="([^"]+)"/', $page, $forms);
    preg_match_all('/<(?:button|input)[^>]* form="([^"]+)"/', $page, $named);
    expect(array_diff($named[1], $forms[1]))->toBe([])->and(substr_count($page, 'data-look='))->toBe(3);
    $this->seeAll();
    $signer = $round->signers()->where('seat', 'buyer.1')->sole();
    $signer->update(['email' => null]);
    $round->marks()->where('seat', 'buyer.2')->delete();
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee("data-enter=\"addresses[{$signer->key}]\"", false)
        ->assertSee('Remove from this round');
});
