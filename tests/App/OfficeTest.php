<?php

declare(strict_types=1);

use App\Access\Invitation;
use App\Access\SecondFactor;
use App\Mail\ActionLink;
use App\Models\Letter;
use App\Models\Office;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\Totp;

it('invites someone by mail, who chooses a password once', function () {
    $office = Office::query()->where('name', 'Tidewick')->firstOrFail();
    $this->as('fenna')
        ->post('/people', [
            'name' => 'Ottilie Brightwater',
            'email' => 'ottilie@quillmark.example',
            'office' => $office->key,
            'role' => 'agent',
        ])
        ->assertSessionHas('told');
    $this->as('fenna')
        ->post('/people', ['name' => 'Again', 'email' => 'Ottilie@Quillmark.example', 'office' => $office->key, 'role' => 'agent'])
        ->assertSessionHas('reason', AccessRefusal::AddressTaken->value);
    $this->seeAll();
    $user = User::query()->where('email', 'ottilie@quillmark.example')->firstOrFail();
    $letter = Letter::query()->where('recipient', 'ottilie@quillmark.example')->sole();
    $link = (string) ActionLink::of($letter);
    expect($link)->toBe(Invitation::link($user, $letter->created_at))->and($letter->action)->not->toContain('http');
    Auth::forgetGuards();
    $this->get($link)->assertOk()->assertSee('Welcome, Ottilie Brightwater');
    $this->get(substr($link, 0, -1).(str_ends_with($link, '0') ? '1' : '0'))->assertSee('This invitation no longer works');
    $this->post($link, ['password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
    $this->post($link, ['password' => 'lantern and fish', 'password_confirmation' => 'lantern and fish'])->assertRedirect('/');
    Auth::forgetGuards();
    $this->seeAll();
    expect(Hash::check('lantern and fish', $user->refresh()->password))->toBeTrue()->and($user->invited_at)->toBeNull();
    $this->flushSession();
    $this->get($link)->assertSee('This invitation no longer works');
});

it('lets brokers run their own office and only administrators make brokers', function (
    string $who,
    string $office,
    string $role,
    bool $may,
) {
    $key = Office::query()->where('name', $office)->firstOrFail()->key;
    $answer = $this->as($who)->post('/people', ['name' => 'New', 'email' => 'new@quillmark.example', 'office' => $key, 'role' => $role]);
    $may
        ? $answer->assertSessionHas('told')
        : (in_array($who, ['tomas', 'wendell'], true)
            ? $answer->assertForbidden()
            : $answer->assertSessionHas('refused'));
})->with([
    ['fenna', 'Pellingford', 'broker', true],
    ['dario', 'Tidewick', 'agent', true],
    ['dario', 'Pellingford', 'agent', false],
    ['dario', 'Tidewick', 'administrator', false],
    ['tomas', 'Tidewick', 'agent', false],
    ['wendell', 'Tidewick', 'agent', false],
]);

it('sets roles, closes access on every device, and never leaves the brokerage without an administrator', function () {
    $tidewick = Office::query()->where('name', 'Tidewick')->firstOrFail();
    $caleb = $this->people['caleb'];
    $this->as('fenna')
        ->put("/people/{$caleb->key}/roles", ['office' => $tidewick->key, 'roles' => ['agent', 'coordinator']])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($caleb->fresh()->officeRoles()->where('office_id', $tidewick->id)->orderBy('role')->pluck('role')->all())->toBe([
        Role::Agent,
        Role::Coordinator,
    ]);
    DB::table('sessions')->insert(['id' => 'caleb-session', 'user_id' => $caleb->id, 'payload' => '', 'last_activity' => time()]);
    $this->as('fenna')
        ->post("/people/{$caleb->key}/active")
        ->assertSessionHas('told');
    $this->seeAll();
    expect(DB::table('sessions')->where('user_id', $caleb->id)->count())
        ->toBe(0)
        ->and($caleb->fresh()->active)
        ->toBeFalse();
    Auth::forgetGuards();
    $this->post('/sign-in', ['email' => $caleb->email, 'password' => 'lanternfish'])->assertSessionHasErrors('email');
    $fenna = $this->people['fenna'];
    $this->as('fenna')
        ->post("/people/{$fenna->key}/active")
        ->assertSessionHas('reason', AccessRefusal::OwnAccess->value);
    $this->as('fenna')
        ->put("/people/{$fenna->key}/roles", ['office' => $tidewick->key, 'roles' => []])
        ->assertSessionHas('reason', AccessRefusal::LastAdministrator->value);
    foreach ([['GET', ''], ['PUT', '/roles'], ['POST', '/active'], ['POST', '/invitation']] as [$method, $path]) {
        $this->as('tomas')
            ->call($method, "/people/{$caleb->key}{$path}", ['office' => $tidewick->key])
            ->assertForbidden();
    }
});

it('computes dates by the office\'s own holidays and zone', function () {
    $file = $this->aFile(['acceptance' => '2026-11-23']);
    $office = $file->office;
    $this->as('tomas')
        ->put("/offices/{$office->key}", ['name' => $office->name, 'zone' => 'America/Chicago'])
        ->assertForbidden();
    $this->as('dario')
        ->put("/offices/{$office->key}", ['name' => $office->name, 'zone' => 'America/Chicago', 'holidays' => "2026-11-27 The day after\n"])
        ->assertSessionHas('told');
    $this->as('dario')
        ->put("/offices/{$office->key}", ['name' => $office->name, 'zone' => 'Merrow/Tidewick'])
        ->assertSessionHasErrors('zone');
    $this->as('dario')
        ->put("/offices/{$office->key}", ['name' => $office->name, 'zone' => 'America/Chicago', 'holidays' => '2026-02-30 never'])
        ->assertSessionHas('refused');
    $this->as('tomas')
        ->get("/files/{$file->key}/dates")
        ->assertSee('Mon, Nov 30');
    $this->as('dario')
        ->post('/offices', ['name' => 'X', 'zone' => 'America/Chicago'])
        ->assertForbidden();
    $this->as('fenna')
        ->post('/offices', ['name' => 'Saltreach', 'zone' => 'America/New_York'])
        ->assertSessionHas('told');
});

it('asks for the second factor at sign-in, takes each code once, and recovery codes', function () {
    $user = $this->people['tomas'];
    $this->as('tomas')
        ->post('/me/second-factor', ['password' => 'wrong'])
        ->assertSessionHasErrors('password');
    $this->as('tomas')
        ->post('/me/second-factor', ['password' => 'lanternfish'])
        ->assertSessionHas('told');
    $this->as('tomas')->get('/me/second-factor.svg')->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
    $this->seeAll();
    $totp = Totp::of((string) $user->fresh()->second_factor);
    expect(DB::table('users')->where('id', $user->id)->value('second_factor'))->not->toContain($totp->secret());
    $later = now()->addMinutes(10)->startOfMinute();
    Carbon::setTestNow($later);
    $code = fn () => $totp->code(Totp::step(now()->getTimestamp()));
    $this->as('tomas')
        ->post('/me/second-factor/on', ['code' => '000000'])
        ->assertSessionHasErrors('code');
    $codes = [];
    $this->as('tomas')
        ->post('/me/second-factor/on', ['code' => $code()])
        ->assertSessionHas('codes', function (array $given) use (&$codes) {
            $codes = $given;

            return count($given) === 10;
        });
    $this->as('tomas')->get('/me/second-factor.svg')->assertNotFound();
    $signIn = function () use ($user) {
        Auth::forgetGuards();
        $this->flushSession();
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'lanternfish'])->assertRedirect('/sign-in/code');
        expect(Auth::check())->toBeFalse();
        $this->get('/')->assertRedirect('/sign-in');
    };
    $signIn();
    $this->post('/sign-in/code', ['code' => $code()])->assertSessionHasErrors('code');
    Carbon::setTestNow($later->copy()->addMinutes(2));
    $this->post('/sign-in/code', ['code' => $code()])->assertRedirect('/');
    $signIn();
    $this->post('/sign-in/code', ['code' => $codes[4]])->assertRedirect('/');
    $signIn();
    $this->post('/sign-in/code', ['code' => $codes[4]])->assertSessionHasErrors('code');
    Carbon::setTestNow($later->copy()->addMinutes(20));
    $this->post('/sign-in/code', ['code' => $codes[5]])->assertRedirect('/sign-in');
    Carbon::setTestNow();
    $this->seeAll();
    expect(SecondFactor::isOn($user->fresh()))->toBeTrue()->and($user->fresh()->recovery_codes)->toHaveCount(9);
    $this->as('tomas')
        ->delete('/me/second-factor', ['password' => 'lanternfish'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect(SecondFactor::isOn($user->fresh()))->toBeFalse();
});

it('asks nobody for a code who has none, and shows no code page without a password', function () {
    $this->get('/sign-in/code')->assertRedirect('/sign-in');
    $this->post('/sign-in/code', ['code' => '123456'])->assertRedirect('/sign-in');
    $this->post('/sign-in', ['email' => 'priya@quillmark.example', 'password' => 'lanternfish'])->assertRedirect('/');
});

it('lists one\'s own sessions and ends another', function () {
    DB::table('sessions')->insert([
        [
            'id' => 'my-phone',
            'user_id' => $this->people['tomas']->id,
            'ip_address' => '192.0.2.7',
            'user_agent' => 'Phone (Handset)',
            'payload' => '',
            'last_activity' => time(),
        ],
        [
            'id' => 'not-mine',
            'user_id' => $this->people['caleb']->id,
            'ip_address' => '192.0.2.8',
            'user_agent' => '',
            'payload' => '',
            'last_activity' => time(),
        ],
    ]);
    $this->as('tomas')->get('/me')->assertSee('192.0.2.7')->assertDontSee('192.0.2.8');
    $this->as('tomas')->delete('/me/sessions/'.hash('sha256', 'not-mine'));
    $this->as('tomas')
        ->delete('/me/sessions/'.hash('sha256', 'my-phone'))
        ->assertSessionHas('told');
    expect(
        DB::table('sessions')
            ->whereIn('id', ['my-phone', 'not-mine'])
            ->pluck('id')
            ->all(),
    )->toBe(['not-mine']);
});

it('shows lanes of one person, and on one page to print', function () {
    $this->aFile(['acceptance' => '2026-11-20', 'closing' => '2026-12-18']);
    $this->as('ines')
        ->get('/?who='.$this->people['tomas']->key)
        ->assertOk()
        ->assertSee('of Tomás Reyes-Whitlock')
        ->assertSee('14 Lanternfish Lane');
    $this->as('ines')->get('/?print=1&by=quarter')->assertOk()->assertSee('Print on one page')->assertSee('14 Lanternfish Lane');
});

it('says beside each place who changed it last, to those who read the history', function () {
    $this->as('wendell')->post('/office/shelf', ['title' => 'Tax rolls', 'url' => 'https://rolls.example'])->assertSessionHas('told');
    $this->as('ines')->get('/office/shelf')->assertOk()->assertSee('Changed last by Wendell Achterberg')
        ->assertSee('“Tax rolls” put on the shelf');
    $this->as('ines')->get('/office/library')->assertDontSee('put on the shelf');
    $this->as('priya')->get('/office/shelf')->assertOk()->assertDontSee('Changed last by');
});

it('opens another brokerage beside the first, which see nothing of each other, and closes it', function () {
    $this->aFile();
    $open = fn (array $more = []) => Artisan::call('brokerage:open', ['name' => 'Fernhollow Realty', '--office' => 'Fernhollow',
        '--zone' => 'America/Chicago', '--administrator' => 'Odile Marchetti', '--email' => 'odile@fernhollow.example', ...$more]);
    expect($open(['--zone' => 'Mars/Dome']))->toBe(1)
        ->and($open(['--email' => 'nobody']))->toBe(1)
        ->and($open(['--email' => 'tomas@quillmark.example']))->toBe(1)
        ->and($open(['--administrator' => ' ']))->toBe(1)
        ->and($open())->toBe(0, Artisan::output())
        ->and($open())->toBe(1);
    $all = Sight::brokerages();
    $new = max($all);
    Sight::ofBrokerage($new);
    $odile = User::query()->where('email', 'odile@fernhollow.example')->sole();
    expect($odile->holds(Role::Administrator))->toBeTrue()
        ->and(DB::table('letters')->where('recipient', 'odile@fernhollow.example')->count())->toBe(1)
        ->and(DB::table('deal_files')->count())->toBe(0)
        ->and(DB::table('users')->count())->toBe(1);
    Auth::setUser($odile);
    $this->get('/office')->assertOk()->assertSee('Odile Marchetti')->assertDontSee('Priya Anand');
    $this->seeAll();
    expect(Artisan::call('brokerage:close', ['number' => $new, '--name' => 'Another']))->toBe(1)
        ->and(Artisan::call('brokerage:close', ['number' => $new, '--name' => 'Fernhollow Realty']))->toBe(0);
    Sight::ofBrokerage($new);
    expect($odile->refresh()->active)->toBeFalse();
    $this->seeAll();
    expect($this->people['tomas']->refresh()->active)->toBeTrue();
});
