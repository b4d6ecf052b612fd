<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Support\Facades\DB;

/**
 * Papers' bytes, under their SHA-256: written durably before the row that names them, never changed, shared by all that
 * have the same.
 */
final class Bytes
{
    public function __construct(private readonly Store $store)
    {
    }

    /** Keeps bytes for a brokerage and gives their SHA-256. */
    public function keep(int $brokerageId, string $bytes, string $mediaType = 'application/pdf'): string
    {
        $sha256 = hash('sha256', $bytes);
        $this->store->write($sha256, $bytes);
        // What was kept long ago may just be let go: whoever keeps it again waits for that, and it is not let go for a day from now.
        DB::insert(
            "INSERT INTO blobs (brokerage_id, sha256, size, media_type) VALUES (?, ?, ?, ?)
                ON CONFLICT (brokerage_id, sha256) DO UPDATE SET kept_at = clock_timestamp()
                    WHERE blobs.kept_at < clock_timestamp() - interval '1 hour'",
            [$brokerageId, $sha256, strlen($bytes), $mediaType],
        );
        $this->store->has($sha256) || $this->store->write($sha256, $bytes);

        return $sha256;
    }

    /** Puts bytes back whose row is there, or comes. @throws BytesMissing when they are not what their name says */
    public function putBack(string $sha256, string $bytes): void
    {
        hash('sha256', $bytes) === $sha256 || throw BytesMissing::named($sha256);
        $this->store->has($sha256) || $this->store->write($sha256, $bytes);
    }

    /** @throws BytesMissing when they are gone or no longer what they were */
    public function read(string $sha256): string
    {
        $bytes = $this->store->read($sha256);

        return hash('sha256', $bytes) === $sha256 ? $bytes : throw BytesMissing::named($sha256);
    }

    /** Lets go of bytes that no row names any more. */
    public function drop(string $sha256): void
    {
        $this->store->drop($sha256);
    }

    /** Where native tools can read them. @throws BytesMissing */
    public function path(string $sha256): string
    {
        return $this->store->path($sha256);
    }
}
