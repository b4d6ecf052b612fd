<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\Import;
use App\Models\Sight;
use App\Moving\Actions\MatchParcel;
use App\Moving\Actions\TakeParcel;
use App\Storage\Bytes;
use App\Work\Work;
use Unanimus\Moving\ZipParcel;

/** Reads the documents of a ZIP one by one; killed half-way it goes on with the next. */
final class ReadParcel extends Work
{
    public const KIND = 'moving-read';

    public int $timeout = 3600;

    protected function work(): void
    {
        $import = Sight::within($this->brokerageId, fn (): ?Import => Import::query()->find($this->thing));
        if ($import?->parcel_sha256 === null) {
            return;
        }
        $parcel = new ZipParcel(app(Bytes::class)->path($import->parcel_sha256), $import->name);
        $take = app(TakeParcel::class);
        for ($count = 1; $take->readNext($import, $parcel); $count++) {
            $count % 20 === 0 && $this->holdOn();
        }
        Sight::within($this->brokerageId, static fn () => app(MatchParcel::class)($import->refresh()));
    }
}
