<?php

declare(strict_types=1);

namespace App\Overview\Actions;

use App\Models\SavedView;
use App\Models\User;
use Unanimus\Access\AccessRefusal;
use Unanimus\Steps\StepRefused;

/** Views of the files list that a person saved. */
final class KeepViews
{
    public function keep(User $user, string $name, string $query, string $columns, bool $shared): void
    {
        SavedView::query()->updateOrCreate(
            ['user_id' => $user->id, 'name' => trim($name)],
            ['brokerage_id' => $user->brokerage_id, 'query' => $query, 'columns' => $columns, 'shared' => $shared],
        );
    }

    /** @throws StepRefused when it is someone else's */
    public function drop(User $user, SavedView $view): void
    {
        if ($view->user_id !== $user->id) {
            throw AccessRefusal::NotOwnView->because();
        }
        $view->delete();
    }
}
