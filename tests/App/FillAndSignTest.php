<?php

declare(strict_types=1);

use App\Models\FillRequest;
use App\Models\Letter;
use App\Models\Round;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** The buyer is asked for the one thing open on their disclosure, and what comes then. */
function asksToFill(string $afterwards, array $entered = ['known_no', 'reports_no']): FillRequest
{
    $test = test();
    $file = $test->aFile();
    $paper = $test->paper($file, 'M-230');
    foreach (array_slice($entered, 1) as $blank) {
        entry($paper, ['blank' => $blank, 'value' => 'x', 'key' => "test-{$blank}"]);
    }
    $test->as('tomas')
        ->post("/files/{$file->key}/fill-requests", [
            'to' => ['buyer.1'],
            'papers' => [$paper->key],
            'some' => [$paper->key => ['known_no']],
            'last_day' => $test->day(5),
            'afterwards' => $afterwards,
        ])
        ->assertSessionHas('told');
    Auth::forgetGuards();
    $test->seeAll();

    return FillRequest::query()->with('papers')->sole();
}

function fillsIn(FillRequest $fill): string
{
    $test = test();
    $link = '/fill/'.$fill->token();
    $test->postJson("{$link}/papers/{$fill->papers->first()->key}/entries", ['blank' => 'known_no', 'value' => 'x', 'key' => 'client-one'])
        ->assertOk();
    $test->seeAll();

    return $link;
}

it('lets a client fill in and sign in one go, on the same link, once', function () {
    $fill = asksToFill('sign');
    $link = fillsIn($fill);
    $there = (string) $this->post("{$link}/finish")->headers->get('Location');
    $this->seeAll();
    $round = Round::query()->sole();
    $signer = $this->signer($round, 'buyer.1');
    expect($there)
        ->toEndWith('/sign/'.$signer->token())
        ->and($round->status->value)
        ->toBe('out')
        ->and($round->user_id)
        ->toBe($this->people['tomas']->id);
    $this->get($link)->assertSee('Continue to sign');
    $this->post("{$link}/finish");
    $this->seeAll();
    expect(Round::query()->count())->toBe(1);
    $this->signs($round, 'buyer.1');
    $this->get($link)->assertDontSee('Continue to sign');
});

it('lays it out for the agent to look at first, where they chose so', function () {
    $fill = asksToFill('look');
    $link = fillsIn($fill);
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->seeAll();
    expect(Round::query()->sole()->status->value)
        ->toBe('drafting')
        ->and(Letter::query()->where('subject', 'like', 'Please sign%')->count())
        ->toBe(0);
});

it('leaves the draft with the agent, and tells them, when something else is missing; what was filled in stays', function () {
    $fill = asksToFill('sign', ['known_no']);
    $link = fillsIn($fill);
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->seeAll();
    $round = Round::query()->sole();
    expect($round->status->value)
        ->toBe('drafting')
        ->and($round->held_because)
        ->toContain('required blank')
        ->and(Letter::query()->where('once_key', 'like', 'held:%')->count())
        ->toBe(1)
        ->and($fill->refresh()->status->value)
        ->toBe('finished')
        ->and(DB::table('paper_versions')->count())
        ->toBe(0);
});

it('does nothing more where nothing more was chosen', function () {
    $fill = asksToFill('nothing');
    $this->post(fillsIn($fill).'/finish');
    $this->seeAll();
    expect(Round::query()->count())->toBe(0);
});
