<?php

declare(strict_types=1);

namespace App\Storage;

use Aws\Exception\AwsException;
use Aws\S3\S3Client;

/** Bytes in an object store that speaks S3, with what was read lately kept near. */
final class S3Store implements Store
{
    public function __construct(private readonly S3Client $client, private readonly string $bucket, private readonly LocalStore $near)
    {
    }

    /** @param  array<string, mixed>  $config */
    public static function fromConfig(array $config): self
    {
        foreach (['endpoint', 'bucket', 'key', 'secret'] as $name) {
            if (! is_string($config[$name] ?? null) || $config[$name] === '') {
                throw new \RuntimeException("The object store is not configured: {$name} is missing.");
            }
        }

        return new self(self::client($config), $config['bucket'], new LocalStore(storage_path('app/near')));
    }

    /**
     * A client that is told everything: nothing is looked for in the machine's own files or asked of its surroundings.
     *
     * @param array<string, mixed> $config endpoint, region, key, secret
     * @param array<string, mixed> $more
     */
    public static function client(array $config, array $more = []): S3Client
    {
        return new S3Client([
            'version' => 'latest',
            'region' => (string) $config['region'],
            'endpoint' => rtrim((string) $config['endpoint'], '/'),
            'use_path_style_endpoint' => true,
            'credentials' => ['key' => $config['key'], 'secret' => $config['secret']],
            'use_aws_shared_config_files' => false,
            'retries' => 3,
            'http' => ['timeout' => 60, 'connect_timeout' => 5],
            'request_checksum_calculation' => 'when_required',
            'response_checksum_validation' => 'when_required',
            'suppress_php_deprecation_warning' => true,
            ...$more,
        ]);
    }

    public function write(string $name, string $bytes): void
    {
        $this->near->write($name, $bytes);
        try {
            $this->client->putObject([
                'Bucket' => $this->bucket,
                'Key' => $name,
                'Body' => $bytes,
                'ContentSHA256' => hash('sha256', $bytes),
            ]);
        } catch (AwsException $failed) {
            throw new \RuntimeException('The object store did not accept the file. Try again in a minute.', previous: $failed);
        }
    }

    public function read(string $name): string
    {
        return (string) file_get_contents($this->path($name));
    }

    public function has(string $name): bool
    {
        try {
            $this->client->headObject(['Bucket' => $this->bucket, 'Key' => $name]);

            return true;
        } catch (AwsException $failed) {
            return $failed->getStatusCode() === 404 ? false : throw self::silent($failed);
        }
    }

    public function path(string $name): string
    {
        if (! $this->near->has($name)) {
            $this->near->write($name, $this->fetch($name));
        }

        return $this->near->path($name);
    }

    public function drop(string $name): void
    {
        try {
            $this->client->deleteObject(['Bucket' => $this->bucket, 'Key' => $name]);
        } catch (AwsException $failed) {
            throw self::silent($failed);
        }
        $this->near->drop($name);
    }

    /** @throws BytesMissing when the store has them not, or others under their name */
    private function fetch(string $name): string
    {
        try {
            $bytes = (string) $this->client->getObject(['Bucket' => $this->bucket, 'Key' => $name])['Body'];
        } catch (AwsException $failed) {
            throw $failed->getStatusCode() === 404 ? BytesMissing::named($name) : self::silent($failed);
        }

        return hash('sha256', $bytes) === $name ? $bytes : throw BytesMissing::named($name);
    }

    private static function silent(AwsException $failed): \RuntimeException
    {
        return new \RuntimeException('The object store does not answer. Try again in a minute.', previous: $failed);
    }
}
