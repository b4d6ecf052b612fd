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
    foreach (Guide::places() as $place => [$name, $picture]) {
        $this->as('tomas')->get("/help/{$place}")->assertOk()->assertSee($name);
        expect(is_file(public_path("guide/{$picture}.webp")))->toBeTrue($picture);
    }
    foreach (['/' => 'today', '/open' => 'opening', '/files' => 'files', '/files/X' => 'file', '/files/X/dates' => 'dates',
        '/files/X/messages/Y' => 'messages', '/files/X/forms' => 'paper', '/papers/X' => 'paper', '/rounds/X' => 'round',
        '/review/X' => 'review', '/stacks/X' => 'sorting', '/files/X/commission' => 'commission', '/office/inbox' => 'inbox',
        '/office/roster/X' => 'roster', '/people/X' => 'permissions', '/office/plans' => 'plans', '/imports/X' => 'moving',
        '/me' => 'me', '/messages' => 'file'] as $at => $place) {
        expect(Guide::of($at))->toBe($place);
    }
    // Every picture is of a place, and every text is led to.
    $texts = array_map(static fn (string $path) => basename($path, '.blade.php'), glob(resource_path('views/help/*.blade.php')) ?: []);
    expect(array_diff($texts, array_keys(Guide::places())))->toEqualCanonicalizing(['guide', 'signing'])
        ->and(array_map(static fn (string $path) => basename($path, '.webp'), glob(public_path('guide/*.webp')) ?: []))
        ->toEqualCanonicalizing(array_values(array_unique(array_column(Guide::places(), 1))));
    $this->as('tomas')->get('/help?at='.urlencode('/review'))->assertSee('Broker review');
    $this->as('tomas')->get('/help/nowhere')->assertOk();
});
