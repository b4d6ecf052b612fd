<?php

declare(strict_types=1);

use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

it('names every route that needs a sign-in in the tables of refusals', function () {
    foreach (Route::getRoutes() as $route) {
        if (! in_array('auth', $route->gatherMiddleware(), true) || Str::is(routesWithoutFile(), $route->uri())) {
            continue;
        }
        $needle = preg_replace('/\{\w+\}/', '*', $route->uri());
        $found = array_filter(
            guardedRoutes(),
            static fn (array $one) => in_array($one[0], $route->methods(), true) &&
                Str::is('/'.$needle, strtok((string) preg_replace('/\{\w+\}/', 'x', $one[1]), '?')),
        );
        expect($found)->not->toBe([], implode('|', $route->methods()).' '.$route->uri().' is in no table of refusals');
    }
});

/** Sends every guarded route and tells which did not answer so. @return list<string> */
function answeringOtherwise(array $places, int $status, callable $before): array
{
    $otherwise = [];
    foreach (guardedRoutes() as $name => [$method, $path, $data]) {
        $data = array_map(
            static fn ($value) => is_array($value) ? array_map(static fn (string $one) => strtr($one, $places), $value) : $value,
            $data,
        );
        $before();
        $answer = test()->call($method, strtr($path, $places), $data);
        ($answer->getStatusCode() === $status &&
            ($status !== 302 || str_ends_with((string) $answer->headers->get('Location'), '/sign-in'))) ||
            ($otherwise[] = "{$name}: {$answer->getStatusCode()}");
    }

    return $otherwise;
}

it('shows nothing to someone who is not signed in', function () {
    expect(answeringOtherwise(placesIn($this->aFile()), 302, static fn () => Auth::forgetGuards()))->toBe([]);
    $this->get('/files')->assertRedirect('/sign-in');
});

it('shows nothing to an agent who does not serve the file', function () {
    expect(answeringOtherwise(placesIn($this->aFile()), 404, fn () => $this->as('caleb')))->toBe([]);
});

it('shows nothing to a broker of another brokerage', function () {
    $places = placesIn($this->aFile());
    $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('brokerages', 'id')) AS id")->id;
    Sight::ofBrokerage($id);
    DB::insert('INSERT INTO brokerages (id, key, name) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?)', [
        $id,
        (string) Str::ulid(),
        'Saltreach Coast Realty',
    ]);
    $office = Office::create(['brokerage_id' => $id, 'name' => 'Saltreach', 'zone' => 'America/New_York', 'holidays' => []]);
    $stranger = User::create([
        'brokerage_id' => $id,
        'name' => 'Anneke Thorvald',
        'email' => 'anneke@coast.example',
        'password' => Hash::make('x'),
    ]);
    OfficeRole::create(['brokerage_id' => $id, 'user_id' => $stranger->id, 'office_id' => $office->id, 'role' => 'broker']);
    $stranger = $stranger->fresh();
    expect(answeringOtherwise($places, 404, fn () => $this->actingAs($stranger)))->toBe([]);
});

it('lets those who see a file but do not work on it only look', function (
    string $who,
    string $method,
    string $path,
    array $data,
    int $status,
) {
    $places = placesIn($this->aFile());
    $this->as($who)->call($method, strtr($path, $places), $data)->assertStatus($status);
})->with([
    'bookkeeper sees' => ['marguerite', 'GET', '/files/{file}', [], 200],
    'bookkeeper sees the commission' => ['marguerite', 'GET', '/files/{file}/commission', [], 200],
    'bookkeeper enters no terms' => ['marguerite', 'PUT', '/files/{file}/facts', ['name' => 'price', 'value' => '1'], 403],
    'bookkeeper authorizes nothing' => ['marguerite', 'POST', '/files/{file}/commission/authorize', [], 403],
    'administrator fills nothing' => [
        'fenna',
        'POST',
        '/papers/{paper}/entries',
        ['blank' => 'buyers', 'value' => 'x', 'key' => 'fenna-key-1'],
        403,
    ],
    'administrator sees no commission' => ['fenna', 'GET', '/files/{file}/commission', [], 403],
    'agent reviews nothing' => ['tomas', 'GET', '/review/{requirement}', [], 403],
    'agent accepts nothing' => ['tomas', 'POST', '/requirements/{requirement}/accept', [], 403],
    'agent sends nothing back' => ['tomas', 'POST', '/requirements/{requirement}/send-back', ['remark' => 'x'], 403],
    'agent waives nothing' => ['tomas', 'POST', '/requirements/{requirement}/waive', ['reason' => 'x'], 403],
    'agent authorizes nothing' => ['tomas', 'POST', '/files/{file}/commission/authorize', [], 403],
    'coordinator works on it' => ['wendell', 'GET', '/files/{file}/opening', [], 200],
    'broker of the office works on it' => ['ines', 'GET', '/files/{file}/opening', [], 200],
]);

it('keeps the review desk and opening files to those whose work it is', function (string $who, string $path, int $status) {
    $this->as($who)->get($path)->assertStatus($status);
})->with([
    ['tomas', '/review', 403],
    ['ines', '/review', 200],
    ['marguerite', '/open', 403],
    ['fenna', '/open', 403],
    ['tomas', '/open', 200],
    ['wendell', '/open', 200],
    ['fenna', '/commission', 403],
    ['marguerite', '/commission', 200],
]);

it('holds the line in the database itself', function () {
    $file = $this->aFile();
    $count = static fn (string $table) => DB::table($table)->count();
    Sight::ofPerson($this->people['caleb']->fresh());
    foreach (['deal_files', 'facts', 'parties', 'papers', 'paper_entries', 'requirements', 'history'] as $table) {
        expect($count($table))->toBe(0, $table);
    }
    Sight::ofPerson($this->people['tomas']->fresh());
    expect($count('deal_files'))->toBe(1)->and($count('papers'))->toBeGreaterThan(3);
    Sight::ofPerson($this->people['dario']->fresh());
    expect($count('deal_files'))->toBe(1);
    Sight::ofFile($file->brokerage_id + 1, $file->id);
    expect($count('deal_files'))->toBe(0);
    DB::select(
        "SELECT set_config('unanimus.brokerage', '', true), set_config('unanimus.person', '', true), set_config('unanimus.offices', '{}', ".
            "true), set_config('unanimus.file', '', true), set_config('unanimus.sight', '', true)",
    );
    expect($count('facts'))->toBe(0)->and($count('users'))->toBe(0)->and($count('offices'))->toBe(0);
});

it('lets nobody write rows into another brokerage', function () {
    $this->aFile();
    DB::table('offices')->insert([
        'brokerage_id' => $this->people['tomas']->brokerage_id + 1,
        'key' => (string) Str::ulid(),
        'name' => 'x',
        'zone' => 'UTC',
        'holidays' => '{}',
    ]);
})->throws(QueryException::class, 'row-level security');

it('lets the application neither change nor take away what is append-only', function (string $statement) {
    $this->aRound($this->aFile());
    DB::statement($statement);
})
    ->with([
        "UPDATE history SET what = 'x'",
        'DELETE FROM history',
        'TRUNCATE history',
        "UPDATE round_events SET kind = 'x'",
        'DELETE FROM paper_entries',
        'UPDATE blobs SET size = 0',
        'DELETE FROM paper_versions',
        'DELETE FROM deal_files',
        'ALTER TABLE history DISABLE TRIGGER ALL',
        'ALTER TABLE deal_files DISABLE ROW LEVEL SECURITY',
        'SELECT * FROM migrations',
        'SELECT * FROM search_words',
    ])
    ->throws(QueryException::class);

it('leaves nothing of one request\'s sight to the next', function () {
    $this->aFile();
    $this->as('tomas')->get('/files')->assertSee('14 Lanternfish Lane');
    $this->as('caleb')->get('/files')->assertDontSee('14 Lanternfish Lane');
});

it('signs in with the right password only, and renews the session', function () {
    $this->get('/sign-in')->assertOk();
    $before = session()->getId();
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
    $this->assertGuest();
    $this->post('/sign-in', ['email' => 'TOMAS@quillmark.example', 'password' => 'lanternfish'])->assertRedirect('/');
    expect(session()->getId())->not->toBe($before);
    $this->assertAuthenticated();
});

it('slows down guessing', function () {
    foreach (range(1, 8) as $try) {
        $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => "guess{$try}"])->assertStatus(302);
    }
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])
        ->assertStatus(429)
        ->assertSee('Too many attempts');
});

it('lets a deactivated person in nowhere', function () {
    DB::table('users')
        ->where('id', $this->people['tomas']->id)
        ->update(['active' => false]);
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])->assertSessionHasErrors('email');
    $this->assertGuest();
});

it('signs out on every device', function () {
    $id = $this->people['tomas']->id;
    DB::table('sessions')->insert(['id' => 'other-device', 'user_id' => $id, 'payload' => '', 'last_activity' => time()]);
    $this->as('tomas')->post('/sign-out/everywhere')->assertRedirect('/sign-in');
    expect(DB::table('sessions')->where('user_id', $id)->count())->toBe(0);
});

it('changes a password only with the present one', function () {
    $this->as('tomas')
        ->put('/password', ['current' => 'no', 'password' => 'a-new-long-one', 'password_confirmation' => 'a-new-long-one'])
        ->assertSessionHasErrors('current');
    $this->as('tomas')
        ->put('/password', ['current' => 'lanternfish', 'password' => 'short', 'password_confirmation' => 'short'])
        ->assertSessionHasErrors('password');
    $this->as('tomas')
        ->put('/password', ['current' => 'lanternfish', 'password' => 'a-new-long-one', 'password_confirmation' => 'a-new-long-one'])
        ->assertSessionHasNoErrors();
    $this->seeAll();
    expect(
        Hash::check('a-new-long-one', (string) DB::table('users')->where('id', $this->people['tomas']->id)->value('password')),
    )->toBeTrue();
});

it('tells the browser what it may not do', function () {
    $response = $this->get('/sign-in');
    $policy = (string) $response->headers->get('Content-Security-Policy');
    expect($policy)
        ->toContain("script-src 'self'")
        ->toContain("style-src 'self'")
        ->toContain("frame-ancestors 'none'")
        ->not->toContain('unsafe')
        ->and($response->headers->get('X-Content-Type-Options'))
        ->toBe('nosniff')
        ->and($response->headers->get('X-Request-Id'))
        ->toMatch('/^[0-9a-f]{12}$/')
        ->and($response->headers->get('Cache-Control'))
        ->toContain('no-store')
        ->and(preg_match('/<script(?![^>]*src=)|\sstyle="|\son[a-z]+="/', (string) $response->getContent()))
        ->toBe(0);
});

it('writes no page with inline script or style', function (string $path) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $html = (string) $this->as('ines')->get(strtr($path, ['{file}' => $file->key, '{paper}' => $paper->key]))->assertOk()->getContent();
    expect(preg_match('/<script(?![^>]*src=)|\sstyle="|\son[a-z]+="|javascript:/', $html))->toBe(0);
})->with([
    '/',
    '/files',
    '/open',
    '/files/{file}',
    '/files/{file}/opening',
    '/papers/{paper}',
    '/review',
    '/commission',
    '/files/{file}/commission',
    '/office',
    '/style',
]);

it('answers what is not there in the look, with a request number', function () {
    $this->as('tomas')->get('/nothing-here')->assertNotFound()->assertSee('Page not found')->assertSee('Request');
    $this->as('tomas')->get('/files/01ARZ3NDEKTSV4RRFFQ69G5FAV')->assertNotFound();
    $this->as('tomas')->get("/files/1'%20OR%201=1")->assertNotFound();
});

it('tells whether it is well', function () {
    $this->get('/up')
        ->assertOk()
        ->assertJson(['ok' => true, 'database' => true, 'disk' => true, 'queue' => true]);
});

it('keeps names, addresses and links out of the log', function () {
    expect(App\Access\Http\RequestId::redact('mail to sunniva@eide.example failed at /sign/01ABC.def-_x'))->toBe(
        'mail to (address) failed at /sign/(link)',
    );
});

it('sends whoever was refused back to the page they were on, not to one of its pictures or what another tab opened', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')->get("/files/{$file->key}/offers");
    $this->get("/files/{$file->key}");
    $this->get("/papers/{$paper->key}/pages/1.webp")->assertOk();
    $this->get("/papers/{$paper->key}", ['Sec-Fetch-Dest' => 'iframe']);
    $this->post("/files/{$file->key}/rounds", ['papers' => []])
        ->assertSessionHasErrors('papers')
        ->assertRedirect("/files/{$file->key}");
    $this->get('/files');
    $this->post("/files/{$file->key}/rounds", ['papers' => []], ['Referer' => url("/files/{$file->key}")])->assertRedirect(
        "/files/{$file->key}",
    );
    expect($this->get('/')->headers->get('Referrer-Policy'))->toBe('same-origin');
});

it('stores nothing that a page left open sends after someone else has signed in', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-230');
    $send = fn (string $who, array $more) => $this->as($who)->postJson(
        "/papers/{$paper->key}/entries",
        ['blank' => 'known_no', 'value' => 'x', 'key' => "same-person-{$who}"],
        $more,
    );
    $tomas = $this->people['tomas']->key;
    $send('wendell', ['X-Person' => $tomas])->assertStatus(419);
    $send('wendell', ['X-Person' => ''])->assertStatus(419);
    $this->seeAll();
    expect(DB::table('paper_entries')->where('paper_id', $paper->id)->where('blank', 'known_no')->count())->toBe(0);
    $send('tomas', ['X-Person' => $tomas])->assertOk();
    $send('wendell', [])->assertOk();
});
