<?php

declare(strict_types=1);

use App\Files\Actions\SetParty;
use App\Models\Letter;
use App\Models\PartyContact;
use App\Models\Round;
use App\Signing\Actions\RecordEvent;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Parties\PartyDetails;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;

it('puts someone else in a place: they begin anew, the evidence keeps both, the file keeps its party', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $link = '/sign/'.$signer->token();
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing']);
    $mark = $round->marks()->where('seat', 'buyer.1')->where('kind', 'signature')->firstOrFail();
    $this->postJson("{$link}/marks/{$mark->key}", ['once' => 'first-1'])->assertOk();
    $this->seeAll();
    $put = fn (string $name, string $email) => $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}/person", [
        'name' => $name,
        'email' => $email,
        'capacity' => 'as executor',
    ]);
    $put('Oda Eide', 'oda@eide.example')->assertSessionHas('told');
    $put('Oda Eide', 'oda@eide.example');
    Auth::forgetGuards();
    $this->get($link)->assertNotFound();
    $this->seeAll();
    $signer->refresh();
    expect([$signer->name, $signer->initials, $signer->status, $signer->held, $signer->adopted])
        ->toBe(['Oda Eide', 'OE', SignerStatus::Invited, 1, null])
        ->and(lettersTo('oda@eide.example'))
        ->toBe(['Please sign: Agency disclosure'])
        ->and(PartyContact::query()->where('party_id', $signer->party_id)->value('email'))
        ->toBe('sunniva@eide.example')
        ->and($round->refresh()->load(['events', 'signers', 'marks'])->state()->made->of('buyer.1'))
        ->toBe([]);
    // What the first one did stays told of them.
    $page = (string) $this->as('tomas')->get("/rounds/{$round->key}")->getContent();
    expect(preg_replace('/\s+/', ' ', $page))->toContain('Sunniva Eide: Chose a signature')->not->toContain('Oda Eide: Chose');
    $this->seeAll();
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $put('Third Eide', 'third@eide.example')->assertSessionHas('reason', SigningRefusal::FinishedStays->value);
    $this->work();
    $this->seeAll();
    expect(sealedText($round))
        ->toContain('asked at sunniva@eide.example until')
        ->toContain('known by a link sent to oda@eide.example')
        ->toContain('Signer replaced: Sunniva Eide, now Oda Eide, oda@eide.example');
});

it('keeps in the database who signs once a round is out, unless an event says who does now', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    expect(static fn () => DB::transaction(static fn () => DB::table('signers')->where('id', $signer->id)->update(['name' => 'Mallory'])))
        ->toThrow(Illuminate\Database\QueryException::class, 'cannot be changed');
});

it('lets only a colleague stand in for a colleague, at the address of their account', function () {
    $round = $this->aRound($this->aFile());
    $agent = $this->signer($round, 'agent.1');
    $put = fn (string $email) => $this->as('tomas')->put("/rounds/{$round->key}/signers/{$agent->key}/person", [
        'name' => 'Somebody',
        'email' => $email,
    ]);
    $put('somebody@outside.example')->assertSessionHas('reason', SigningRefusal::OnlyColleague->value);
    $put('Caleb@quillmark.example')->assertSessionHas('told');
    $this->seeAll();
    expect($agent->refresh()->name)
        ->toBe($this->people['caleb']->name)
        ->and($agent->linkIsFor($this->people['caleb']))
        ->toBeTrue()
        ->and($agent->linkIsFor($this->people['tomas']))
        ->toBeFalse();
});

it('lets only a broker of the office stand in for a broker', function () {
    $file = $this->aFile();
    $this->as('tomas')->put("/files/{$file->key}/parties/broker.1", ['name' => 'Ines Okafor-Lund', 'email' => 'ines@quillmark.example']);
    $this->seeAll();
    $round = roundOfPaper($file, Tests\Support\MadePdf::text(72, 740, 'A paper for the broker alone.'));
    placed($round, [
        'do' => 'put',
        'mark' => str_repeat('A', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'broker.1',
        'kind' => 'signature',
        'place' => [72, 90, 200, 16],
    ])->assertOk();
    $this->seeAll();
    $signer = $this->signer($round, 'broker.1');
    $signer->update(['email' => 'ines@quillmark.example']);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionHas('told');
    $put = fn (string $email) => $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}/person", [
        'name' => 'Somebody',
        'email' => $email,
    ]);
    $put('wendell@quillmark.example')->assertSessionHas('reason', SigningRefusal::OnlyBroker->value);
    $this->seeAll();
    expect($signer->refresh()->held)->toBe(0);
});

it('takes an answer to who asked, by letter and on their page, once', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $this->post("{$link}/ask", ['question' => 'What is dual agency?', 'once' => 'ask-1']);
    $this->get($link)->assertSee('has not answered yet');
    $this->seeAll();
    $asked = (string) DB::table('round_events')->where('kind', 'asked')->value('once_key');
    $answer = fn (string $text) => $this->as('tomas')->post("/rounds/{$round->key}/answers", ['asked' => $asked, 'answer' => $text]);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('What is dual agency?')->assertSee('name="answer"', false);
    $answer('One brokerage for both sides.')->assertSessionHas('told');
    $answer('One brokerage for both sides.')->assertSessionHas('told');
    $answer('Something else.')->assertSessionHas('reason', SigningRefusal::AlreadyAnswered->value);
    $this->seeAll();
    Auth::forgetGuards();
    $this->get($link)->assertSee('One brokerage for both sides.');
    $this->get('/sign/'.$this->signer($round, 'buyer.2')->token())->assertDontSee('One brokerage for both sides.');
    $this->seeAll();
    $letter = Letter::query()->where('subject', 'like', 'Answer about%')->sole();
    expect($letter->recipient)->toBe('sunniva@eide.example')->and($letter->body)->toContain('One brokerage for both sides.');
    $this->as('tomas')->post("/rounds/{$round->key}/answers", ['asked' => 'no-such', 'answer' => 'x'])->assertNotFound();
});

it('tells the sender that someone else should sign, and has them ready to be put in place', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $this->post("{$link}/refer", ['other' => '', 'once' => 'refer-1'])->assertSessionHasErrors('other');
    foreach ([1, 2] as $time) {
        $other = ['other' => 'Oda Eide', 'other_email' => 'oda@eide.example', 'why' => 'She has the power'];
        $this->post("{$link}/refer", [...$other, 'once' => 'refer-2']);
    }
    $this->seeAll();
    expect(Letter::query()->where('subject', 'like', '%someone else should sign%')->sole()->body)
        ->toContain('Oda Eide, oda@eide.example')
        ->toContain('She has the power');
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertSee('Says this should go to Oda Eide, oda@eide.example.')
        ->assertSee('value="oda@eide.example"', false);
    $this->seeAll();
    Auth::forgetGuards();
    $this->get($link)->assertOk()->assertSee('Hello Sunniva Eide');
});

it('asks for a code before anything is shown; after five wrong ones the link is locked and the sender told', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $link = '/sign/'.$signer->token();
    $set = fn (string $code) => $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}/code", ['code' => $code]);
    $set('ab')->assertSessionHas('reason', SigningRefusal::CodeTooShort->value);
    $set('kite-42')->assertSessionHas('told');
    $this->seeAll();
    expect((string) DB::table('signers')->where('id', $signer->id)->value('code'))->not->toContain('KITE');
    Auth::forgetGuards();
    $this->get($link)->assertSee('Enter your code')->assertDontSee('Hello Sunniva');
    foreach (['/papers/1/pages/1.webp', '/papers/1/text', '/set.pdf', '/sealed/1.pdf'] as $inside) {
        $this->get($link.$inside)->assertForbidden();
    }
    $this->post("{$link}/consent", ['agree' => '1'])->assertForbidden();
    foreach ([4, 3, 2, 1] as $left) {
        $told = "That is not the code. Ask Tomás Reyes-Whitlock for it. Tries left: {$left}.";
        $this->post("{$link}/code", ['code' => 'wrong'])->assertSessionHasErrors(['code' => $told]);
        $this->seeAll();
    }
    $this->post("{$link}/code", ['code' => 'wrong'])->assertSessionHasErrors('code');
    $this->post("{$link}/code", ['code' => 'KITE42'])->assertSessionHasErrors('code');
    $this->get($link)->assertDontSee('Hello Sunniva');
    $this->seeAll();
    expect(Letter::query()->where('subject', 'like', '%is locked out of%')->count())->toBe(1);
    $set('heron7');
    $this->seeAll();
    Auth::forgetGuards();
    $this->post("{$link}/code", ['code' => 'he-ron 7'])->assertRedirect($link);
    $this->get($link)->assertSee('Hello Sunniva');
    $this->seeAll();
    $kinds = DB::table('round_events')->whereIn('kind', ['code-set', 'code-entered', 'code-locked'])->orderBy('id')->pluck('kind')->all();
    expect($kinds)->toBe(['code-set', 'code-locked', 'code-set', 'code-entered']);
});

it('asks for the code that was set before sending', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $signer = $this->signer($round, 'buyer.1');
    $this->as('tomas')->put("/rounds/{$round->key}", ['codes' => [$signer->key => 'kite 42'], 'last_day' => $this->day(8), 'send' => '1']);
    $this->seeAll();
    expect($signer->refresh()->code)->toBe('KITE42');
    Auth::forgetGuards();
    $this->get('/sign/'.$signer->token())->assertSee('Enter your code');
});

it('lets only the sender answer, replace and set codes', function () {
    $round = $this->aRound($this->aFile());
    foreach ([EventKind::Answered, EventKind::Replaced, EventKind::CodeSet] as $kind) {
        expect(fn () => app(RecordEvent::class)($round, new RoundEvent($kind, 'buyer.1'), "x:{$kind->value}"))
            ->toThrow(Unanimus\Steps\StepRefused::class);
    }
});

it('asks someone to approve first: nobody signs before, and it is in the evidence', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->firstOrFail();
    $this->as('tomas')->put("/files/{$file->key}/parties/other.1", ['name' => 'Oda Lovell', 'email' => 'oda@lovell.example']);
    foreach ([1, 2] as $time) {
        $this->as('tomas')
            ->post("/rounds/{$round->key}/lookers", ['seat' => 'other.1', 'part' => 'approves'])
            ->assertSessionHas('told');
    }
    $this->as('tomas')->post("/rounds/{$round->key}/lookers", ['seat' => 'other.9', 'part' => 'reads'])->assertNotFound();
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('approves before it goes on');
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionHas('told');
    $this->seeAll();
    expect($round->refresh()->signers->mapWithKeys(fn ($one) => [$one->seat => [$one->turn, $one->status->value]])->all())->toEqual([
        'other.1' => [1, 'invited'],
        'buyer.1' => [2, 'waiting'],
        'buyer.2' => [2, 'waiting'],
        'agent.1' => [3, 'waiting'],
    ]);
    Auth::forgetGuards();
    $link = '/sign/'.$this->signer($round, 'other.1')->token();
    $this->get($link)->assertSee('I approve them')->assertDontSee('Choose a signature style');
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->seeAll();
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect(sealedText($round))->toContain('· approved it ')->toContain('Oda Lovell Approved it');
});

it('lets one person who sits in two seats sign for both in one session, agreeing and choosing a signature once', function () {
    $file = $this->aFile();
    app(SetParty::class)($file, Seat::of('buyer.2'), new PartyDetails(name: 'Sunniva Eide', email: 'Sunniva@eide.example'));
    $round = $this->aRound($file->refresh());
    [$first, $second] = [$this->signer($round, 'buyer.1'), $this->signer($round, 'buyer.2')];
    $link = fn ($signer) => '/sign/'.$signer->token();
    Auth::forgetGuards();
    $this->post("{$link($first)}/consent", ['agree' => '1']);
    $this->post("{$link($first)}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'brisk']);
    $this->seeAll();
    $owed = fn (string $seat) => $round->refresh()->load(['signers', 'marks', 'events'])->state()->owes($seat);
    foreach ($owed('buyer.1') as $mark) {
        $this->postJson("{$link($first)}/marks/{$mark}")->assertOk();
    }
    $this->post("{$link($first)}/finish")->assertRedirect($link($second));
    $this->seeAll();
    $agreed = DB::table('round_events')->where('seat', 'buyer.2')->where('kind', 'consented');
    expect($second->refresh()->status)->toBe(SignerStatus::Consented)
        ->and($second->adopted)->toBe($first->refresh()->adopted)
        ->and($agreed->value(DB::raw("data->>'as'")))->toBe('buyer.1');
    $this->get($link($second))->assertOk()->assertSee('also asked in another role');
    $this->seeAll();
    foreach ($owed('buyer.2') as $mark) {
        $this->postJson("{$link($second)}/marks/{$mark}")->assertOk();
    }
    $this->post("{$link($second)}/finish")->assertRedirect($link($second));
    $this->seeAll();
    $this->signs($round, 'agent.1');
    $this->work();
    expect(sealedText($round))->toContain('Sunniva Eide');
});

it('agrees for nobody else of that address, not past a code, and not for a colleague', function () {
    $file = $this->aFile();
    app(SetParty::class)($file, Seat::of('buyer.2'), new PartyDetails(name: 'José Nguyễn-Ortiz', email: 'sunniva@eide.example'));
    $round = $this->aRound($file->refresh());
    $this->signs($round, 'buyer.1');
    expect($this->signer($round, 'buyer.2')->status)->toBe(SignerStatus::Invited);
    $file = $this->aFile();
    app(SetParty::class)($file, Seat::of('buyer.2'), new PartyDetails(name: 'Sunniva Eide', email: 'sunniva@eide.example'));
    $round = $this->aRound($file->refresh());
    $coded = $this->signer($round, 'buyer.2');
    $this->as('tomas')->put("/rounds/{$round->key}/signers/{$coded->key}/code", ['code' => 'KITE-77'])->assertSessionHas('told');
    $this->seeAll();
    $finish = function (string $seat) use (&$round): string {
        $link = '/sign/'.$this->signer($round, $seat)->token();
        Auth::forgetGuards();
        $this->post("{$link}/consent", ['agree' => '1']);
        $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'brisk']);
        $this->seeAll();
        foreach ($round->refresh()->load(['signers', 'marks', 'events'])->state()->owes($seat) as $mark) {
            $this->postJson("{$link}/marks/{$mark}")->assertOk();
        }
        $to = (string) $this->post("{$link}/finish")->headers->get('Location');
        $this->seeAll();

        return $to;
    };
    expect($finish('buyer.1'))->toEndWith('/sign/'.$coded->token())
        ->and($coded->refresh()->status)->toBe(SignerStatus::Invited)
        ->and($coded->adopted)->toBeNull();
    // Their own agent buys: the agent's seat asks for their account.
    $file = $this->aFile();
    $tomas = new PartyDetails(name: 'Tomás Reyes-Whitlock', email: 'tomas@quillmark.example');
    app(SetParty::class)($file, Seat::of('buyer.1'), $tomas);
    $round = $this->aRound($file->refresh());
    $this->signs($round, 'buyer.2');
    $finish('buyer.1');
    $agent = $this->signer($round, 'agent.1');
    expect($agent->status)->toBe(SignerStatus::Invited)->and($agent->adopted)->toBeNull();
});
