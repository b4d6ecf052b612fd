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
        DB::table('blobs')->insertOrIgnore([
            'brokerage_id' => $brokerageId,
            'sha256' => $sha256,
            'size' => strlen($bytes),
            'media_type' => $mediaType,
        ]);

        return $sha256;
    }

    /** @throws BytesMissing when they are gone or no longer what they were */
    public function read(string $sha256): string
    {
        $bytes = $this->store->read($sha256);

        return hash('sha256', $bytes) === $sha256 ? $bytes : throw BytesMissing::named($sha256);
    }

    /** Where native tools can read them. @throws BytesMissing */
    public function path(string $sha256): string
    {
        return $this->store->path($sha256);
    }
}
