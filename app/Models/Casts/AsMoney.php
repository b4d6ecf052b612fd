<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use Unanimus\Money\Money;

/**
 * An exact amount, in a column of decimals.
 *
 * @implements CastsAttributes<Money, Money|string>
 */
final class AsMoney implements CastsAttributes
{
    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?Money
    {
        return is_scalar($value) ? Money::of((string) $value) : null;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return match (true) {
            $value instanceof Money => $value->decimal(),
            is_string($value) => Money::of($value)->decimal(),
            default => null,
        };
    }
}
