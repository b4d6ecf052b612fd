<?php

declare(strict_types=1);

use App\Access\PasswordReset;
use App\Models\Letter;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Tests\Support\AppCase;

/** Nobody is signed in here any more. */
function signedOut(AppCase $case): void
{
    Auth::guard()->logout();
    Auth::forgetGuards();
    $case->flushSession();
}

/** @return string the path in the email that went to somebody */
function resetPath(AppCase $case): string
{
    $case->seeAll();
    $letter = Letter::query()->where('once_key', 'like', 'forgotten:%')->sole();

    return (string) parse_url((string) App\Mail\ActionLink::of($letter), PHP_URL_PATH);
}

it('lets somebody who forgot their password choose another by a link in an email, once, and signs everyone else out', function () {
    /** @var AppCase $this */
    signedOut($this);
    $this->post('/sign-in/forgot', ['email' => ' Tomas@quillmark.example '])->assertRedirect('/sign-in')->assertSessionHas('told');
    $this->post('/sign-in/forgot', ['email' => 'tomas@quillmark.example'])->assertRedirect('/sign-in');
    $path = resetPath($this);
    $tomas = $this->people['tomas'];
    DB::table('sessions')->insert(['id' => str_repeat('x', 40), 'user_id' => $tomas->id, 'payload' => '', 'last_activity' => time()]);
    $this->get($path)->assertOk()->assertSee('tomas@quillmark.example');
    $this->post($path, ['password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
    $this->post($path, ['password' => 'thistle-hollow', 'password_confirmation' => 'thistle-hollow'])->assertRedirect('/sign-in');
    expect(Auth::check())->toBeFalse();
    $this->get($path)->assertOk()->assertSee('no longer works');
    $this->post($path, ['password' => 'another-one-yet', 'password_confirmation' => 'another-one-yet'])->assertNotFound();
    $this->seeAll();
    expect(Hash::check('thistle-hollow', (string) DB::table('users')->where('id', $tomas->id)->value('password')))->toBeTrue()
        ->and(DB::table('sessions')->where('user_id', $tomas->id)->exists())->toBeFalse()
        ->and(DB::table('brokerage_history')->where('what', 'Password changed')->count())->toBe(1);
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'thistle-hollow'])->assertRedirect('/');
});

it('says the same to everyone who asks, and writes to nobody who does not sign in here', function () {
    /** @var AppCase $this */
    signedOut($this);
    $this->seeAll();
    DB::table('users')->where('id', $this->people['priya']->id)->update(['active' => false]);
    $said = [];
    foreach (['tomas@quillmark.example', 'nobody@elsewhere.example', 'priya@quillmark.example', 'x'] as $address) {
        $this->post('/sign-in/forgot', ['email' => $address])->assertRedirect('/sign-in');
        $said[] = session('told');
    }
    $this->seeAll();
    expect(array_unique($said))->toHaveCount(1)->and(Letter::query()->where('once_key', 'like', 'forgotten:%')->count())->toBe(1);
});

it('takes no link that is older, or made up', function () {
    /** @var AppCase $this */
    signedOut($this);
    $tomas = $this->people['tomas'];
    $old = (string) parse_url(PasswordReset::link($tomas, now()->subHours(3)), PHP_URL_PATH);
    $this->get($old)->assertSee('no longer works');
    $new = (string) parse_url(PasswordReset::link($tomas), PHP_URL_PATH);
    $this->get($new)->assertSee('Another password');
    $this->post(strrev(substr(strrev($new), 1)).(str_ends_with($new, '0') ? '1' : '0'), [
        'password' => 'thistle-hollow', 'password_confirmation' => 'thistle-hollow',
    ])->assertNotFound();
    $this->get(str_replace($tomas->key, $this->people['ines']->key, $new))->assertSee('no longer works');
});
