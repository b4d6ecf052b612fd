<?php

declare(strict_types=1);

namespace App\Bench;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;

/** Someone at the running application without a browser, on one kept connection. */
final class Visitor
{
    private readonly Client $client;

    private string $token = '';

    public function __construct(string $url)
    {
        $this->client = new Client(['base_uri' => $url, 'cookies' => new CookieJar(), 'timeout' => 60]);
    }

    public function signIn(string $address, #[\SensitiveParameter] string $password): void
    {
        $this->look($this->get('/sign-in'));
        $this->post('/sign-in', ['email' => $address, 'password' => $password]);
        $this->look($this->get('/'));
    }

    public function get(string $path): string
    {
        return (string) $this->client->get($path)->getBody();
    }

    /** @param  array<string, string>  $data */
    public function post(string $path, array $data): void
    {
        $this->client->post($path, [
            'json' => $data,
            'headers' => ['X-CSRF-TOKEN' => $this->token, 'Accept' => 'application/json'],
            'allow_redirects' => ! str_contains($path, 'entries'),
        ]);
    }

    private function look(string $page): void
    {
        preg_match('/name="csrf-token" content="([^"]+)"/', $page, $found) === 1 && ($this->token = $found[1]);
    }
}
