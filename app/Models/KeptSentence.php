<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;

/**
 * A sentence that a reviewer says again and again, with fields of the deal in braces: "{price} is not what the file says."
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $user_id whose own it is; null: everybody's who reviews
 * @property string $text
 */
final class KeptSentence extends Record
{
    use HasKey;

    /** @return Collection<int, self> those a person may use */
    public static function of(User $user): Collection
    {
        return self::query()
            ->where(static fn ($any) => $any->whereNull('user_id')->orWhere('user_id', $user->id))
            ->orderBy('id')
            ->limit(100)
            ->get();
    }
}
