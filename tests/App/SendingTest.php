<?php

declare(strict_types=1);

use App\Models\Letter;
use App\Models\Office;
use App\Models\Round;
use App\Signing\Actions\ComposeRound;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;

/** A round of one library paper that is still being composed. */
function draftRound(): Round
{
    $test = test();
    $file = $test->aFile();
    $test->as('tomas')
        ->post("/files/{$file->key}/rounds", ['papers' => [$test->paper($file, 'M-102')->key]])
        ->assertRedirect();
    $test->seeAll();

    return Round::query()->orderByDesc('id')->firstOrFail();
}

function sweeps(): void
{
    Artisan::call('rounds:sweep');
    test()->seeAll();
}

afterEach(fn () => $this->travelBack());

it('sends a round at its time, once, with its own subject and words for one person alone', function () {
    $round = draftRound();
    $signer = $this->signer($round, 'buyer.1');
    $at = now($round->file->office->zone)->addHours(3);
    $this->as('tomas')
        ->put("/rounds/{$round->key}", [
            'subject' => 'Your offer, please',
            'message' => 'As we said on the phone.',
            'notes' => [$signer->key => 'Mind page two, Sunniva.'],
            'last_day' => '+4',
            'send_at' => $at->format('Y-m-d\TH:i'),
            'do' => 'later',
        ])
        ->assertSessionHas('told');
    sweeps();
    expect($round->refresh()->status)->toBe(RoundStatus::Drafting);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('This goes out by itself on');
    $this->travelTo($at->copy()->addMinute());
    sweeps();
    sweeps();
    expect($round->refresh()->status)->toBe(RoundStatus::Out)->and($round->send_at)->toBeNull();
    $letters = Letter::query()->where('once_key', 'like', 'invite:%')->get();
    expect($letters->pluck('subject')->unique()->all())
        ->toBe(['Your offer, please'])
        ->and($letters->firstWhere('recipient_name', 'Sunniva Eide')->body)
        ->toContain("Mind page two, Sunniva.\n\nAs we said on the phone.")
        ->and($letters->firstWhere('recipient_name', 'José Nguyễn-Ortiz')->body)
        ->not->toContain('Mind page two');
});

it('holds back a round that cannot go out at its time, and tells its sender why', function () {
    $round = draftRound();
    $at = now($round->file->office->zone)->addDay();
    $given = ['last_day' => '+4', 'send_at' => $at->format('Y-m-d\TH:i'), 'do' => 'later'];
    $this->as('tomas')->put("/rounds/{$round->key}", $given)->assertSessionHas('told');
    $this->seeAll();
    $round->marks()->where('seat', 'buyer.2')->delete();
    $this->travelTo($at->copy()->addMinute());
    sweeps();
    sweeps();
    expect($round->refresh()->status)
        ->toBe(RoundStatus::Drafting)
        ->and($round->held_because)
        ->toContain('has nothing to sign')
        ->and(Letter::query()->where('subject', 'like', 'Not sent:%')->pluck('recipient')->all())
        ->toBe([$this->people['tomas']->email])
        ->and(DB::table('history')->where('what', 'Round held back')->count())
        ->toBe(1);
});

it('refuses a time that cannot be, and stops a round that was set to go out', function (array $given, SigningRefusal $reason) {
    $round = draftRound();
    $this->as('tomas')
        ->put("/rounds/{$round->key}", ['last_day' => '+2', 'do' => 'later', ...$given])
        ->assertSessionHas('reason', $reason->value);
    $this->seeAll();
    expect($round->refresh()->send_at)->toBeNull();
    $later = now()->addHours(5)->format('Y-m-d\TH:i');
    $this->as('tomas')->put("/rounds/{$round->key}", ['last_day' => '+2', 'do' => 'later', 'send_at' => $later])->assertSessionHas('told');
    $this->put("/rounds/{$round->key}", ['last_day' => '+2', 'do' => 'stop'])->assertSessionHas('told');
    $this->travel(6)->hours();
    sweeps();
    expect($round->refresh()->status)->toBe(RoundStatus::Drafting);
})->with([
    'past' => [['send_at' => '2020-01-01T09:00'], SigningRefusal::NoTimeToSend],
    'far' => [['send_at' => '2099-01-01T09:00'], SigningRefusal::NoTimeToSend],
    'after the last day' => [['send_at' => now()->addDays(9)->format('Y-m-d\TH:i')], SigningRefusal::SentAfterLastDay],
]);

it('reminds by itself once a morning whoever has not signed, as the office has set it', function () {
    $round = $this->aRound($this->aFile());
    $office = $round->file->office;
    $this->signs($round, 'buyer.2');
    $reminders = fn () => Letter::query()->where('once_key', 'like', 'remind:%')->pluck('recipient_name')->all();
    $this->travelTo(now($office->zone)->addDays(3)->setTime(7, 30));
    sweeps();
    expect($reminders())->toBe([]);
    $this->travelTo(now($office->zone)->setTime(8, 5));
    sweeps();
    $this->travel(40)->minutes();
    sweeps();
    expect($reminders())->toBe(['Sunniva Eide']);
    $this->as('ines')
        ->put("/offices/{$office->key}", ['name' => $office->name, 'zone' => $office->zone, 'reminders_asked' => '1'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($office->refresh()->reminder_days)->toBe([]);
    $this->travelTo(now($office->zone)->addDay());
    sweeps();
    expect($reminders())->toHaveCount(1);
});

it('sends a copy of the sealed set to whoever was named, once', function () {
    $round = draftRound();
    $this->as('tomas')
        ->put("/rounds/{$round->key}", ['copies' => 'Nadia, nobody', 'last_day' => '+4'])
        ->assertSessionHas('reason', SigningRefusal::NoEmailAddress->value);
    $this->put("/rounds/{$round->key}", ['copies' => 'Nadia Petrov <nadia@anchorfield.example>', 'last_day' => '+4', 'send' => 1])
        ->assertSessionHas('told');
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('recipient', 'nadia@anchorfield.example')->sole();
    expect($letter->attachment)->toBe($round->refresh()->sealedSet?->sha256)->and($letter->action)->toBeNull();
});

it('ends at its hour: not signed after it, though nobody has swept; told in the letter', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $day = $this->day(3);
    $put = fn (string $hour) => $this->as('tomas')->put("/rounds/{$round->key}", ['last_day' => $day, 'last_time' => $hour, 'send' => '1']);
    $put('whenever')->assertSessionHas('refused');
    $put('5 pm')->assertSessionHas('told');
    $this->seeAll();
    expect($round->refresh()->last_time)
        ->toBe('17:00')
        ->and(Letter::query()->where('subject', 'like', 'Please sign%')->firstOrFail()->body)
        ->toContain('5:00 pm ET');
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $zone = $round->file->office->zone;
    $this->travelTo(Illuminate\Support\Carbon::parse($round->last_day->iso().' 16:59', $zone));
    Auth::forgetGuards();
    $this->post("{$link}/consent", ['agree' => '1'])->assertRedirect($link);
    $this->seeAll();
    $this->travelTo(Illuminate\Support\Carbon::parse($round->last_day->iso().' 17:00', $zone));
    $this->post("{$link}/finish")->assertSessionHas('reason', SigningRefusal::Lapsed->value);
    $this->seeAll();
    Artisan::call('rounds:sweep');
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('lapsed');
});

it('offers what someone signed with the last time, to them alone', function () {
    $file = $this->aFile();
    $first = $this->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($first, $seat);
    }
    $second = $this->aRound($file, ['M-230']);
    $signer = $this->signer($second, 'buyer.1');
    Auth::forgetGuards();
    $link = '/sign/'.$signer->token();
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->get($link)->assertSee('Use it again');
    $this->post("{$link}/adopt-again")->assertRedirect($link);
    $this->seeAll();
    expect($signer->refresh()->signature()?->digest())->toBe($this->signer($first, 'buyer.1')->signature()?->digest());
    // Whoever has another address now is asked anew.
    $other = $this->signer($second, 'buyer.2');
    $other->update(['email' => 'somebody@else.example']);
    $this->post('/sign/'.$other->token().'/consent', ['agree' => '1']);
    $this->get('/sign/'.$other->token())->assertDontSee('Use it again');
    $this->post('/sign/'.$other->token().'/adopt-again')->assertNotFound();
});

it('prepares a forgotten paper for the same people in one step', function () {
    $file = $this->aFile();
    $round = $this->aRound($file, ['M-102']);
    foreach ([1, 2] as $press) {
        $this->as('tomas')
            ->post("/rounds/{$round->key}/forgotten", ['paper' => $this->paper($file, 'M-230')->key])
            ->assertSessionHas('told');
    }
    $this->seeAll();
    expect(Round::query()->count())->toBe(2);
    $new = Round::query()->orderByDesc('id')->firstOrFail();
    expect($new->status->value)
        ->toBe('drafting')
        ->and($new->signers()->orderBy('seat')->pluck('seat')->all())
        ->toEqualCanonicalizing(['agent.1', 'buyer.1', 'buyer.2'])
        ->and($new->papers()->pluck('title')->all())
        ->toBe(['Lead-based paint disclosure']);
});

it('attaches the pages to the emails of those who have no access code, when its sender wants so', function (bool $attach) {
    $file = $this->aFile();
    Auth::setUser($this->people['tomas']);
    $round = app(ComposeRound::class)($file->load('papers'), [$this->paper($file, 'M-102')], $this->people['tomas']);
    Auth::forgetGuards();
    $second = $this->signer($round, 'buyer.2');
    $this->as('tomas')->put("/rounds/{$round->key}", ['attach' => $attach ? '1' : '0', 'codes' => [$second->key => 'harbor7']]);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionHas('told');
    $this->seeAll();
    $to = fn (string $seat) => Letter::query()->where('action', 'signer '.$this->signer($round, $seat)->key)->sole();
    expect($to('buyer.2')->attachment)->toBeNull()
        ->and($to('buyer.2')->body)->not->toContain('attached')
        ->and($to('buyer.1')->attachment === null)->toBe(! $attach)
        ->and(str_contains($to('buyer.1')->body, 'The pages are attached, to read first.'))->toBe($attach);
    if ($attach) {
        expect($to('buyer.1')->attachment_name)->toBe('Agency disclosure, not signed yet.pdf')
            ->and(textOf(app(Bytes::class)->read((string) $to('buyer.1')->attachment)))->toContain('Agency disclosure');
    }
    expect($to('buyer.1')->body)->not->toMatch('/\n{3,}|  /');
})->with([true, false]);

it('dates what is signed as the office wanted when it went out', function () {
    $round = fn () => tap($this->aRound($this->aFile()), fn (Round $one) => $this->signs($one, 'buyer.1'));
    $set = fn (array $look) => $this->as('ines')->put('/offices/'.Office::query()->where('name', 'Tidewick')->sole()->key, [
        'name' => 'Tidewick',
        'zone' => 'America/New_York',
        'holidays' => '',
        ...$look,
    ]);
    $set(['date_look' => 'odd'])->assertSessionHasErrors('date_look');
    $set(['date_look' => 'long', 'date_time' => '1'])->assertSessionHas('told');
    $this->seeAll();
    $first = $round();
    $set(['date_look' => 'slashes']);
    $this->seeAll();
    $second = $round();
    $today = $first->file->office->today();
    $this->as('tomas')->get("/rounds/{$first->key}")->assertSee($today->long().',')->assertDontSee($today->slashed());
    $this->as('tomas')->get("/rounds/{$second->key}")->assertSee($today->slashed())->assertDontSee($today->long());
    $this->seeAll();
    expect(DB::table('brokerage_history')->where('what', 'Look of dates set')->count())->toBe(2);
});

it('stores of a draft what is said, and leaves the rest as it is, as when another tab has stored it', function () {
    $file = $this->aFile();
    Auth::setUser($this->people['tomas']);
    $round = app(ComposeRound::class)($file->load('papers'), [$this->paper($file, 'M-102')], $this->people['tomas']);
    Auth::forgetGuards();
    $day = $file->office->today()->plusDays(5);
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['message' => 'Please by Friday.'])->assertNoContent();
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['last_day' => $day->iso(), 'last_time' => '5 pm'])->assertNoContent();
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['copies' => 'Nadia Petrov <nadia@anchorfield.example>'])->assertNoContent();
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['subject' => 'To sign', 'attach' => '1'])->assertNoContent();
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['copies' => 'nobody at all'])->assertConflict();
    $this->as('caleb')->putJson("/rounds/{$round->key}", ['subject' => 'Mine'])->assertNotFound();
    $this->seeAll();
    $round->refresh();
    expect([$round->subject, $round->message, $round->last_day?->iso(), $round->last_time, $round->attach, $round->copies[0]['email']])
        ->toBe(['To sign', 'Please by Friday.', $day->iso(), '17:00', true, 'nadia@anchorfield.example']);
    // What is said to be empty is emptied.
    $this->as('tomas')->putJson("/rounds/{$round->key}", ['message' => '', 'copies' => ''])->assertNoContent();
    $this->seeAll();
    expect([$round->refresh()->message, $round->copies, $round->subject])->toBe(['', [], 'To sign']);
});
