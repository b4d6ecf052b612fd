<?php

declare(strict_types=1);

namespace App\Bench;

use App\Demo\Seed;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Promise\PromiseInterface;

/** One of many people at work at once: signed in, with files and papers of their own in sight. */
final class LoadPerson
{
    /** What they look for. */
    private const WORDS = ['lantern', 'thistle', 'netloft+upper', 'sawmil', '26+04'];

    /** When they act next, on the clock of microtime(). */
    public float $next = 0.0;

    public bool $isBusy = false;

    private readonly Client $client;

    private string $token = '';

    /** @var list<string> */
    private array $files = [];

    /** @var list<string> files into which they may bring something */
    private array $own = [];

    /** @var list<string> those of papers, with the pictures of their pages */
    private array $papers = [];

    /** @var list<array{string, string}> key of a paper, name of one of its blanks */
    private array $blanks = [];

    public function __construct(string $url, HandlerStack $together, private readonly string $address)
    {
        $this->client = new Client([
            'base_uri' => $url,
            'handler' => $together,
            'cookies' => new CookieJar(),
            'timeout' => 60,
            'http_errors' => false,
            'allow_redirects' => false,
        ]);
    }

    /** @param  list<array{string, string}>  $blanks  of papers that wait to be filled in; those they may write in are theirs */
    public function signIn(array $blanks): bool
    {
        $this->look((string) $this->client->get('/sign-in')->getBody());
        $answer = $this->client->post('/sign-in', [
            'json' => ['email' => $this->address, 'password' => Seed::PASSWORD],
            'headers' => $this->headers(),
        ]);
        if ($answer->getStatusCode() !== 200) {
            return false;
        }
        $this->look((string) $this->client->get('/')->getBody());
        $this->files = array_slice(self::links('/files', (string) $this->client->get('/files')->getBody()), 0, 12);
        foreach (array_slice($this->files, 0, 6) as $file) {
            $page = (string) $this->client->get($file)->getBody();
            $this->papers = [...$this->papers, ...array_slice(self::links('/papers', $page), 0, 4)];
            str_contains($page, "action=\"{$file}/papers\"") && $this->own[] = $file;
        }
        foreach ($blanks as [$paper, $blank]) {
            count($this->blanks) < 3 && $this->entry($paper, $blank)->wait()->getStatusCode() < 300 && $this->blanks[] = [$paper, $blank];
        }

        return true;
    }

    /**
     * What they do next, by the throw of a die of a hundred.
     *
     * @param array{signers: list<string>, paper: string} $more links of signers; a document to upload
     * @return array{string, PromiseInterface} its name and its answer
     */
    public function act(int $die, array $more): array
    {
        return match (true) {
            $die < 18 || $this->files === [] => ['Today', $this->client->getAsync('/')],
            $die < 40 => ['a file', $this->client->getAsync(self::one($this->files))],
            $die < 60 && $this->papers !== [] => ['a paper', $this->client->getAsync(self::one($this->papers))],
            $die < 75 && $this->blanks !== [] => ['an entry', $this->entry(...self::one($this->blanks))],
            $die < 87 => ['finding', $this->client->getAsync('/find?q='.self::one(self::WORDS))],
            $die < 93 && $more['signers'] !== [] => ['signing', $this->client->getAsync(self::one($more['signers']))],
            $die < 94 && $this->own !== [] => ['uploading', $this->upload(self::one($this->own), $more['paper'])],
            default => ['the files', $this->client->getAsync('/files')],
        };
    }

    /** @return list<PromiseInterface> the pictures that a page asks for */
    public function pictures(string $page): array
    {
        preg_match_all('~(?:src|data-src)="([^"]+\.webp[^"]*)"~', $page, $found);

        return array_map(
            fn (string $path) => $this->client->getAsync(html_entity_decode($path)),
            array_slice(array_unique($found[1]), 0, 3),
        );
    }

    private function entry(string $paper, string $blank): PromiseInterface
    {
        return $this->client->postAsync("/papers/{$paper}/entries", [
            'json' => ['blank' => $blank, 'value' => 'Load '.random_int(0, 9999), 'key' => 'load-'.bin2hex(random_bytes(8))],
            'headers' => $this->headers(),
        ]);
    }

    private function upload(string $file, string $paper): PromiseInterface
    {
        return $this->client->postAsync("{$file}/papers", [
            'multipart' => [
                // Of each other bytes: the same once more is no other document.
                ['name' => 'pdf', 'contents' => $paper."\n% ".bin2hex(random_bytes(8))."\n", 'filename' => 'Load.pdf'],
                ['name' => 'key', 'contents' => 'load-'.bin2hex(random_bytes(8))],
            ],
            'headers' => $this->headers(),
        ]);
    }

    /** @return array<string, string> */
    private function headers(): array
    {
        return ['X-CSRF-TOKEN' => $this->token, 'Accept' => 'application/json'];
    }

    private function look(string $page): void
    {
        preg_match('/name="csrf-token" content="([^"]+)"/', $page, $found) === 1 && ($this->token = $found[1]);
    }

    /** @return list<string> */
    private static function links(string $to, string $page): array
    {
        preg_match_all('~href="(?:https?://[^/"]+)?('.$to.'/[0-9A-Z]{26})"~', $page, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     * @return T
     */
    private static function one(array $of): mixed
    {
        return $of[array_rand($of)];
    }
}
