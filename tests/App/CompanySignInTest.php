<?php

declare(strict_types=1);

use App\Models\IdentityProvider;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;
use Tests\Support\OwnProvider;

/** Sets the brokerage's sign-in to the small provider, as its administrator does. */
function companySignIn(AppCase $case, array $more = []): void
{
    $case->as('fenna')->put('/office/company-sign-in', [
        'issuer' => OwnProvider::ISSUER,
        'client_id' => 'unanimus',
        'secret' => 'quoin-lantern',
        ...$more,
    ])->assertSessionHasNoErrors()->assertSessionHas('told');
}

/** Nobody is signed in, on a browser that was never here. */
function nobody(AppCase $case): void
{
    Auth::guard()->logout();
    Auth::forgetGuards();
    $case->flushSession();
}

/** Where the company's sign-in is asked. */
function questionTo(AppCase $case, string $email = 'tomas@quillmark.example'): string
{
    $page = (string) $case->post('/sign-in/company', ['email' => $email])->getContent();
    preg_match('~href="(https://[^"]+/authorize[^"]+)"~', $page, $found);

    return html_entity_decode($found[1] ?? '');
}

/** Goes to the company's sign-in and comes back; where that leads. */
function comesBack(AppCase $case, OwnProvider $provider): Illuminate\Testing\TestResponse
{
    return $case->get($provider->signIn(questionTo($case)));
}

it('signs somebody in by their company account, and knows them again when their address there is another', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    nobody($this);
    $this->get('/sign-in')->assertOk()->assertDontSee('/sign-in/company');
    companySignIn($this);
    nobody($this);
    $this->get('/sign-in')->assertOk()->assertSee('/sign-in/company');
    $question = questionTo($this, 'TOMAS@quillmark.example');
    expect($question)->toStartWith(OwnProvider::ISSUER.'/authorize?')->toContain('code_challenge_method=S256', 'scope=openid+email');
    $this->get($provider->signIn($question))->assertRedirect('/');
    expect(Auth::user()?->email)->toBe('tomas@quillmark.example');
    nobody($this);
    $provider->says = ['email' => 'tomas.reyes@quillmark.example'];
    comesBack($this, $provider)->assertRedirect('/');
    expect(Auth::user()?->email)->toBe('tomas@quillmark.example');
    $this->seeAll();
    expect(DB::table('brokerage_history')->where('what', 'Company account connected')->count())->toBe(1)
        ->and(DB::table('brokerage_history')->where('data', 'like', '%quoin-lantern%')->exists())->toBeFalse()
        ->and((string) DB::table('identity_providers')->value('secret'))->not->toContain('quoin');
});

it('signs nobody in by an answer that is not theirs, and none twice', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    companySignIn($this);
    nobody($this);
    $refused = function (string $back): void {
        $this->get($back)->assertRedirect('/sign-in')->assertSessionHas('refused');
        expect(Auth::check())->toBeFalse();
    };
    // Somebody else's answer, brought to a browser that asked nothing, or something else.
    $theirs = $provider->signIn(questionTo($this));
    $this->flushSession();
    $refused($theirs);
    $this->post('/sign-in/company', ['email' => 'tomas@quillmark.example']);
    $refused($theirs);
    $refused('/sign-in/company/back');
    $refused('/sign-in/company/back?error=access_denied&state=x');
    // Pressed twice, or opened again out of the browser's history.
    $back = $provider->signIn(questionTo($this));
    $this->get($back)->assertRedirect('/');
    nobody($this);
    $refused($back);
});

it('lets in who was invited here, and nobody the provider calls otherwise', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    companySignIn($this);
    nobody($this);
    $provider->says = ['email' => 'stranger@quillmark.example', 'sub' => 'person-99'];
    comesBack($this, $provider)->assertRedirect('/sign-in')
        ->assertSessionHas('refused', fn (string $said) => str_contains($said, 'no access here'));
    $provider->says = ['email_verified' => false];
    comesBack($this, $provider)->assertSessionHas('refused');
    $provider->says = [];
    comesBack($this, $provider)->assertRedirect('/');
    nobody($this);
    $provider->says = ['sub' => 'person-18'];
    comesBack($this, $provider)->assertSessionHas('refused', fn (string $said) => str_contains($said, 'another company account'));
    expect(Auth::check())->toBeFalse();
    $this->post('/sign-in/company', ['email' => 'nobody@elsewhere.example'])->assertSessionHasErrors('email');
});

it('takes a newer key of the provider, and says so when it does not answer', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    companySignIn($this);
    nobody($this);
    $provider->changeKey();
    comesBack($this, $provider)->assertRedirect('/');
    nobody($this);
    Cache::flush();
    $provider->answers = false;
    $this->post('/sign-in/company', ['email' => 'tomas@quillmark.example'])->assertSessionHas('refused');
    expect(Auth::check())->toBeFalse();
});

it('asks for our second step too, unless the provider does', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    companySignIn($this);
    $this->seeAll();
    User::query()->whereKey($this->people['tomas']->id)->update(['second_factor' => encrypt('x'), 'second_factor_at' => now()]);
    nobody($this);
    comesBack($this, $provider)->assertRedirect('/sign-in/code');
    expect(Auth::check())->toBeFalse();
    companySignIn($this, ['asks_second_step' => '1', 'secret' => '']);
    nobody($this);
    comesBack($this, $provider)->assertRedirect('/');
});

it('leaves passwords to administrators where the brokerage wants no others', function () {
    /** @var AppCase $this */
    new OwnProvider();
    companySignIn($this, ['is_only' => '1']);
    nobody($this);
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])->assertSessionHasErrors('email');
    expect(Auth::check())->toBeFalse();
    $this->post('/sign-in', ['email' => 'fenna@quillmark.example', 'password' => 'lanternfish'])->assertRedirect();
    expect(Auth::user()?->email)->toBe('fenna@quillmark.example');
    $this->delete('/office/company-sign-in')->assertSessionHas('told');
    nobody($this);
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])->assertRedirect('/');
});

it('is set by administrators alone, after it was tried', function () {
    /** @var AppCase $this */
    $provider = new OwnProvider();
    $given = ['issuer' => OwnProvider::ISSUER, 'client_id' => 'unanimus', 'secret' => 'quoin-lantern'];
    foreach (['tomas', 'wendell', 'ines'] as $who) {
        $this->as($who)->put('/office/company-sign-in', $given)->assertForbidden();
        $this->as($who)->delete('/office/company-sign-in')->assertForbidden();
    }
    $this->as('fenna')->put('/office/company-sign-in', [...$given, 'issuer' => OwnProvider::ISSUER.'/'])->assertSessionHas('refused');
    $this->as('fenna')->put('/office/company-sign-in', [...$given, 'secret' => ''])->assertSessionHas('refused');
    foreach (['javascript:alert(1)', 'ftp://127.0.0.1/in', ''] as $place) {
        Cache::flush();
        $provider->places = ['authorization_endpoint' => $place];
        $this->as('fenna')->put('/office/company-sign-in', $given)->assertSessionHas('refused');
    }
    $provider->places = [];
    $provider->answers = false;
    Cache::flush();
    $this->as('fenna')->put('/office/company-sign-in', $given)->assertSessionHas('refused');
    config(['unanimus.hooks_anywhere' => false]);
    $this->as('fenna')->put('/office/company-sign-in', $given)->assertSessionHas('refused');
    $this->seeAll();
    expect(IdentityProvider::query()->count())->toBe(0);
    // Where somebody is sent, no other brokerage says.
    expect(DB::select('SELECT * FROM identity_provider_of(?)', ['tomas@quillmark.example']))->toBe([]);
});
