<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use Unanimus\Dates\LocalDate;

/**
 * A day without hour and zone, in a column of dates.
 *
 * @implements CastsAttributes<LocalDate, LocalDate|string>
 */
final class AsDay implements CastsAttributes
{
    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?LocalDate
    {
        return is_string($value) && $value !== '' ? LocalDate::of($value) : null;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return match (true) {
            $value instanceof LocalDate => $value->iso(),
            is_string($value) && $value !== '' => LocalDate::of($value)->iso(),
            default => null,
        };
    }
}
