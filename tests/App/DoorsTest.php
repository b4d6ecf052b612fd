<?php

declare(strict_types=1);

use App\Access\RememberedDevices;
use App\Mail\ActionLink;
use App\Models\Brokerage;
use App\Models\InboundItem;
use App\Models\Letter;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\Totp;
use Unanimus\Signing\SigningRefusal;

it('answers under its own names only, and makes links from none of what a request claims', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $own = parse_url((string) config('app.url'));
    foreach (['evil.example', "{$own['host']}.evil.example", "evil.example:{$own['port']}"] as $host) {
        $this->call('GET', "http://{$host}/sign-in")->assertStatus(421);
        $this->call('POST', "http://{$host}/sign/".$this->signer($round, 'buyer.1')->token().'/consent', [
            'agree' => '1',
        ])->assertStatus(421);
    }
    $this->withHeaders(['X-Forwarded-Host' => 'evil.example', 'X-Forwarded-Proto' => 'https'])
        ->get('/sign-in')
        ->assertOk();
    $this->seeAll();
    expect($this->signer($round, 'buyer.1')->link())->toStartWith((string) config('app.url'));
    config(['unanimus.hosts' => 'deals.quillmark.example']);
    $this->call('GET', 'http://deals.quillmark.example/sign-in')->assertOk()->assertDontSee('deals.quillmark.example/');
});

it('believes a proxy that is configured, and no other', function () {
    Route::get('/whoami', static fn () => request()->ip().' '.(request()->isSecure() ? 'secure' : 'plain'))->withoutMiddleware('web');
    $claims = ['X-Forwarded-For' => '203.0.113.9', 'X-Forwarded-Proto' => 'https'];
    expect($this->withHeaders($claims)->get('/whoami')->getContent())->toBe('127.0.0.1 plain');
    config(['unanimus.proxies' => '127.0.0.1']);
    expect($this->withHeaders($claims)->get('/whoami')->getContent())
        ->toBe('203.0.113.9 secure')
        ->and($this->withHeaders($claims)->get('/sign-in')->headers->get('Strict-Transport-Security'))
        ->toContain('max-age');
});

it('answers whatever is sent in words', function (string $method, string $url, array $data) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $url = strtr($url, ['{file}' => $file->key, '{paper}' => $paper->key]);
    foreach ([[], ['Accept' => 'application/json'], ['HX-Request' => 'true']] as $headers) {
        $answer = $this->as('tomas')
            ->withHeaders($headers)
            ->call($method, $url, $data, server: $this->transformHeadersToServerVars($headers));
        expect($answer->getStatusCode())
            ->toBeLessThan(500, "{$method} {$url}")
            ->and((string) $answer->getContent())
            ->not->toContain('SQLSTATE')
            ->not->toContain('Stack trace');
        $this->seeAll();
    }
})->with(
    fn () => (static function () {
        foreach (
            [
                ['GET', '/files', ['q' => ['a']]],
                ['GET', '/files', ['q' => "a\0b"]],
                ['GET', '/files', ['q' => "\xED\xA0\x80"]],
                ['GET', '/find', ['q' => ['a' => ['b']]]],
                ['GET', '/files/{file}/history', ['before' => '99999999999999999999999']],
                ['GET', '/papers/{paper}/pages/99999999999999999999.webp', []],
                ['GET', '/papers/%00/pages/1.webp', []],
                ['GET', '/files/%00%FF', []],
                ['GET', '/papers/{paper}/log', ['at' => '99999999999999999999']],
                ['GET', '/papers/{paper}/log', ['at' => ['1']]],
                ['PUT', '/files/{file}/facts', ['name' => ['price'], 'value' => '1']],
                ['PUT', '/files/{file}/facts', ['name' => 'price', 'value' => ['1']]],
                ['PUT', '/files/{file}/facts', ['name' => 'price', 'value' => str_repeat('9', 40)]],
                ['PUT', '/files/{file}/facts', ['name' => 'inspection_days', 'value' => '99999999999999999999']],
                ['PUT', '/files/{file}/parties/buyer.99999999999999999999', ['name' => 'x']],
                ['PUT', '/files/{file}/parties/buyer.1', ['name' => ['x']]],
                ['POST', '/papers/{paper}/entries', ['blank' => ['buyers'], 'value' => 'x', 'key' => 'intruder1']],
                [
                    'POST',
                    '/papers/{paper}/pieces',
                    ['key' => 'intruder-1', 'kind' => 'tick', 'page' => '99999999999999999999', 'place' => ['1', '1', '9', '9']],
                ],
                ['POST', '/files/{file}/tasks', ['title' => ['x']]],
                ['POST', '/files/{file}/tasks', ['title' => 'x', 'days' => '99999999999']],
                ['GET', '/files/{file}/shift', ['anchor' => ['closing'], 'day' => 'x']],
                ['GET', '/files/{file}/forms', ['q' => ['x']]],
                ['POST', '/files/{file}/labels', ['labels' => ['x']]],
                ['GET', '/tasks', ['who' => ['x']]],
                ['GET', '/library/M-102/pages/99999999999999999999.webp', []],
                ['GET', '/library/M-102/pages/1.webp', ['rev' => ['x']]],
                ['GET', '/kits/x/papers/99999999999999999999', []],
                ['PUT', '/files/{file}/commission', ['rate' => ['3'], 'agent_share' => '50']],
                ['PUT', '/files/{file}/commission', ['rate' => '99999999999999999999', 'agent_share' => '50']],
                ['POST', '/files/{file}/papers', ['pdf' => 'x', 'key' => ['a']]],
                ['GET', '/contacts/propose', ['name' => ['x'], 'role' => ['y']]],
            ] as $index => $one
        ) {
            yield "case {$index}" => $one;
        }
    })(),
);

it('drops from text what can neither be kept nor drawn, wherever it comes in', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put("/files/{$file->key}/parties/buyer.1", ['name' => "Sunniva\u{FFFE} Ei\0de", 'email' => ''], ['HX-Request' => 'true'])
        ->assertOk();
    $this->as('tomas')->postJson('/papers/'.$this->paper($file, 'M-102')->key.'/entries', [
        'blank' => 'agent',
        'value' => "To\u{FFFF}m",
        'key' => 'entry-gate-1',
    ]);
    $this->seeAll();
    expect($file->parties()->where('role', 'buyer')->where('number', 1)->value('name'))->toBe('Sunniva Eide');
});

it('does not take the fetching of a page for its opening, and a person\'s act for it once', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->call('HEAD', $link)->assertOk();
    $this->get($link)->assertOk();
    expect($this->signer($round, 'buyer.1')->status)->toBe(Unanimus\Signing\SignerStatus::Invited);
    $this->post("{$link}/opened")->assertNoContent();
    $this->post("{$link}/opened")->assertNoContent();
    expect($this->signer($round, 'buyer.1')->status)
        ->toBe(Unanimus\Signing\SignerStatus::Opened)
        ->and($round->events()->where('kind', 'opened')->count())
        ->toBe(1);
});

it('takes so many questions and no more, and gathers them in one letter', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    foreach (range(1, 3) as $n) {
        $this->post("{$link}/ask", ['question' => "Question number {$n}?", 'once' => "q{$n}"])->assertRedirect($link);
    }
    $this->seeAll();
    $letter = Letter::query()->where('subject', 'like', 'Question about%')->sole();
    expect($letter->body)->toContain('number 1')->toContain('number 3');
    foreach (range(4, 12) as $n) {
        $this->post("{$link}/ask", ['question' => "Question number {$n}?", 'once' => "q{$n}"]);
    }
    $this->post("{$link}/ask", ['question' => 'One too many?', 'once' => 'q13'])->assertStatus(429);
});

it('keeps no link in a letter, and makes it as the letter goes out', function () {
    $round = $this->aRound($this->aFile());
    $signer = $this->signer($round, 'buyer.1');
    $letter = Letter::query()->where('recipient', 'sunniva@eide.example')->sole();
    $stored = json_encode(DB::table('letters')->get());
    expect($stored)->not->toContain($signer->token())->not->toContain('/sign/')->and(ActionLink::of($letter))->toBe($signer->link());
});

it('serves no page on a link that has ended, and lets nothing behind a link be kept for long', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $page = $this->get("{$link}/papers/0/pages/1.webp")->assertOk();
    expect((string) $page->headers->get('Cache-Control'))->not->toContain('immutable')->toContain('max-age=300');
    // Whose turn it is not yet sees none.
    $this->get('/sign/'.$this->signer($round, 'agent.1')->token().'/papers/0/pages/1.webp')->assertNotFound();
    $this->as('tomas')
        ->post("/rounds/{$round->key}/recall", ['reason' => 'new price'])
        ->assertRedirect();
    Auth::forgetGuards();
    $this->get("{$link}/papers/0/pages/1.webp")->assertNotFound();
    $this->get($link)->assertOk()->assertDontSee('pages/1.webp');
});

it('shows the sealed set on a link for some weeks and not for ever', function () {
    $round = $this->aRound($this->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get("{$link}/set.pdf")->assertOk();
    $this->travel(config('unanimus.signed_days') + 1)->days();
    $this->get("{$link}/set.pdf")->assertStatus(410);
    $this->get($link)->assertOk()->assertSee('no longer shows them');
});

it('takes nothing into a deal that has ended, by one rule for every route', function () {
    $file = $this->aFile();
    $places = placesIn($file);
    $this->seeAll();
    DB::table('deal_files')
        ->where('id', $file->id)
        ->update(['status' => 'terminated']);
    $goesOn = 0;
    foreach (guardedRoutes() as $name => [$method, $path, $data]) {
        if ($method === 'GET') {
            continue;
        }
        $route = Route::getRoutes()->match(Illuminate\Http\Request::create(strtok(strtr($path, $places), '?'), $method));
        if (in_array(App\Files\Http\OnlyOpenFiles::class, $route->excludedMiddleware(), true)) {
            $goesOn++;

            continue;
        }
        $answer = $this->as('tomas')
            ->withHeaders(['Accept' => 'application/json'])
            ->call(
                $method,
                strtr($path, $places),
                array_map(static fn ($one) => is_string($one) ? strtr($one, $places) : $one, $data),
                server: ['HTTP_ACCEPT' => 'application/json'],
            );
        expect([$name, $answer->getStatusCode()])
            ->toBe([$name, 409])
            ->and($answer->json('message'))
            ->toContain('terminated');
    }
    // What is filed, put away, tagged, paid, withdrawn and written after the end: each one here has been thought about.
    expect($goesOn)->toBeLessThan(64);
});

it('lets a signer do nothing in a deal that has ended', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    DB::table('deal_files')
        ->where('id', $file->id)
        ->update(['status' => 'terminated']);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->from($link)
        ->post("{$link}/consent", ['agree' => '1'])
        ->assertSessionHas('reason', SigningRefusal::DealEnded->value);
});

it('gives a letter to the brokerage whose letter box it came to', function () {
    $theirs = anotherBrokerage();
    $raw = "Message-ID: <1@x.example>\r\nFrom: a@x.example\r\nSubject: Survey\r\n\r\nHello";
    $this->call('POST', '/intake/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer their-token'], content: $raw)->assertCreated();
    // With more than one brokerage the installation's own token is nobody's.
    config(['unanimus.intake.token' => 'own-token']);
    $this->call('POST', '/intake/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer own-token'], content: $raw)->assertUnauthorized();
    App\Models\Sight::ofBrokerage($theirs->brokerage_id);
    expect(InboundItem::query()->sole()->subject)->toBe('Survey');
    $this->seeAll();
    expect(InboundItem::query()->count())
        ->toBe(0)
        ->and(Brokerage::query()->sole()->name)
        ->toBe('Quillmark Realty');
});

it('does not tell whether an address signs in elsewhere', function () {
    anotherBrokerage();
    $this->seeAll();
    $office = App\Models\Office::query()->where('name', 'Tidewick')->firstOrFail();
    $told = $this->as('fenna')
        ->post('/people', ['name' => 'Lucian', 'email' => 'lucian@harborstone.example', 'office' => $office->key, 'role' => 'agent'])
        ->assertSessionHas('told')
        ->getSession()
        ->get('told');
    $other = $this->as('fenna')
        ->post('/people', ['name' => 'Lucian', 'email' => 'nobody@harborstone.example', 'office' => $office->key, 'role' => 'agent'])
        ->assertSessionHas('told')
        ->getSession()
        ->get('told');
    expect($told)->toBe($other);
    $this->as('fenna')->get('/office')->assertOk()->assertSee('lucian@harborstone.example');
    $this->seeAll();
    expect(Letter::query()->where('recipient', 'lucian@harborstone.example')->sole()->body)->toContain(
        'already use this address at another brokerage',
    );
});

it('gives no new recovery codes while two-step sign-in is on', function () {
    $totp = Totp::fresh();
    DB::table('users')
        ->where('id', $this->people['tomas']->id)
        ->update([
            'second_factor' => Illuminate\Support\Facades\Crypt::encryptString($totp->secret()),
            'second_factor_at' => now(),
            'recovery_codes' => '["old"]',
        ]);
    $this->as('tomas')
        ->post('/me/second-factor/on', ['code' => $totp->code(now()->getTimestamp())])
        ->assertSessionHas('reason', AccessRefusal::SecondFactorKept->value);
    $this->as('tomas')
        ->post('/me/second-factor', ['password' => 'lanternfish'])
        ->assertSessionHas('reason', AccessRefusal::SecondFactorOn->value);
    $this->seeAll();
    expect(DB::table('users')->where('id', $this->people['tomas']->id)->value('recovery_codes'))->toBe('["old"]');
});

it('remembers each device for a month by itself, shows it, and ends it', function () {
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish', 'remember' => '1'])->assertRedirect('/');
    $cookies = collect(app('cookie')->getQueuedCookies());
    $cookie = $cookies->first(static fn ($one) => str_starts_with($one->getName(), 'remember_'));
    expect($cookie)
        ->not->toBeNull()
        ->and(($cookie->getExpiresTime() - time()) / 86400)
        ->toBeGreaterThan(29)
        ->toBeLessThan(30.1);
    Auth::forgetGuards();
    $this->seeAll();
    [$id, $token] = explode('|', (string) $cookie->getValue());
    $provider = Auth::getProvider();
    expect($provider->retrieveByToken($id, $token)?->email)
        ->toBe('tomas@quillmark.example')
        ->and($provider->retrieveByToken($id, 'another'))
        ->toBeNull();
    $device = RememberedDevices::of($this->people['tomas'])[0];
    $this->as('tomas')->get('/me')->assertOk()->assertSee('Devices that stay signed in');
    $this->as('tomas')
        ->delete("/me/remembered/{$device->key}")
        ->assertSessionHas('told');
    $this->seeAll();
    expect($provider->retrieveByToken($id, $token))->toBeNull();
});

it('limits how often a password can be tried from inside', function () {
    foreach (range(1, 6) as $n) {
        $this->as('tomas')
            ->put('/password', ['current' => 'wrong', 'password' => 'another one', 'password_confirmation' => 'another one'])
            ->assertSessionHasErrors('current');
    }
    $this->as('tomas')
        ->put('/password', ['current' => 'wrong', 'password' => 'another one', 'password_confirmation' => 'another one'])
        ->assertStatus(429);
});

it('signs in again where one is, and tells an open page whether its session holds', function () {
    $this->getJson('/sign-in/standing')->assertStatus(401);
    $answer = $this->postJson('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])->assertOk();
    expect($answer->json('who'))->toBe($this->people['tomas']->key)->and($answer->json('token'))->not->toBeEmpty();
    $this->getJson('/sign-in/standing')->assertOk()->assertJsonPath('who', $this->people['tomas']->key);
});

it('tells what is to be told although the page asks for something by itself in between', function () {
    $file = $this->aFile();
    $wrong = fn () => $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'terminated', 'reason' => ''])
        ->assertSessionHas('refused');
    $wrong();
    // A picture, a page that watches, and an entry that is stored: none of them is the page the person goes to.
    foreach (['no-cors', 'cors', 'same-origin'] as $mode) {
        $this->as('tomas')->get("/files/{$file->key}/uploads", ['Sec-Fetch-Mode' => $mode])->assertOk();
    }
    $this->as('tomas')->getJson("/files/{$file->key}/uploads")->assertOk();
    $this->as('tomas')->get("/files/{$file->key}", ['Sec-Fetch-Mode' => 'navigate'])->assertSee('Give a reason for ending the file.');
    $this->as('tomas')->get("/files/{$file->key}", ['Sec-Fetch-Mode' => 'navigate'])->assertDontSee('Give a reason for ending the file.');
});
