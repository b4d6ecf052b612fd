<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;

/** What no form of ours sends. @return array<string, mixed> */
function oddValues(): array
{
    return [
        'a list of lists' => ['x' => ['y' => '1']],
        'a list' => ['1', '2'],
        'more than 64 bits' => '99999999999999999999999',
        'what is no character' => "a\0b\xED\xA0\x80",
        'very much' => str_repeat('é', 70_000),
        'nothing' => '',
    ];
}

it('answers any value in any input of a file’s routes in words', function () {
    $places = placesIn($this->aFile());
    $failing = [];
    foreach (guardedRoutes() as $name => [$method, $path, $data]) {
        $data = array_map(
            static fn ($value) => is_array($value) ? array_map(static fn (string $one) => strtr($one, $places), $value) : $value,
            $data,
        );
        parse_str(strtr((string) parse_url($path, PHP_URL_QUERY), $places), $asked);
        $data += $asked;
        foreach (array_keys($data) as $input) {
            foreach (oddValues() as $kind => $odd) {
                // What one of them changes is nothing to the next.
                DB::beginTransaction();
                $answer = $this->as('tomas')->call($method, strtr((string) strtok($path, '?'), $places), [$input => $odd] + $data);
                DB::rollBack();
                $this->seeAll();
                $answer->getStatusCode() < 500 || ($failing[] = "{$name}, {$kind} as {$input}: {$answer->exception?->getMessage()}");
            }
        }
    }
    expect($failing)->toBe([]);
});

it('says of a file without a listing number that nothing can be compared', function () {
    $file = $this->aFile();
    $this->as('tomas')->followingRedirects()->get("/files/{$file->key}/listing")->assertSee('This file has no listing number yet');
});

it('answers an address that only takes what is sent, and any other fault of asking, with a page of its own', function () {
    foreach (['/inbox' => 405, '/views' => 405, '/notices/read' => 405] as $address => $status) {
        $page = $this->as('tomas')->get($address);
        in_array($page->getStatusCode(), [404, 405], true) || $this->fail("{$address} answered {$page->getStatusCode()}");
        expect($page->getContent())->not->toContain('<style')->not->toContain('Method Not Allowed')->toContain('Today');
    }
    $this->as('tomas')->get('/inbox')->assertStatus(405)->assertSee('This page can’t be opened directly');
    $this->as('tomas')->call('PROPFIND', '/files')->assertStatus(405)->assertSee('This page can’t be opened directly');
});
