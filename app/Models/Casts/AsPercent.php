<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use Unanimus\Money\Percent;

/**
 * An exact percentage, in a column of decimals.
 *
 * @implements CastsAttributes<Percent, Percent|string>
 */
final class AsPercent implements CastsAttributes
{
    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?Percent
    {
        return is_scalar($value) ? Percent::of((string) $value) : null;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return match (true) {
            $value instanceof Percent => $value->decimal(),
            is_string($value) => Percent::of($value)->decimal(),
            default => null,
        };
    }
}
