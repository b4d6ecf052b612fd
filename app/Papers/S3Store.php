<?php

declare(strict_types=1);

namespace App\Papers;

use GuzzleHttp\Client;
use GuzzleHttp\ClientInterface;
use GuzzleHttp\Exception\GuzzleException;

/**
 * Bytes in an object store that speaks S3: three calls, each signed.
 *
 * @link https://docs.aws.amazon.com/AmazonS3/latest/API/sig-v4-header-based-auth.html Signature Version 4
 */
final class S3Store implements Store
{
    public function __construct(
        private readonly ClientInterface $client,
        private readonly string $endpoint,
        private readonly string $region,
        private readonly string $bucket,
        private readonly string $key,
        #[\SensitiveParameter] private readonly string $secret,
        private readonly LocalStore $near,
    ) {
    }

    /** @param  array<string, mixed>  $config */
    public static function fromConfig(array $config): self
    {
        foreach (['endpoint', 'bucket', 'key', 'secret'] as $name) {
            if (! is_string($config[$name] ?? null) || $config[$name] === '') {
                throw new \RuntimeException("The object store is not configured: {$name} is missing.");
            }
        }

        return new self(
            new Client(['timeout' => 60, 'http_errors' => false]), rtrim($config['endpoint'], '/'), (string) $config['region'], $config['bucket'], $config['key'], $config['secret'],
            new LocalStore(storage_path('app/near')),
        );
    }

    public function write(string $name, string $bytes): void
    {
        $this->near->write($name, $bytes);
        if ($this->call('PUT', $name, $bytes)[0] !== 200) {
            throw new \RuntimeException('The object store did not take the paper. Try again in a minute.');
        }
    }

    public function read(string $name): string
    {
        return (string) file_get_contents($this->path($name));
    }

    public function has(string $name): bool
    {
        return $this->call('HEAD', $name)[0] === 200;
    }

    public function path(string $name): string
    {
        if (! $this->near->has($name)) {
            [$status, $bytes] = $this->call('GET', $name);
            if ($status !== 200 || hash('sha256', $bytes) !== $name) {
                throw BytesMissing::named($name);
            }
            $this->near->write($name, $bytes);
        }

        return $this->near->path($name);
    }

    /** @return array{int, string} */
    private function call(string $method, string $name, string $body = ''): array
    {
        $path = "/{$this->bucket}/{$name}";
        $host = (string) preg_replace('~^https?://~', '', $this->endpoint);
        $now = gmdate('Ymd\THis\Z');
        $scope = substr($now, 0, 8)."/{$this->region}/s3/aws4_request";
        $sum = hash('sha256', $body);
        $canonical = "{$method}\n{$path}\n\nhost:{$host}\nx-amz-content-sha256:{$sum}\nx-amz-date:{$now}\n\nhost;x-amz-content-sha256;x-amz-date\n{$sum}";
        $signing = array_reduce(explode('/', $scope), static fn (string $key, string $part) => hash_hmac('sha256', $part, $key, true), 'AWS4'.$this->secret);
        $signature = hash_hmac('sha256', "AWS4-HMAC-SHA256\n{$now}\n{$scope}\n".hash('sha256', $canonical), $signing);
        try {
            $response = $this->client->request($method, $this->endpoint.$path, ['http_errors' => false, 'body' => $body, 'headers' => [
                'x-amz-date' => $now, 'x-amz-content-sha256' => $sum,
                'Authorization' => "AWS4-HMAC-SHA256 Credential={$this->key}/{$scope}, SignedHeaders=host;x-amz-content-sha256;x-amz-date, Signature={$signature}",
            ]]);
        } catch (GuzzleException $failed) {
            throw new \RuntimeException('The object store does not answer. Try again in a minute.', previous: $failed);
        }

        return [$response->getStatusCode(), (string) $response->getBody()];
    }
}
