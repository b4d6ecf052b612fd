<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\DealFile;
use App\Models\Sight;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Scope;

/**
 * While a person is served, every list of rows is of their brokerage, and of files those they serve or answer for: said in
 * the question itself, so that it does not hang on row-level security alone.
 */
final class OfBrokerage implements Scope
{
    /** @param  Builder<Model>  $builder */
    public function apply(Builder $builder, Model $model): void
    {
        $user = Sight::person();
        if ($user === null) {
            return;
        }
        $table = $model->getTable();
        $builder->where("{$table}.brokerage_id", $user->brokerage_id);
        if ($model instanceof DealFile && Sight::file() === null) {
            $builder->where(
                static fn (Builder $file) => $file
                    ->whereIn("{$table}.office_id", $user->officesInSight())
                    ->orWhereRaw(
                        "exists (select 1 from file_members where file_members.deal_file_id = {$table}.id and file_members.user_id = ?)",
                        [$user->id],
                    ),
            );
        }
    }
}
