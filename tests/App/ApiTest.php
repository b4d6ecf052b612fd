<?php

declare(strict_types=1);

use App\Api\Endpoints;
use App\Api\OpenApi;
use App\Models\ApiToken;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\Task;
use Illuminate\Http\Client\Request as Called;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\ApiScope;
use Unanimus\Api\HookSignature;

/** A token of somebody, good for all or for some. @param  list<string>|null  $scopes */
function tokenOf(string $who, ?array $scopes = null): string
{
    test()->as($who)->post('/office/connections/tokens', [
        'name' => 'our books',
        'days' => '365',
        'scopes' => $scopes ?? array_map(static fn (ApiScope $scope) => $scope->value, ApiScope::cases()),
    ])->assertSessionHas('secret');
    $token = session('secret');
    Auth::forgetGuards();

    return $token;
}

/** @param  array<string, mixed>  $data @param  array<string, string>  $more */
function apiCall(string $token, string $method, string $path, array $data = [], array $more = []): TestResponse
{
    Auth::forgetGuards();

    return test()->json($method, "/api/v1{$path}", $data, ['Authorization' => "Bearer {$token}", ...$more]);
}

/** Holds an answer against what the description says of it. @param  array<string, mixed>  $schema */
function fits(mixed $value, array $schema, string $at = ''): void
{
    $schema = isset($schema['$ref']) ? OpenApi::description()['components']['schemas'][basename($schema['$ref'])] : $schema;
    $types = (array) ($schema['type'] ?? []);
    $type = match (true) {
        is_string($value) => 'string', is_int($value) => 'integer', is_bool($value) => 'boolean', $value === null => 'null',
        is_array($value) && array_is_list($value) && in_array('array', $types, true) => 'array', default => 'object',
    };
    expect(in_array($type, $types, true))->toBeTrue("{$at}: {$type}");
    isset($schema['enum']) && expect($schema['enum'])->toContain($value);
    foreach ($schema['required'] ?? [] as $name) {
        expect($value)->toHaveKey($name, message: "{$at}.{$name} is missing");
    }
    foreach ($schema['properties'] ?? [] as $name => $of) {
        array_key_exists($name, $value) && fits($value[$name], $of, "{$at}.{$name}");
    }
    // What the description does not name is not given.
    isset($schema['required'], $schema['properties']) && $type === 'object' && $schema['properties'] !== []
        && expect(array_diff(array_keys($value), array_keys($schema['properties'])))->toBe([], $at);
    foreach ($type === 'array' ? $value : [] as $one) {
        isset($schema['items']) && fits($one, $schema['items'], "{$at}[]");
    }
}

it('answers as its description says, for every call there is', function () {
    $token = tokenOf('tomas');
    $file = $this->aFile();
    $paper = $file->papers()->firstOrFail();
    $made = apiCall($token, 'POST', "/files/{$file->key}/tasks", ['title' => 'Order the survey', 'due_on' => '2026-12-01'])
        ->assertCreated();
    $hook = apiCall($token, 'POST', '/webhooks', ['url' => 'https://books.quillmark.example/x', 'events' => ['file.status']])
        ->assertCreated();
    $sent = [
        'POST /files' => ['represents' => 'buyer', 'terms' => ['CloseDate' => '2026-12-30', 'price' => '300000']],
        'PATCH /files/{file}' => ['terms' => ['ClosePrice' => '415,000']],
        'PUT /files/{file}/people/{seat}' => ['name' => 'Ottoline Fairbairn', 'email' => 'ottoline@fairbairn.example'],
        'POST /files/{file}/tasks' => ['title' => 'Call the lender'],
        'PATCH /tasks/{task}' => ['done' => true],
        'POST /webhooks' => ['url' => 'https://books.quillmark.example/y', 'events' => ['review.accepted']],
        'POST /files/{file}/documents' => ['file' => brought('A survey')],
    ];
    $places = ['{file}' => $file->key, '{paper}' => $paper->key, '{task}' => $made->json('key'), '{hook}' => $hook->json('key'),
        '{seat}' => 'buyer.2'];
    $tried = 0;
    foreach (OpenApi::description()['paths'] as $path => $operations) {
        foreach ($operations as $method => $operation) {
            $name = strtoupper($method).' '.substr($path, 7);
            $answer = $method === 'post' && str_contains($path, 'documents')
                ? $this->post(strtr($path, $places), $sent[$name], ['Authorization' => "Bearer {$token}"])
                : apiCall($token, strtoupper($method), strtr(substr($path, 7), $places), $sent[$name] ?? []);
            $status = (string) $answer->getStatusCode();
            expect(isset($operation['responses'][$status]))->toBeTrue("{$name}: {$answer->getContent()}");
            expect($answer->isSuccessful())->toBeTrue("{$name}: {$status} {$answer->getContent()}");
            $schema = $operation['responses'][$status]['content']['application/json']['schema'] ?? null;
            $schema === null || fits($answer->json(), $schema, $name);
            expect($operation['description'])->toStartWith('Needs the scope')->and($operation['summary'])->not->toBe('');
            $tried++;
        }
    }
    $this->seeAll();
    expect($tried)->toBe(count(Endpoints::all()))
        ->and($file->fresh()->knownFacts()->where('name', 'price')->value('value'))->toBe('415000.00')
        ->and(DB::table('history')->where('what', 'Term changed')->where('deal_file_id', $file->id)->orderByDesc('id')->value('who'))
        ->toBe('Tomás Reyes-Whitlock');
    // And there is no way in that it does not describe.
    foreach (Route::getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/v1/openapi.json') {
            expect(OpenApi::description()['paths'])->toHaveKey('/'.$route->uri());
            expect($route->gatherMiddleware())->toContain('auth:sanctum');
        }
    }
    $this->getJson('/api/v1/openapi.json')->assertOk()->assertJsonPath('openapi', '3.1.0');
});

it('shows a token nothing that its person does not see, and lets it do nothing its scopes do not say', function () {
    $file = $this->aFile();
    $task = Task::query()->create(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'title' => 'Secret']);
    $places = ['{file}' => $file->key, '{paper}' => $file->papers()->firstOrFail()->key, '{task}' => $task->key, '{seat}' => 'buyer.1'];
    $own = tokenOf('tomas');
    $hook = apiCall($own, 'POST', '/webhooks', ['url' => 'https://books.quillmark.example/x', 'events' => ['file.status']])->json('key');
    $others = tokenOf('caleb');
    foreach (Endpoints::all() as $one) {
        if (str_contains($one['path'], '{')) {
            apiCall($others, strtoupper($one['method']), strtr($one['path'], [...$places, '{hook}' => $hook]), ['terms' => ['price' => '1'],
                'title' => 'x', 'done' => true, 'name' => 'x'])->assertNotFound();
        }
    }
    expect(apiCall($others, 'GET', '/files')->json('files'))->toBe([]);
    // Without its scope none of them does anything, with another one neither.
    foreach (Endpoints::all() as $one) {
        $rest = array_values(array_diff(array_map(static fn (ApiScope $s) => $s->value, ApiScope::cases()), [$one['scope']->value]));
        $narrow = ($narrows[$one['scope']->value] ??= tokenOf('tomas', $rest));
        apiCall($narrow, strtoupper($one['method']), strtr($one['path'], [...$places, '{hook}' => $hook]))->assertForbidden();
    }
    // Whoever has none.
    Auth::forgetGuards();
    $this->getJson('/api/v1/files')->assertUnauthorized()->assertJsonPath('message', 'Send a token that is in force, as “Authorization: '.
        'Bearer una_…”.');
    apiCall('una_'.str_repeat('0', 48), 'GET', '/files')->assertUnauthorized();
    apiCall('1|something', 'GET', '/files')->assertUnauthorized();
});

it('opens nothing with a token that was revoked, has ended, or whose person has left', function () {
    $this->aFile();
    $token = tokenOf('tomas');
    apiCall($token, 'GET', '/files')->assertOk();
    $this->seeAll();
    $row = ApiToken::query()->orderByDesc('id')->firstOrFail();
    expect($row->token)->toBe(hash('sha256', $token))->and($row->last_used_at)->not->toBeNull();
    // Nobody else's is revoked, but an administrator ends any.
    $this->as('caleb')->delete("/office/connections/tokens/{$row->key}")->assertNotFound();
    $this->as('fenna')->get('/office/connections')->assertSee('our books')->assertSee('Tomás');
    $this->as('fenna')->delete("/office/connections/tokens/{$row->key}")->assertSessionHas('told');
    apiCall($token, 'GET', '/files')->assertUnauthorized();
    $ended = tokenOf('tomas');
    $this->seeAll();
    DB::table('api_tokens')->where('token', hash('sha256', $ended))->update(['expires_at' => now()->subMinute()]);
    apiCall($ended, 'GET', '/files')->assertUnauthorized();
    // Closed by the broker, and opened again: the token stays ended.
    $left = tokenOf('tomas');
    apiCall($left, 'POST', '/webhooks', ['url' => 'https://books.quillmark.example/x', 'events' => ['file.status']])->assertCreated();
    $this->as('ines')->post("/people/{$this->people['tomas']->key}/active")->assertSessionHas('told');
    apiCall($left, 'GET', '/files')->assertUnauthorized();
    $this->as('ines')->post("/people/{$this->people['tomas']->key}/active")->assertSessionHas('told');
    apiCall($left, 'GET', '/files')->assertUnauthorized();
    $this->seeAll();
    expect(Hook::query()->sole()->off_at)->not->toBeNull();
    $asCaleb = fn () => DB::transaction(function () {
        App\Models\Sight::ofPerson($this->people['caleb']);

        return DB::select('SELECT end_programs_of(?)', [$this->people['tomas']->id]);
    });
    expect($asCaleb)->toThrow(Illuminate\Database\QueryException::class);
});

it('opens nothing with the token of somebody who owes two steps to sign in, until they have set them up', function () {
    $this->aFile();
    $token = tokenOf('tomas');
    $this->as('fenna')->put('/office/two-steps', ['roles' => ['agent']])->assertSessionHas('told');
    apiCall($token, 'GET', '/files')->assertForbidden()->assertJsonPath('message', fn (string $told) => str_contains($told, 'two-step'));
    $this->seeAll();
    DB::table('users')->where('id', $this->people['tomas']->id)->update(['second_factor' => 'x', 'second_factor_at' => now()]);
    apiCall($token, 'GET', '/files')->assertOk();
});

it('does nothing twice that is sent twice under one key', function () {
    $token = tokenOf('tomas');
    $file = $this->aFile();
    $send = fn (string $title) => apiCall($token, 'POST', "/files/{$file->key}/tasks", ['title' => $title], ['Idempotency-Key' => 'k-1']);
    $first = $send('Order the survey')->assertCreated();
    $second = $send('Order the survey')->assertCreated()->assertHeader('Idempotency-Replayed', 'true');
    expect($second->json('key'))->toBe($first->json('key'));
    $send('Something else')->assertStatus(409)->assertJsonPath('reason', ApiRefusal::OtherBody->value);
    $this->seeAll();
    expect(DB::table('tasks')->where('title', 'Order the survey')->count())->toBe(1);
});

it('refuses in words what cannot be read, and keeps nothing of it', function () {
    $token = tokenOf('tomas');
    $file = $this->aFile();
    apiCall($token, 'PATCH', "/files/{$file->key}", ['terms' => ['Bedrooms' => '3', 'price' => '1']])->assertStatus(409)
        ->assertJsonPath('reason', ApiRefusal::UnknownField->value);
    apiCall($token, 'PATCH', "/files/{$file->key}", ['terms' => ['price' => 'much']])->assertStatus(422)->assertJsonStructure(['message']);
    apiCall($token, 'PATCH', "/files/{$file->key}", ['terms' => ['closing' => ['2026']]])->assertStatus(409);
    apiCall($token, 'PUT', "/files/{$file->key}/people/nobody", ['name' => 'x'])->assertStatus(422);
    apiCall($token, 'POST', '/files', ['represents' => 'everyone'])->assertStatus(422);
    $this->seeAll();
    expect($file->fresh()->knownFacts()->where('name', 'price')->value('value'))->toBe('412500.00');
    DB::table('deal_files')->where('id', $file->id)->update(['status' => 'closed', 'closed_on' => '2026-11-01']);
    apiCall($token, 'PATCH', "/files/{$file->key}", ['terms' => ['price' => '1']])->assertStatus(409);
});

it('goes through all files page by page, and gives those that have changed', function () {
    $token = tokenOf('tomas');
    $keys = array_map(fn () => $this->aFile()->key, range(1, 3));
    $first = apiCall($token, 'GET', '/files?limit=2')->assertOk();
    $second = apiCall($token, 'GET', "/files?limit=2&after={$first->json('next')}")->assertOk();
    expect([...array_column($first->json('files'), 'ListingKey'), ...array_column($second->json('files'), 'ListingKey')])->toBe($keys)
        ->and($second->json('next'))->toBeNull();
    expect(apiCall($token, 'GET', '/files?changed_since='.urlencode(now()->addHour()->toIso8601String()))->json('files'))->toBe([]);
});

it('tells a webhook each event once, signed, and tries again what was not taken', function () {
    config(['unanimus.hooks_anywhere' => true]);
    $file = $this->aFile();
    $token = tokenOf('tomas');
    $made = apiCall($token, 'POST', '/webhooks', ['url' => 'http://127.0.0.1:9999/books', 'events' => ['terms.changed', 'task.changed']]);
    $secret = $made->assertCreated()->json('secret');
    $answers = [500, 200];
    Http::fake(function () use (&$answers) {
        return Http::response('thanks', array_shift($answers) ?? 200);
    });
    apiCall($token, 'PATCH', "/files/{$file->key}", ['terms' => ['price' => '420000']])->assertOk();
    foreach ([1, 2] as $again) {
        Artisan::call('hooks:sweep');
    }
    $this->work();
    $this->seeAll();
    $call = HookCall::query()->sole();
    expect($call->tried)->toBe(1)->and($call->taken_at)->toBeNull()->and($call->answer)->toContain('500')
        ->and($call->next_at?->isFuture())->toBeTrue();
    DB::table('hook_calls')->update(['next_at' => now()->subSecond()]);
    Artisan::call('hooks:sweep');
    $this->work();
    Artisan::call('hooks:sweep');
    $this->work();
    $this->seeAll();
    expect($call->refresh()->taken_at)->not->toBeNull()->and($call->tried)->toBe(2)->and($call->next_at)->toBeNull();
    Http::assertSentCount(2);
    Http::assertSent(function (Called $called) use ($secret, $file) {
        $body = json_decode($called->body(), true);

        return HookSignature::holds($secret, $called->header('Unanimus-Signature')[0], $called->body(), time())
            && $body['event'] === 'terms.changed' && $body['file']['ListingKey'] === $file->key && $body['data']['after'] === '420000.00';
    });
    $this->as('tomas')->get('/office/connections')->assertOk()->assertSee('terms.changed')->assertSee('taken');
});

it('tells a webhook nothing of files its owner does not see, nothing from before, and nothing once it is off', function () {
    config(['unanimus.hooks_anywhere' => true]);
    $file = $this->aFile();
    $events = ['terms.changed', 'task.changed', 'file.opened'];
    $caleb = tokenOf('caleb');
    apiCall($caleb, 'POST', '/webhooks', ['url' => 'http://127.0.0.1:9999/caleb', 'events' => $events])->assertCreated();
    $tomas = tokenOf('tomas');
    $key = apiCall($tomas, 'POST', '/webhooks', ['url' => 'http://127.0.0.1:9999/tomas', 'events' => $events])->json('key');
    apiCall($tomas, 'PATCH', "/files/{$file->key}", ['terms' => ['price' => '420000']])->assertOk();
    Artisan::call('hooks:sweep');
    $this->seeAll();
    expect(HookCall::query()->with('hook')->get()->map(fn (HookCall $one) => $one->hook->url.' '.$one->event)->all())
        ->toBe(['http://127.0.0.1:9999/tomas terms.changed']);
    $this->as('caleb')->post("/office/connections/webhooks/{$key}", ['on' => '0'])->assertNotFound();
    $this->as('fenna')->post("/office/connections/webhooks/{$key}", ['on' => '0'])->assertSessionHas('told');
    $this->as('fenna')->post("/office/connections/webhooks/{$key}", ['on' => '1'])->assertForbidden();
    apiCall($tomas, 'PATCH', "/files/{$file->key}", ['terms' => ['price' => '430000']])->assertOk();
    Artisan::call('hooks:sweep');
    $this->seeAll();
    expect(HookCall::query()->count())->toBe(1)->and(HookCall::query()->whereNotNull('next_at')->count())->toBe(0);
    // Whoever has left is told nothing more.
    DB::table('users')->where('id', $this->people['caleb']->id)->update(['active' => false]);
    Artisan::call('hooks:sweep');
    $this->seeAll();
    expect(Hook::query()->where('user_id', $this->people['caleb']->id)->sole()->off_because)->toContain('no longer works here');
});

it('tells a program of nothing that its token may not read', function () {
    $token = tokenOf('tomas', ['webhooks', 'files:read']);
    $set = fn (array $events) => apiCall($token, 'POST', '/webhooks', ['url' => 'https://books.quillmark.example/x', 'events' => $events]);
    foreach (['commission.authorized', 'commission.paid', 'document.added', 'task.changed'] as $event) {
        $set(['file.status', $event])->assertStatus(409)->assertJsonPath('reason', ApiRefusal::EventNeedsScope->value);
    }
    $this->seeAll();
    expect(Hook::query()->count())->toBe(0);
    $set(['file.status', 'review.accepted'])->assertCreated();
});

it('leaves one token and one webhook of a double press: those whose secrets were shown', function () {
    [$unseen, $shown] = [tokenOf('tomas'), tokenOf('tomas')];
    apiCall($unseen, 'GET', '/files')->assertUnauthorized();
    apiCall($shown, 'GET', '/files')->assertOk();
    foreach ([1, 2] as $press) {
        $this->as('tomas')->post('/office/connections/webhooks', ['url' => 'https://books.quillmark.example/x',
            'events' => ['file.status']])
            ->assertSessionHas('secret');
    }
    $this->seeAll();
    expect(ApiToken::query()->whereNull('revoked_at')->count())->toBe(1)->and(Hook::query()->whereNull('off_at')->count())->toBe(1);
});

it('makes no token without a name or purpose, and calls no address of ours', function () {
    $this->as('tomas')->post('/office/connections/tokens', ['name' => '', 'scopes' => ['files:read']])
        ->assertSessionHas('reason', ApiRefusal::NoName->value);
    $this->as('tomas')->post('/office/connections/tokens', ['name' => 'x', 'scopes' => ['everything']])
        ->assertSessionHas('reason', ApiRefusal::NoScope->value);
    $this->as('tomas')->post('/office/connections/webhooks', ['url' => 'https://127.0.0.1/', 'events' => ['file.status']])
        ->assertSessionHas('reason', ApiRefusal::OwnNetwork->value);
    $this->as('tomas')->post('/office/connections/webhooks', ['url' => 'https://x.example/', 'events' => ['everything']])
        ->assertSessionHas('reason', ApiRefusal::NoEvents->value);
    $this->seeAll();
    expect(DB::table('api_tokens')->count())->toBe(0)->and(DB::table('hooks')->count())->toBe(0);
});
