<?php

declare(strict_types=1);

use App\Access\SignIns;
use App\Models\Letter;
use App\Models\Sight;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;

const A_PHONE = 'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Mobile';
const A_COMPUTER = 'Mozilla/5.0 (Windows NT 10.0; Win64; x64)';

function signsIn(object $test, string $agent, string $password = 'lanternfish'): void
{
    Auth::forgetGuards();
    $test->flushSession();
    $test->withHeader('User-Agent', $agent)->post('/sign-in', ['email' => $test->people['tomas']->email, 'password' => $password]);
    $test->seeAll();
}

/** @return list<string> */
function lettersOfSignIn(): array
{
    return Letter::query()->where('recipient', 'like', 'tomas@%')->get()
        ->map(fn (Letter $letter) => (string) $letter->subject)
        ->filter(fn (string $subject) => str_contains($subject, 'sign-in') || str_contains($subject, 'sign in'))
        ->values()->all();
}

it('keeps when somebody signed in and failed to, and writes when it is on a new device', function () {
    signsIn($this, A_COMPUTER);
    signsIn($this, A_COMPUTER);
    expect(lettersOfSignIn())->toBe([]);
    signsIn($this, A_PHONE);
    signsIn($this, A_PHONE);
    expect(lettersOfSignIn())->toBe(['New sign-in from an iPhone']);
    signsIn($this, A_PHONE, 'wrong');
    $outcomes = array_map(fn (object $one) => "{$one->outcome}, {$one->device}", SignIns::of($this->people['tomas']));
    expect($outcomes)->toBe([
        'wrong password, an iPhone', 'in, an iPhone', 'in, an iPhone', 'in, a Windows computer', 'in, a Windows computer',
    ]);
    $this->as('tomas')->get('/me')->assertOk()->assertSee('Sign-ins')->assertSee('wrong password')->assertSee('an iPhone');
    $key = $this->people['tomas']->key;
    $this->as('fenna')->get("/people/{$key}")->assertSee('wrong password');
    $this->as('ines')->get("/people/{$key}")->assertOk()->assertDontSee('wrong password');
    // In the database, too: a colleague sees none of it.
    Sight::ofPerson($this->people['ines']->refresh());
    expect(DB::table('sign_ins')->count())->toBe(0);
});

it('leaves the request that signs in with no more in sight than the person has', function () {
    Auth::forgetGuards();
    $this->flushSession();
    Auth::login($this->people['tomas']);
    expect(DB::scalar("SELECT session_of('sight')"))->not->toBe('all')
        ->and((int) DB::scalar("SELECT session_of('person')"))->toBe($this->people['tomas']->id);
});

it('tells once a day that somebody tries to sign in', function () {
    $this->withoutMiddleware(Illuminate\Routing\Middleware\ThrottleRequests::class);
    for ($i = 0; $i < SignIns::MANY + 2; $i++) {
        signsIn($this, A_PHONE, 'wrong');
        expect(lettersOfSignIn())->toHaveCount($i < SignIns::MANY - 1 ? 0 : 1);
    }
    expect(lettersOfSignIn())->toBe(['Someone tries to sign in as you']);
    // An address that nobody has leaves nothing behind.
    $before = DB::table('sign_ins')->count();
    $this->post('/sign-in', ['email' => 'nobody@quillmark.example', 'password' => 'x']);
    $this->seeAll();
    expect(DB::table('sign_ins')->count())->toBe($before);
});

it('asks two steps of the roles that need them, before anything else', function () {
    foreach (['ines', 'wendell', 'tomas'] as $who) {
        $this->as($who)->put('/office/two-steps', ['roles' => ['agent']])->assertForbidden();
        Sight::ofPerson($this->people[$who]->refresh());
        $set = fn () => DB::transaction(fn () => DB::table('brokerages')->where('id', $this->people[$who]->brokerage_id)
            ->update(['two_step_roles' => '{agent}']));
        expect($set)->toThrow(PDOException::class, 'only administrators');
    }
    $this->as('fenna')->put('/office/two-steps', ['roles' => ['wizard']])->assertSessionHasErrors('roles.0');
    $this->as('fenna')->put('/office/two-steps', ['roles' => ['agent', 'bookkeeper']])->assertSessionHas('told');
    foreach (['tomas', 'marguerite'] as $who) {
        $this->people[$who]->refresh();
        $this->as($who)->get('/')->assertRedirect('/me')->assertSessionHas('refused');
        $this->as($who)->get('/me')->assertOk();
        $this->as($who)->postJson('/files', [])->assertForbidden()
            ->assertJsonPath('message', fn (string $told) => str_contains($told, 'two-step'));
    }
    $this->as('wendell')->get('/')->assertOk();
    $this->seeAll();
    DB::table('users')->where('id', $this->people['tomas']->id)->update(['second_factor' => 'x', 'second_factor_at' => now()]);
    $this->people['tomas']->refresh();
    $this->as('tomas')->get('/')->assertOk();
    $this->as('tomas')->delete('/me/second-factor', ['password' => 'lanternfish'])
        ->assertSessionHas('reason', AccessRefusal::TwoStepsOwed->value);
    // A role that is taken away takes that along; nobody is asked once the rule is gone.
    $this->seeAll();
    DB::table('office_roles')->where('user_id', $this->people['marguerite']->id)->delete();
    expect($this->people['marguerite']->refresh()->owes_two_step)->toBeFalse();
    $this->as('fenna')->put('/office/two-steps', [])->assertSessionHas('told', 'Saved.');
    $this->seeAll();
    expect($this->people['tomas']->refresh()->owes_two_step)->toBeFalse();
    $this->as('fenna')->get('/office/history')->assertSee('Two-step sign-in is required of: agent, bookkeeper')
        ->assertSee('Two-step sign-in is required of: no one');
});
