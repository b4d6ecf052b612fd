<?php

declare(strict_types=1);

namespace Tests\Support;

/** Someone at the running test copy without a browser, who can also do several things at the same moment. */
final class Visitor
{
    private readonly string $jar;

    private string $token = '';

    public function __construct(private readonly string $url)
    {
        $this->jar = (string) tempnam(sys_get_temp_dir(), 'jar');
    }

    public function __destruct()
    {
        @unlink($this->jar);
    }

    public function signIn(string $address): void
    {
        $this->get('/sign-in');
        $this->post('/sign-in', ['email' => $address, 'password' => 'lanternfish']);
        $this->get('/');
    }

    public function get(string $path): string
    {
        return $this->run($this->handle('GET', $path));
    }

    /** @param  array<string, mixed>  $data */
    public function post(string $path, array $data): string
    {
        return $this->run($this->handle('POST', $path, $data));
    }

    /** @param  array<string, mixed>  $data */
    public function put(string $path, array $data): string
    {
        return $this->run($this->handle('PUT', $path, $data));
    }

    /** @param  array<string, string>  $data */
    public function upload(string $path, string $field, string $file, array $data): string
    {
        $handle = $this->handle('POST', $path);
        curl_setopt($handle, CURLOPT_POSTFIELDS, [$field => new \CURLFile($file), ...$data]);

        return $this->run($handle);
    }

    /** @param  list<array{0: self, 1: string, 2?: array<string, mixed>}>  $posts all sent at once */
    public static function together(array $posts): void
    {
        $multi = curl_multi_init();
        $handles = array_map(static fn (array $post) => $post[0]->handle('POST', $post[1], $post[2] ?? []), $posts);
        array_map(static fn (\CurlHandle $handle) => curl_multi_add_handle($multi, $handle), $handles);
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.2);
        } while ($running > 0);
    }

    /** @param  array<string, mixed>  $data */
    private function handle(string $method, string $path, array $data = []): \CurlHandle
    {
        $handle = curl_init($this->url.$path);
        curl_setopt_array($handle, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_COOKIEJAR => $this->jar,
            CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_TIMEOUT => 60,
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_HTTPHEADER => ['X-CSRF-TOKEN: '.$this->token, 'Accept: text/html,application/json'],
        ]);
        $method === 'GET' || curl_setopt($handle, CURLOPT_POSTFIELDS, http_build_query($data));

        return $handle;
    }

    private function run(\CurlHandle $handle): string
    {
        $answer = (string) curl_exec($handle);
        // Cookies are written to the jar when the handle is gone.
        unset($handle);
        if (preg_match('/name="csrf-token" content="([^"]+)"/', $answer, $found) === 1) {
            $this->token = $found[1];
        }

        return $answer;
    }
}
