<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\DealFile;
use App\Models\User;
use Unanimus\Parties\Side;

/** Whose commissions a file has: where both sides are ours each has a sheet of its own. */
final class CommissionSides
{
    /** @return list<Side> the sides this person may look at, the listing's first; none: the file has but one sheet */
    public static function of(DealFile $file, User $user): array
    {
        if (! $file->represents->isBoth()) {
            return [];
        }
        $all = $file->kind->sides();
        usort($all, static fn (Side $a, Side $b) => $b->isListing() <=> $a->isListing());
        $own = $file->sideOf($user);

        return $own === null ? $all : [$own];
    }

    /** The one that is asked for, where this person may look at it; else the first. */
    public static function asked(DealFile $file, User $user, mixed $asked): ?Side
    {
        $sides = self::of($file, $user);
        $side = is_string($asked) ? Side::tryFrom($asked) : null;

        return in_array($side, $sides, true) ? $side : $sides[0] ?? null;
    }
}
