<?php

declare(strict_types=1);

namespace App\Bench;

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Exception\TransferException;
use Psr\Http\Message\ResponseInterface;

/** Somebody at a copy in which programs are killed: what is not answered they press again, as a person would, with the same key. */
final class ProvePerson
{
    private readonly Client $client;

    private string $token = '';

    public int $again = 0;

    public function __construct(string $url, private readonly float $until)
    {
        $this->client = new Client(['base_uri' => $url, 'cookies' => new CookieJar(), 'timeout' => 30, 'http_errors' => false]);
    }

    /** @return string the page, or an empty one where it never came */
    public function get(string $path): string
    {
        $answer = $this->ask(fn () => $this->client->get($path), static fn (int $status) => $status < 400);
        $page = $answer === null ? '' : (string) $answer->getBody();
        preg_match('/name="csrf-token" content="([^"]+)"/', $page, $found) === 1 && ($this->token = $found[1]);

        return $page;
    }

    /**
     * @param array<array-key, mixed> $data
     * @return bool whether it was said to be done
     */
    public function post(string $path, array $data, bool $isFile = false): bool
    {
        $options = $isFile ? ['multipart' => $data] : ['json' => $data];
        $answer = $this->ask(
            fn () => $this->client->post($path, $options + [
                'headers' => ['X-CSRF-TOKEN' => $this->token, 'Accept' => 'application/json'],
                'allow_redirects' => false,
            ]),
            static fn (int $status) => $status < 400 || $status === 409,
        );

        return $answer !== null && $answer->getStatusCode() < 400;
    }

    /**
     * @param callable(): ResponseInterface $try
     * @param callable(int): bool $isAnswer
     */
    private function ask(callable $try, callable $isAnswer): ?ResponseInterface
    {
        // Whoever began something does not leave in the middle of it.
        for ($end = max($this->until, microtime(true)) + 90; microtime(true) < $end; usleep(300_000)) {
            try {
                $answer = $try();
                if ($isAnswer($answer->getStatusCode())) {
                    return $answer;
                }
            } catch (TransferException) {
                // Cut off: whether it was done is not known, so it is asked for again.
            }
            $this->again++;
        }

        return null;
    }
}
