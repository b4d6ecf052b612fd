<?php

declare(strict_types=1);

use App\Access\Sight;
use App\Access\User;
use App\Assembly\Actions\KeepReadingCopy;
use App\Assembly\Actions\KeepSet;
use App\Assembly\SetOptions;
use App\Files\Models\DealFile;
use App\Forms\Actions\KeepFillRequest;
use App\Office\Models\Office;
use App\Office\Models\OfficeRole;
use App\Papers\Chosen;
use App\Signing\Actions\ComposeRound;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

/** Every route that names a file or something in one, with what to send it. @return array<string, array{string, string, array<string, mixed>}> */
function guardedRoutes(): array
{
    return [
        'see a file' => ['GET', '/files/{file}', []],
        'the opening sheet' => ['GET', '/files/{file}/opening', []],
        'set a term' => ['PUT', '/files/{file}/facts', ['name' => 'price', 'value' => '1']],
        'seat a person' => ['PUT', '/files/{file}/parties/buyer.1', ['name' => 'Intruder']],
        'bring a listing' => ['POST', '/files/{file}/listing', ['number' => 'TR-26-04182']],
        'mark a deadline' => ['POST', '/files/{file}/deadlines/inspection', []],
        'status' => ['POST', '/files/{file}/status', ['status' => 'terminated', 'reason' => 'x']],
        'log of a paper' => ['GET', '/papers/{paper}/log', []],
        'another revision' => ['GET', '/papers/{paper}/revision', []],
        'go over to another revision' => ['POST', '/papers/{paper}/revision', ['revision' => 'x', 'key' => 'intruder-1']],
        'write on a page' => ['POST', '/papers/{paper}/pieces', ['key' => 'intruder-1', 'kind' => 'tick', 'page' => 1, 'place' => ['1', '1', '9', '9']]],
        'bring a state back' => ['POST', '/papers/{paper}/log', ['at' => 0, 'key' => 'intruder-1']],
        'papers in a ZIP' => ['POST', '/files/{file}/papers.zip', ['papers' => ['{paperkey}']]],
        'how a paper stands' => ['GET', '/papers/{paper}/standing', []],
        'rename a paper' => ['PUT', '/papers/{paper}', ['title' => 'x', 'stage' => 'offer']],
        'replace a paper' => ['POST', '/papers/{paper}/versions', []],
        'void a paper' => ['POST', '/papers/{paper}/void', ['reason' => 'x']],
        'who sees a paper' => ['POST', '/papers/{paper}/seen-by', ['staff' => '1']],
        'copy a paper' => ['POST', '/papers/{paper}/copy', ['to' => '{file}']],
        'a fillable PDF' => ['GET', '/papers/{paper}/fillable.pdf', []],
        'values as XFDF' => ['GET', '/papers/{paper}/values.xfdf', []],
        'take values' => ['POST', '/papers/{paper}/values', []],
        'fill requests' => ['GET', '/files/{file}/fill-requests', []],
        'ask to fill' => ['POST', '/files/{file}/fill-requests', ['to' => ['buyer.1'], 'papers' => ['{paperkey}'], 'last_day' => '2030-01-01']],
        'remind to fill' => ['POST', '/fill-requests/{fill}/remind', []],
        'take a fill request back' => ['POST', '/fill-requests/{fill}/take-back', []],
        'renew a fill request' => ['POST', '/fill-requests/{fill}/renew', ['last_day' => '2030-01-01']],
        'find forms' => ['GET', '/files/{file}/forms', []],
        'take a form' => ['POST', '/files/{file}/forms/M-207', ['what' => 'take']],
        'dates' => ['GET', '/files/{file}/dates', []],
        'shift preview' => ['GET', '/files/{file}/shift?anchor=closing&day=2026-12-20', []],
        'shift' => ['POST', '/files/{file}/shift', ['anchor' => 'closing', 'day' => '2026-12-20', 'reason' => 'x']],
        'date by hand' => ['PUT', '/files/{file}/dates/inspection', ['day' => '2026-12-01', 'reason' => 'x']],
        'date back' => ['DELETE', '/files/{file}/dates/inspection', []],
        'calendar' => ['POST', '/files/{file}/calendar', []],
        'follow-on' => ['POST', '/files/{file}/follow-on', []],
        'labels' => ['PUT', '/files/{file}/labels', ['labels' => 'x']],
        'the listing' => ['GET', '/files/{file}/listing', []],
        'take facts over' => ['POST', '/files/{file}/listing/facts', ['facts' => ['property.zip']]],
        'take papers along' => ['POST', '/files/{file}/listing/papers', ['papers' => ['/x.pdf']]],
        'join' => ['POST', '/files/{file}/join/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'history of a file' => ['GET', '/files/{file}/history', []],
        'kits for a file' => ['GET', '/files/{file}/kits', []],
        'try a kit' => ['GET', '/files/{file}/kits/land-buyer', []],
        'apply a kit' => ['POST', '/files/{file}/kits/land-buyer', []],
        'parties in order' => ['POST', '/files/{file}/parties/buyer/order', ['keys' => ['01ABCDEFGHJKMNPQRSTVWXYZ00']]],
        'people as cards' => ['GET', '/files/{file}/people.vcf', []],
        'offers' => ['GET', '/files/{file}/offers', []],
        'record an offer' => ['POST', '/files/{file}/offers', ['buyers' => 'x', 'terms' => []]],
        'the net sheet' => ['GET', '/files/{file}/net', []],
        'task' => ['POST', '/files/{file}/tasks', ['title' => 'x']],
        'uploads under way' => ['GET', '/files/{file}/uploads', []],
        'one upload' => ['GET', '/files/{file}/uploads/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'a signed original' => ['GET', '/papers/{paper}/versions/01ABCDEFGHJKMNPQRSTVWXYZ00/original', []],
        'take a colleague off' => ['DELETE', '/files/{file}/members/{user}', []],
        'decide who joins' => ['POST', '/join-requests/{joining}', ['in' => 1]],
        'how a round stands' => ['GET', '/rounds/{round}/standing', []],
        'seal again' => ['POST', '/rounds/{round}/seal-again', []],
        'bring in a paper' => ['POST', '/files/{file}/papers', []],
        'assemble' => ['POST', '/files/{file}/assembled', ['papers' => ['{paperkey}']]],
        'assembling' => ['GET', '/files/{file}/assembling', []],
        'put together' => ['POST', '/files/{file}/sets', ['papers' => ['{paperkey}']]],
        'a set' => ['GET', '/sets/{set}', []],
        'a set as PDF' => ['GET', '/sets/{set}/set.pdf', []],
        'give a reading copy' => ['POST', '/sets/{set}/reading-copies', ['name' => 'x', 'last_day' => '2030-01-01']],
        'end a reading copy' => ['POST', '/reading-copies/{copy}/end', []],
        'compose a round' => ['POST', '/files/{file}/rounds', ['papers' => ['{paperkey}']]],
        'see a paper' => ['GET', '/papers/{paper}', []],
        'store an entry' => ['POST', '/papers/{paper}/entries', ['blank' => 'buyers', 'value' => 'x', 'key' => 'intruder1']],
        'a page image' => ['GET', '/papers/{paper}/pages/1.webp', []],
        'a paper as PDF' => ['GET', '/papers/{paper}/pdf', []],
        'see a round' => ['GET', '/rounds/{round}', []],
        'change a round' => ['PUT', '/rounds/{round}', ['message' => 'x']],
        'drop a round' => ['DELETE', '/rounds/{round}', []],
        'send a round' => ['POST', '/rounds/{round}/send', []],
        'recall a round' => ['POST', '/rounds/{round}/recall', []],
        'drop a signer' => ['DELETE', '/rounds/{round}/signers/{signer}', []],
        'remind a signer' => ['POST', '/rounds/{round}/signers/{signer}/remind', []],
        'a round\'s page image' => ['GET', '/rounds/{round}/papers/0/pages/1.webp', []],
        'the sealed set' => ['GET', '/rounds/{round}/set.pdf', []],
        'review a requirement' => ['GET', '/review/{requirement}', []],
        'hand in' => ['POST', '/requirements/{requirement}/hand-in', []],
        'accept' => ['POST', '/requirements/{requirement}/accept', []],
        'send back' => ['POST', '/requirements/{requirement}/send-back', ['remark' => 'x']],
        'waive' => ['POST', '/requirements/{requirement}/waive', ['reason' => 'x']],
        'the commission sheet' => ['GET', '/files/{file}/commission', []],
        'set the commission' => ['PUT', '/files/{file}/commission', ['rate' => '3', 'agent_share' => '50']],
        'authorize' => ['POST', '/files/{file}/commission/authorize', []],
    ];
}

/** @return array<string, string> what the placeholders stand for */
function placesIn(DealFile $file): array
{
    $paper = $file->papers()->where('form_number', 'M-102')->firstOrFail();
    Auth::setUser(test()->people['tomas']);
    $round = app(ComposeRound::class)($file, [$paper], test()->people['tomas']);
    $fill = app(KeepFillRequest::class)->ask($file->load(['office', 'knownFacts', 'parties', 'papers.values', 'members']), [['party' => $file->parties->firstOrFail(), 'email' => 'x@clients.example']], [$file->papers->firstWhere('form_number', 'M-201')], [], $file->office->today()->plusDays(5), '', test()->people['tomas'])[0];
    $set = app(KeepSet::class)->begin($file, Chosen::from($file, [$paper->key]), new SetOptions, test()->people['tomas']);
    $copy = app(KeepReadingCopy::class)->give($set->refresh()->load('file.office'), 'Reader', '', $file->office->today()->plusDays(5), '', test()->people['tomas']);
    Auth::forgetGuards();

    $joining = App\Files\Models\JoinRequest::create(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'user_id' => test()->people['greta']->id, 'state' => 'asked']);

    return [
        '{joining}' => $joining->key, '{user}' => test()->people['wendell']->key, '{set}' => $set->key, '{copy}' => $copy->key, '{fill}' => $fill->key, '{file}' => $file->key, '{paper}' => $paper->key, '{paperkey}' => $paper->key, '{round}' => $round->key, '{signer}' => $round->signers()->firstOrFail()->key,
        '{requirement}' => $file->requirements()->firstOrFail()->key,
    ];
}

it('names every route that needs a sign-in in the tables of refusals', function () {
    // Places without a file in them; each guards what it shows in its own test.
    $open = ['me', 'me/second-factor', 'me/second-factor.svg', 'me/second-factor/on', 'me/sessions/{hash}', 'me/remembered/{device}', 'people', 'people/{user}', 'people/{user}/invitation', 'people/{user}/roles', 'people/{user}/active', 'offices', 'offices/{office}', 'contacts', 'contacts.vcf', 'contacts/propose', 'contacts/cards', 'contacts/{contact}', 'files.csv', 'find', 'labels', 'views', 'views/{view}', 'kits', 'conditions/preview', 'kits/{key}', 'kits/{kit}', 'kits/{kit}/versions/{version}', 'kits/{key}/forms/{number}', 'kits/{key}/papers/{place}', 'library/{number}/pages/{page}.webp', 'rules', 'rules/own', 'rules/try', 'rules/new', 'rules/{rule}', 'rules/{rule}/turn',
        'imports', 'imports/{import}', 'imports/{import}/try', 'imports/{import}/start', 'imports/{import}/progress', 'imports/{import}/rows/{number}', 'imports/{import}/left.csv', 'files/{file}/offers/{offer}', '/', 'files', 'open', 'listings', 'review', 'commission', 'office', 'own-forms', 'own-forms/{own}', 'own-forms/{own}/changes', 'own-forms/{own}/pages/{page}.webp', 'own-forms/{own}/try', 'own-forms/{own}/in-force', 'own-forms/{own}/revise', 'own-forms/{own}/turn', 'sign-out', 'sign-out/everywhere', 'password', 'style/empty', 'tasks', 'calendar'];
    foreach (Route::getRoutes() as $route) {
        if (! in_array('auth', $route->gatherMiddleware(), true) || in_array($route->uri(), $open, true)) {
            continue;
        }
        $needle = preg_replace('/\{\w+\}/', '*', $route->uri());
        $found = array_filter(guardedRoutes(), static fn (array $one) => in_array($one[0], $route->methods(), true) && Str::is('/'.$needle, strtok((string) preg_replace('/\{\w+\}/', 'x', $one[1]), '?')));
        expect($found)->not->toBe([], implode('|', $route->methods()).' '.$route->uri().' is in no table of refusals');
    }
});

/** Sends every guarded route and tells which did not answer so. @return list<string> */
function answeringOtherwise(array $places, int $status, callable $before): array
{
    $otherwise = [];
    foreach (guardedRoutes() as $name => [$method, $path, $data]) {
        $data = array_map(static fn ($value) => is_array($value) ? array_map(static fn (string $one) => strtr($one, $places), $value) : $value, $data);
        $before();
        $answer = test()->call($method, strtr($path, $places), $data);
        $answer->getStatusCode() === $status && ($status !== 302 || str_ends_with((string) $answer->headers->get('Location'), '/sign-in')) || $otherwise[] = "{$name}: {$answer->getStatusCode()}";
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
    DB::insert('INSERT INTO brokerages (id, key, name) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?)', [$id, (string) Str::ulid(), 'Saltreach Coast Realty']);
    $office = Office::create(['brokerage_id' => $id, 'name' => 'Saltreach', 'zone' => 'America/New_York', 'holidays' => []]);
    $stranger = User::create(['brokerage_id' => $id, 'name' => 'Anneke Thorvald', 'email' => 'anneke@coast.example', 'password' => Hash::make('x')]);
    OfficeRole::create(['brokerage_id' => $id, 'user_id' => $stranger->id, 'office_id' => $office->id, 'role' => 'broker']);
    $stranger = $stranger->fresh();
    expect(answeringOtherwise($places, 404, fn () => $this->actingAs($stranger)))->toBe([]);
});

it('lets those who see a file but do not work on it only look', function (string $who, string $method, string $path, array $data, int $status) {
    $places = placesIn($this->aFile());
    $this->as($who)->call($method, strtr($path, $places), $data)->assertStatus($status);
})->with([
    'bookkeeper sees' => ['marguerite', 'GET', '/files/{file}', [], 200],
    'bookkeeper sees the commission' => ['marguerite', 'GET', '/files/{file}/commission', [], 200],
    'bookkeeper enters no terms' => ['marguerite', 'PUT', '/files/{file}/facts', ['name' => 'price', 'value' => '1'], 403],
    'bookkeeper authorizes nothing' => ['marguerite', 'POST', '/files/{file}/commission/authorize', [], 403],
    'administrator fills nothing' => ['fenna', 'POST', '/papers/{paper}/entries', ['blank' => 'buyers', 'value' => 'x', 'key' => 'fenna-key-1'], 403],
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
})->with([['tomas', '/review', 403], ['ines', '/review', 200], ['marguerite', '/open', 403], ['fenna', '/open', 403], ['tomas', '/open', 200], ['wendell', '/open', 200], ['fenna', '/commission', 403], ['marguerite', '/commission', 200]]);

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
    DB::select("SELECT set_config('unanimus.brokerage', '', true), set_config('unanimus.person', '', true), set_config('unanimus.offices', '{}', true), set_config('unanimus.file', '', true), set_config('unanimus.sight', '', true)");
    expect($count('facts'))->toBe(0)->and($count('users'))->toBe(0)->and($count('offices'))->toBe(0);
});

it('lets nobody write rows into another brokerage', function () {
    $this->aFile();
    DB::table('offices')->insert(['brokerage_id' => $this->people['tomas']->brokerage_id + 1, 'key' => (string) Str::ulid(), 'name' => 'x', 'zone' => 'UTC', 'holidays' => '{}']);
})->throws(QueryException::class, 'row-level security');

it('lets the application neither change nor take away what is append-only', function (string $statement) {
    $this->aRound($this->aFile());
    DB::statement($statement);
})->with([
    "UPDATE history SET what = 'x'", 'DELETE FROM history', 'TRUNCATE history', "UPDATE round_events SET kind = 'x'", 'DELETE FROM paper_entries', 'UPDATE blobs SET size = 0', 'DELETE FROM paper_versions', 'DELETE FROM deal_files',
    'ALTER TABLE history DISABLE TRIGGER ALL', 'ALTER TABLE deal_files DISABLE ROW LEVEL SECURITY', 'SELECT * FROM migrations', 'SELECT * FROM search_words',
])->throws(QueryException::class);

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
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', 'password' => 'lanternfish'])->assertStatus(429)->assertSee('too many tries');
});

it('lets a deactivated person in nowhere', function () {
    DB::table('users')->where('id', $this->people['tomas']->id)->update(['active' => false]);
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
    $this->as('tomas')->put('/password', ['current' => 'no', 'password' => 'a-new-long-one', 'password_confirmation' => 'a-new-long-one'])->assertSessionHasErrors('current');
    $this->as('tomas')->put('/password', ['current' => 'lanternfish', 'password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
    $this->as('tomas')->put('/password', ['current' => 'lanternfish', 'password' => 'a-new-long-one', 'password_confirmation' => 'a-new-long-one'])->assertSessionHasNoErrors();
    $this->seeAll();
    expect(Hash::check('a-new-long-one', (string) DB::table('users')->where('id', $this->people['tomas']->id)->value('password')))->toBeTrue();
});

it('tells the browser what it may not do', function () {
    $response = $this->get('/sign-in');
    $policy = (string) $response->headers->get('Content-Security-Policy');
    expect($policy)->toContain("script-src 'self'")->toContain("style-src 'self'")->toContain("frame-ancestors 'none'")->not->toContain('unsafe')
        ->and($response->headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and($response->headers->get('X-Request-Id'))->toMatch('/^[0-9a-f]{12}$/')
        ->and($response->headers->get('Cache-Control'))->toContain('no-store')
        ->and(preg_match('/<script(?![^>]*src=)|\sstyle="|\son[a-z]+="/', (string) $response->getContent()))->toBe(0);
});

it('writes no page with inline script or style', function (string $path) {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $html = (string) $this->as('ines')->get(strtr($path, ['{file}' => $file->key, '{paper}' => $paper->key]))->assertOk()->getContent();
    expect(preg_match('/<script(?![^>]*src=)|\sstyle="|\son[a-z]+="|javascript:/', $html))->toBe(0);
})->with(['/', '/files', '/open', '/files/{file}', '/files/{file}/opening', '/papers/{paper}', '/review', '/commission', '/files/{file}/commission', '/office', '/style']);

it('answers what is not there in the look, with a request number', function () {
    $this->as('tomas')->get('/nothing-here')->assertNotFound()->assertSee('There is nothing here')->assertSee('Request');
    $this->as('tomas')->get('/files/01ARZ3NDEKTSV4RRFFQ69G5FAV')->assertNotFound();
    $this->as('tomas')->get("/files/1'%20OR%201=1")->assertNotFound();
});

it('tells whether it is well', function () {
    $this->get('/up')->assertOk()->assertJson(['ok' => true, 'database' => true, 'disk' => true, 'queue' => true]);
});

it('keeps names, addresses and links out of the log', function () {
    expect(App\Access\Http\RequestId::redact('mail to sunniva@eide.example failed at /sign/01ABC.def-_x'))->toBe('mail to (address) failed at /sign/(link)');
});

it('sends whoever was refused back to the page they were on, not to one of its pictures or what another tab opened', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')->get("/files/{$file->key}/offers");
    $this->get("/files/{$file->key}");
    $this->get("/papers/{$paper->key}/pages/1.webp")->assertOk();
    $this->get("/papers/{$paper->key}", ['Sec-Fetch-Dest' => 'iframe']);
    $this->post("/files/{$file->key}/rounds", ['papers' => []])->assertSessionHasErrors('papers')->assertRedirect("/files/{$file->key}");
    $this->get('/files');
    $this->post("/files/{$file->key}/rounds", ['papers' => []], ['Referer' => url("/files/{$file->key}")])->assertRedirect("/files/{$file->key}");
    expect($this->get('/')->headers->get('Referrer-Policy'))->toBe('same-origin');
});

it('stores nothing that a page left open sends after somebody else has signed in', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-230');
    $send = fn (string $who, array $more) => $this->as($who)->postJson("/papers/{$paper->key}/entries", ['blank' => 'known_no', 'value' => 'x', 'key' => "same-person-{$who}"], $more);
    $tomas = $this->people['tomas']->key;
    $send('wendell', ['X-Person' => $tomas])->assertStatus(419);
    $send('wendell', ['X-Person' => ''])->assertStatus(419);
    $this->seeAll();
    expect(DB::table('paper_entries')->where('paper_id', $paper->id)->where('blank', 'known_no')->count())->toBe(0);
    $send('tomas', ['X-Person' => $tomas])->assertOk();
    $send('wendell', [])->assertOk();
});
