<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\DealFile;
use App\Models\Offer;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Model;
use Unanimus\Parties\Side;

/**
 * Which rows a person may reach: those of their brokerage; of its files those they serve or answer for; in a file of both
 * sides their own side's and what is common; what is the office's alone only those who may know it; what is somebody's own
 * only that person. The database holds the same line by itself.
 */
final class Reach
{
    /** Tables whose rows may be somebody's own. */
    private const PERSONAL = ['contacts', 'saved_views', 'kits', 'stencils'];

    public static function allows(User $user, Model $row): bool
    {
        $has = $row->getAttributes();
        if ((int) ($has['brokerage_id'] ?? 0) !== $user->brokerage_id) {
            return false;
        }
        if ($row instanceof DealFile) {
            return self::ofFile($user, $row);
        }
        if (isset($has['deal_file_id'])) {
            $file = $row->relationLoaded('file')
                ? $row->getRelation('file')
                : DealFile::query()->with('members')->find($has['deal_file_id']);
            // Whoever asks next, the rule for ended files or the controller, finds it here.
            $file !== null && method_exists($row, 'file') && $row->setRelation('file', $file);

            return $file instanceof DealFile && self::ofFile($user, $file) && self::ofSide($user, $file, self::sideOf($row));
        }

        if ($user->guest || ($row instanceof User && $row->guest)) {
            return false;
        }
        $isPersonal = in_array($row->getTable(), self::PERSONAL, true);

        return ! $isPersonal || $has['user_id'] === null || (int) $has['user_id'] === $user->id || (bool) ($has['shared'] ?? false);
    }

    private static function ofFile(User $user, DealFile $file): bool
    {
        return $file->brokerage_id === $user->brokerage_id &&
            $file->practice_over_at === null &&
            ($file->members->contains('user_id', $user->id) ||
                (! $file->isApart() && in_array($file->office_id, $user->officesInSight(), true)));
    }

    /** @param  array{Side|null, bool}  $whose */
    private static function ofSide(User $user, DealFile $file, array $whose): bool
    {
        [$side, $staffOnly] = $whose;
        $answers = in_array($file->office_id, $user->officesInSight(), true);
        $member = $file->members->firstWhere('user_id', $user->id);
        if ($answers) {
            return true;
        }

        return ($side === null || in_array($member?->side, [null, $side], true)) && (! $staffOnly || $member?->role === Role::Coordinator);
    }

    /** @return array{Side|null, bool} whose own a row is, by itself or by what it hangs on */
    private static function sideOf(Model $row): array
    {
        if ($row instanceof Offer) {
            return [$row->file->listingSide(), false];
        }
        $has = $row->getAttributes();
        if (array_key_exists('side', $has)) {
            return [$row->getAttribute('side'), (bool) ($has['staff_only'] ?? false)];
        }
        foreach (['round', 'set', 'paper'] as $above) {
            $parent = method_exists($row, $above) ? $row->getRelationValue($above) : null;
            if ($parent instanceof Model) {
                return self::sideOf($parent);
            }
        }

        return [null, false];
    }
}
