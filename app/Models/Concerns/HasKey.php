<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;

/** Rows that are named outside by a ULID, never by their number. @phpstan-require-extends Model */
trait HasKey
{
    public static function bootHasKey(): void
    {
        static::creating(static function (Model $model): void {
            if ($model->getAttributes()['key'] ?? null) {
                return;
            }
            $model->setAttribute('key', (string) Str::ulid());
        });
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }
}
