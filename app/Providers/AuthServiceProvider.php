<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\PeopleProvider;
use App\Access\RememberedDevices;
use App\Models\ApiToken;
use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\Round;
use App\Models\User;
use App\Policies\DealFilePolicy;
use Illuminate\Foundation\Application;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use Unanimus\Access\Permission;

/** Who signs in, and who may do what; whatever is named neither here nor in a policy nobody may. */
final class AuthServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        config(['auth.guards.web.remember' => RememberedDevices::DAYS * 24 * 60]);
        Auth::provider('people', static fn (Application $app) => new PeopleProvider($app['hash'], User::class));
        Sanctum::usePersonalAccessTokenModel(ApiToken::class);
        Gate::policy(DealFile::class, DealFilePolicy::class);
        Gate::define('open-files', static fn (User $user) => $user->opensFiles());
        Gate::define('review-desk', static fn (User $user) => $user->isBroker());
        Gate::define('commission-place', static fn (User $user) => $user->opensFiles() || $user->holds(Role::Bookkeeper));
        // What a signer enters for few: whoever asked for it, and who answers for the file.
        Gate::define(
            'read-private',
            static fn (User $user, Round $round) => $round->user_id === $user->id || $user->holds(Role::Broker, $round->file->office_id),
        );
        Gate::define('open-kits', static fn (User $user) => $user->opensFiles() || $user->holds(Role::Administrator));
        Gate::define('keep-rules', static fn (User $user) => $user->may(Permission::KeepRules));
        Gate::define('import-files', static fn (User $user) => $user->opensFiles() && $user->may(Permission::ImportFiles));
        Gate::define('make-forms', static fn (User $user) => $user->may(Permission::MakeForms));
        Gate::define('put-forms-in-force', static fn (User $user) => $user->may(Permission::EnactForms));
        Gate::define('keep-standing-contacts', static fn (User $user) => $user->may(Permission::KeepContacts));
        Gate::define('connect', static fn (User $user) => $user->may(Permission::Connect));
        Gate::define(
            'sort-mail',
            static fn (User $user) => array_intersect(
                $user->officeRoles->map(static fn (OfficeRole $one) => $one->role->value)->all(),
                once(static fn () => Brokerage::query()->whereKey($user->brokerage_id)->value('sorts_mail') ?? []),
            ) !== [],
        );
        Gate::define('keep-plans', static fn (User $user) => $user->may(Permission::KeepPlans));
        Gate::define('keep-plans-of', static fn (User $user, User $agent) => $agent->officeRoles->contains(
            static fn (OfficeRole $one) => $user->may(Permission::KeepPlans, $one->office_id),
        ));
        Gate::define('word-disbursements', static fn (User $user) => $user->may(Permission::WordPayments));
        // Everyone writes letters of their own; those that everybody sends are kept by whoever runs files for others.
        Gate::define('form-letters', static fn (User $user) => $user->opensFiles() || $user->holds(Role::Administrator));
        Gate::define('keep-form-letters', static fn (User $user) => $user->may(Permission::KeepLetters));
        Gate::define('letter-rules', static fn (User $user) => $user->may(Permission::LetterRules));
        // Figures of a brokerage, or of offices, or one's own.
        Gate::define('see-reports', static fn (User $user) => Gate::forUser($user)->allows('see-plans'));
        Gate::define(
            'see-plans',
            static fn (User $user) => $user->holds(Role::Agent) || Gate::forUser($user)->allows('keep-plans'),
        );
        Gate::define('inbox', static fn (User $user) => $user->opensFiles() || Gate::forUser($user)->allows('sort-mail'));
        // Others see what was sent to their own address.
        Gate::define(
            'sort-item',
            static fn (User $user, InboundItem $item) => $item->brokerage_id === $user->brokerage_id &&
                ($item->for_user === $user->id || Gate::forUser($user)->allows('sort-mail')),
        );
        Gate::define('shelf', static fn (User $user) => ! $user->guest);
        Gate::define('keep-shelf', static fn (User $user) => $user->may(Permission::KeepShelf));
        Gate::define('roster', static fn (User $user) => ! $user->guest && $user->officeRoles->isNotEmpty());
        Gate::define('see-running', static fn (User $user) => $user->holds(Role::Administrator));
        Gate::define('permissions', static fn (User $user) => ! $user->guest && $user->officeRoles->isNotEmpty());
        Gate::define('set-up', static fn (User $user) => ! $user->guest && $user->holds(Role::Administrator));
        Gate::define('run-office', static fn (User $user) => $user->isBroker() || $user->holds(Role::Administrator));
    }
}
