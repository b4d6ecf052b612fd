<?php

declare(strict_types=1);

use App\Help\Guide;
use App\Models\Letter;
use Illuminate\Support\Facades\Auth;

it('tells whoever was asked to sign how it goes, in English and Spanish, without a sign-in', function () {
    Auth::forgetGuards();
    $this->get('/how-signing-works')->assertOk()->assertSee('You choose a signature')->assertSee('language=es', false);
    $this->get('/how-signing-works?language=es')->assertOk()->assertSee('Elige su firma');
    $this->get('/how-signing-works?language=zz')->assertOk()->assertSee('You choose a signature');
    $round = $this->aRound($this->aFile());
    $this->seeAll();
    $letter = Letter::query()->where('once_key', 'like', 'invite:%')->firstOrFail();
    expect($letter->closing)->toContain('/how-signing-works')->and($letter->body)->not->toContain('/how-signing-works');
    // Whoever reads plain text finds the link to sign first.
    $text = view('mail.letter-text', ['letter' => $letter, 'url' => 'https://here.example/sign/x'])->render();
    expect(strpos($text, '/sign/x'))->toBeLessThan(strpos($text, '/how-signing-works'));
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertSee('/how-signing-works?language=en', false);
});

it('has a page of help for each place, and leads there from where one is', function () {
    Auth::forgetGuards();
    $this->get('/help')->assertRedirect('/sign-in');
    foreach (Guide::PLACES as $place => [$name, $picture]) {
        $this->as('tomas')->get("/help/{$place}")->assertOk()->assertSee($name);
        expect(is_file(public_path("guide/{$picture}.webp")))->toBeTrue($picture);
    }
    foreach (['/' => 'today', '/open' => 'opening', '/files/X' => 'file', '/papers/X' => 'paper', '/rounds/X' => 'round',
        '/review/X' => 'review',
        '/files/X/commission' => 'commission', '/office/inbox' => 'inbox', '/office/roster' => 'office',
        '/people/X' => 'office'] as $at => $place) {
        expect(Guide::of($at))->toBe($place);
    }
    $this->as('tomas')->get('/help?at='.urlencode('/review'))->assertSee('Broker review');
    $this->as('tomas')->get('/help/nowhere')->assertOk();
});
