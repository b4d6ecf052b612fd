<?php

declare(strict_types=1);

use App\Models\Brokerage;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;

it('gives an administrator all that happened in a time, a line each, and nobody else', function () {
    /** @var AppCase $this */
    $this->as('tomas');
    $file = $this->aFile();
    $this->seeAll();
    DB::table('sign_ins')->insert([
        'brokerage_id' => $file->brokerage_id,
        'user_id' => $this->people['tomas']->id,
        'outcome' => 'wrong code',
        'device' => 'Firefox',
        'address' => '203.0.113.7',
    ]);
    $days = '?from='.now()->subDays(2)->format('Y-m-d').'&to='.now()->addDay()->format('Y-m-d');
    $answer = $this->as('fenna')->get("/office/history.jsonl{$days}")->assertOk();
    $lines = array_map(
        static fn (string $line) => json_decode($line, true, 512, JSON_THROW_ON_ERROR),
        file($answer->baseResponse->getFile()->getPathname(), FILE_IGNORE_NEW_LINES),
    );
    $kinds = array_count_values(array_column($lines, 'kind'));
    expect($kinds['sign-in'])->toBe(1)->and($kinds['file'] ?? 0)->toBeGreaterThan(0);
    $entry = array_values(array_filter($lines, static fn (array $line) => ($line['file'] ?? '') === $file->key))[0];
    expect(array_keys($entry))->toBe(['kind', 'at', 'file', 'file_name', 'seq', 'who', 'side', 'what', 'data', 'before', 'hash'])
        ->and($entry['data'])->toBeArray();
    foreach (['tomas', 'wendell', 'ines'] as $who) {
        $this->as($who)->get("/office/history.jsonl{$days}")->assertForbidden();
    }
    $this->as('fenna')->get('/office/history.jsonl?from=2026-02-30&to=x')->assertSessionHasErrors(['from', 'to']);
    $this->as('fenna')->get('/office/history.jsonl?from=2026-11-02&to=2026-11-01')->assertSessionHasErrors('to');
});

it('writes the same for the operator, into a file that is not there yet', function () {
    /** @var AppCase $this */
    $this->as('tomas');
    $this->aFile();
    $this->seeAll();
    $brokerage = (int) Brokerage::query()->value('id');
    $path = sys_get_temp_dir().'/audit-'.bin2hex(random_bytes(6)).'.jsonl';
    $this->artisan('audit:export', ['file' => $path, '--brokerage' => $brokerage, '--from' => '2026-13-01'])->assertExitCode(2);
    $this->artisan('audit:export', ['file' => $path, '--brokerage' => 999_999])->assertExitCode(2);
    $this->artisan('audit:export', ['file' => $path, '--brokerage' => $brokerage])->assertExitCode(0);
    $count = count(file($path));
    expect($count)->toBeGreaterThan(0);
    $this->artisan('audit:export', ['file' => $path, '--brokerage' => $brokerage])->assertExitCode(2);
    expect(count(file($path)))->toBe($count);
    unlink($path);
});

it('shows how it runs only to the addresses of its operator, where any are said', function () {
    /** @var AppCase $this */
    config(['unanimus.metrics' => 'a-secret-of-sixteen', 'unanimus.operator_from' => '192.0.2.0/24, 203.0.113.9']);
    $metrics = fn (string $from) => $this->withServerVariables(['REMOTE_ADDR' => $from])
        ->withHeaders(['Authorization' => 'Bearer a-secret-of-sixteen'])->get('/metrics');
    $metrics('192.0.2.14')->assertOk();
    $metrics('203.0.113.9')->assertOk();
    $metrics('203.0.113.10')->assertNotFound();
    $this->withServerVariables(['REMOTE_ADDR' => '198.51.100.1'])->as('fenna')->get('/office/running')->assertNotFound();
    $this->withServerVariables(['REMOTE_ADDR' => '192.0.2.14'])->as('fenna')->get('/office/running')->assertOk();
    config(['unanimus.operator_from' => '']);
    $metrics('203.0.113.10')->assertOk();
});

it('counts what was answered by route, and follows a request into the work and the email that come of it', function () {
    /** @var AppCase $this */
    config(['unanimus.metrics' => 'a-secret-of-sixteen', 'unanimus.tally' => 'array']);
    $this->as('tomas')->get('/files')->assertOk();
    $this->get('/files/01ZZZZZZZZZZZZZZZZZZZZZZZZ')->assertNotFound();
    $said = (string) $this->withHeaders(['Authorization' => 'Bearer a-secret-of-sixteen'])->get('/metrics')->assertOk()->getContent();
    expect($said)->toContain(
        '# TYPE unanimus_requests_total counter',
        'unanimus_requests_total{route="files.index",status="2xx"} 1',
        'status="4xx"} 1',
        'unanimus_request_seconds_total{route="files.index"}',
    );
    Auth::forgetGuards();
    $asked = $this->post('/sign-in/forgot', ['email' => 'tomas@quillmark.example'])->headers->get('X-Request-Id');
    $this->work();
    $named = collect(app('mailer')->getSymfonyTransport()->messages())
        ->map(static fn ($sent) => $sent->getOriginalMessage()->getHeaders()->get('Unanimus-Request')?->getBodyAsString());
    expect($asked)->toMatch('/^[0-9a-f]{12}$/')->and($named)->toContain($asked);
});
