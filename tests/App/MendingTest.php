<?php

declare(strict_types=1);

use App\Models\Letter;
use App\Models\PartyContact;
use App\Models\Round;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;

it('corrects an address while a round is out: the old link is dead, the new one goes on where the old one was', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $old = '/sign/'.$signer->token();
    $this->post("{$old}/consent", ['agree' => '1']);
    foreach ([1, 2] as $time) {
        $this->as('tomas')
            ->put("/rounds/{$round->key}/signers/{$signer->key}", ['email' => 'sunniva@new.example'])
            ->assertRedirect("/rounds/{$round->key}");
    }
    Auth::forgetGuards();
    $this->get($old)->assertNotFound();
    $this->seeAll();
    $this->get('/sign/'.$signer->refresh()->token())->assertOk()->assertSee('Choose a signature style');
    $this->seeAll();
    expect(PartyContact::query()->where('party_id', $signer->party_id)->value('email'))
        ->toBe('sunniva@new.example')
        ->and(Letter::query()->where('recipient', 'sunniva@new.example')->pluck('subject')->all())
        ->toHaveCount(1);
    $this->signs($round, 'buyer.1');
    $this->as('tomas')
        ->put("/rounds/{$round->key}/signers/{$signer->key}", ['email' => 'late@new.example'])
        ->assertSessionHas('reason', SigningRefusal::SignedAlready->value);
    foreach (['buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    expect(sealedText($round))
        ->toContain('Address corrected: Sunniva Eide, sunniva@new.example');
});

it('moves the last day of a round later, never earlier', function () {
    $round = $this->aRound($this->aFile());
    $put = fn (string $day) => $this->as('tomas')->put("/rounds/{$round->key}/last-day", ['last_day' => $day]);
    $put('+9')->assertSessionHas('told');
    $put('+8')->assertSessionHas('reason', SigningRefusal::NotLater->value);
    $put('whenever')->assertSessionHasErrors('last_day');
    $this->seeAll();
    expect($round->refresh()->last_day?->iso())
        ->toBe($round->file->office->today()->plusDays(9)->iso())
        ->and(DB::table('history')->where('what', 'Last day moved')->count())
        ->toBe(1);
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'x']);
    $put('+20')->assertSessionHas('reason', SigningRefusal::RoundEnded->value);
});

it('starts again from a round that ended, with the same papers, places, people and words', function () {
    $round = $this->aRound($this->aFile());
    $this->as('tomas')->post("/rounds/{$round->key}/again")->assertSessionHas('reason', SigningRefusal::NotEnded->value);
    $this->seeAll();
    DB::table('rounds')->where('id', $round->id)->update(['message' => 'As we said.', 'subject' => 'Your offer']);
    $this->as('tomas')->post("/rounds/{$round->key}/recall", ['reason' => 'The price was wrong.']);
    $this->get("/rounds/{$round->key}")->assertSee('Start again from this');
    $first = $this->post("/rounds/{$round->key}/again")->assertRedirect()->headers->get('Location');
    expect($this->post("/rounds/{$round->key}/again")->headers->get('Location'))->toBe($first);
    $this->seeAll();
    $new = Round::query()->orderByDesc('id')->firstOrFail();
    $places = fn (Round $one) => $one
        ->marks()
        ->orderBy('position')
        ->get()
        ->map(fn ($mark) => [$mark->seat, $mark->kind->value, $mark->page, $mark->x, $mark->y])
        ->all();
    expect($new->id)
        ->not->toBe($round->id)
        ->and($new->status)
        ->toBe(RoundStatus::Drafting)
        ->and([$new->message, $new->subject, $new->title])
        ->toBe(['As we said.', 'Your offer', $round->title])
        ->and($places($new))
        ->toBe($places($round))
        ->and($new->signers()->pluck('turn', 'seat')->all())
        ->toBe($round->signers()->pluck('turn', 'seat')->all());
    $this->as('tomas')->post("/rounds/{$new->key}/send")->assertSessionHas('told');
    $this->seeAll();
    expect($new->refresh()->status)->toBe(RoundStatus::Out);
    $this->as('tomas')->post("/rounds/{$round->key}/again")->assertSessionHas('reason', SigningRefusal::PaperNotOpen->value);
});

it('lets the sender sign from the round’s page as soon as it is their turn, and nobody else', function () {
    $round = $this->aRound($this->aFile());
    DB::table('parties')
        ->where('deal_file_id', $round->deal_file_id)
        ->where('role', 'agent')
        ->update(['user_id' => $this->people['tomas']->id]);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->assertDontSee('Sign your part');
    foreach (['buyer.1', 'buyer.2'] as $seat) {
        $this->signs($round, $seat);
    }
    $token = $this->signer($round, 'agent.1')->token();
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('Sign your part')->assertSee("/sign/{$token}", false);
    $this->as('wendell')->get("/rounds/{$round->key}")->assertOk()->assertDontSee("/sign/{$token}", false);
    $agent = $this->signer($round, 'agent.1');
    $this->as('wendell')
        ->put("/rounds/{$round->key}/signers/{$agent->key}", ['email' => 'wendell@quillmark.example'])
        ->assertSessionHas('reason', SigningRefusal::AddressOfColleague->value);
});

it('asks those who serve both sides where someone places a mark for them, never by itself', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put("/files/{$file->key}/parties/escrow.1?at=opening", ['name' => 'Nadia Petrov', 'email' => 'nadia@anchorfield.example'])
        ->assertRedirect();
    $round = roundOfPaper($file, Tests\Support\MadePdf::text(72, 300, 'Escrow officer: __________________', 10));
    expect($round->signers()->pluck('seat')->all())->toBe([]);
    placed($round, [
        'do' => 'put',
        'mark' => str_repeat('E', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'escrow.1',
        'kind' => 'signature',
        'place' => [72, 300, 170, 22],
    ])->assertOk();
    $this->seeAll();
    expect($round->signers()->pluck('email', 'seat')->all())->toBe(['escrow.1' => 'nadia@anchorfield.example']);
});

it('writes to a colleague at the address of their own account, whatever somebody enters for them', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->orderByDesc('id')->firstOrFail();
    $agent = $this->signer($round, 'agent.1');
    $this->as('wendell')
        ->put("/rounds/{$round->key}", ['last_day' => '+4', 'addresses' => [$agent->key => 'wendell@quillmark.example']])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($agent->refresh()->email)->toBe($this->people['tomas']->email);
    $this->as('wendell')->get("/rounds/{$round->key}")->assertDontSee("addresses[{$agent->key}]", false);
});
