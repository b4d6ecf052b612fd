<?php

declare(strict_types=1);

namespace App\Access;

use App\Files\Models\DealFile;
use Illuminate\Support\Facades\Gate;

/** Who may do what; whatever is not named here nobody may. The database holds the same line for what is seen at all. */
final class Policies
{
    public static function define(): void
    {
        Gate::define('open-files', static fn (User $user) => $user->opensFiles());
        Gate::define('see', static fn (User $user, DealFile $file) => Reach::allows($user, $file));
        Gate::define('work-on', static fn (User $user, DealFile $file) => $file->brokerage_id === $user->brokerage_id && $file->isServedBy($user));
        Gate::define('review', static fn (User $user, DealFile $file) => $user->holds(Role::Broker, $file->office_id));
        Gate::define('review-desk', static fn (User $user) => $user->isBroker());
        Gate::define('commission-place', static fn (User $user) => $user->opensFiles() || $user->holds(Role::Bookkeeper));
        Gate::define('see-commission', static fn (User $user, DealFile $file) => $user->holds(Role::Broker, $file->office_id) || $user->holds(Role::Bookkeeper, $file->office_id) || $file->members->contains(static fn ($member) => $member->user_id === $user->id));
        Gate::define('set-commission', static fn (User $user, DealFile $file) => $user->holds(Role::Broker, $file->office_id) || $user->holds(Role::Bookkeeper, $file->office_id) || $file->isServedBy($user));
        Gate::define('authorize-disbursement', static fn (User $user, DealFile $file) => $user->holds(Role::Broker, $file->office_id));
        Gate::define('open-kits', static fn (User $user) => $user->opensFiles() || $user->holds(Role::Administrator));
        Gate::define('keep-rules', static fn (User $user) => $user->holds(Role::Administrator) || $user->isBroker());
        Gate::define('make-forms', static fn (User $user) => $user->isBroker() || $user->holds(Role::Administrator) || $user->holds(Role::Coordinator));
        Gate::define('put-forms-in-force', static fn (User $user) => $user->isBroker() || $user->holds(Role::Administrator));
        Gate::define('run-office', static fn (User $user) => $user->isBroker() || $user->holds(Role::Administrator));
    }
}
