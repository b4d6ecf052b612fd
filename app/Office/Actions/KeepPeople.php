<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\BrokerageLimits;
use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Unanimus\Access\AccessRefusal;
use Unanimus\Steps\StepRefused;

/** People of the brokerage: invited, given roles, deactivated. */
final class KeepPeople
{
    /**
     * @throws StepRefused when the address is taken, or the one who invites does not run the office
     */
    public function invite(User $by, string $name, string $email, Office $office, Role $role): User
    {
        $this->mayRun($by, $office, $role);
        BrokerageLimits::peopleLeft($by->brokerage_id) !== 0 || throw AccessRefusal::TooManyPeople->because();
        if (
            User::query()
                ->where(
                    static fn ($person) => $person
                        ->whereRaw('lower(email) = lower(?)', [$email])
                        ->orWhereRaw('lower(invited_email) = lower(?)', [$email]),
                )
                ->exists()
        ) {
            throw AccessRefusal::AddressTaken->because();
        }
        // Whether it signs in anywhere else is nobody's business here: the answer is the same, the email tells its owner.
        $elsewhere = DB::selectOne('SELECT 1 FROM user_by_address(?)', [$email]) !== null;
        $user = User::create([
            'brokerage_id' => $by->brokerage_id,
            'name' => trim($name),
            'email' => $elsewhere ? 'invited-'.strtolower((string) Str::ulid()).'@invalid' : trim($email),
            'invited_email' => $elsewhere ? trim($email) : null,
            'password' => Hash::make(Str::random(40)),
            'invited_at' => now(),
        ]);
        OfficeRole::create([
            'brokerage_id' => $by->brokerage_id,
            'user_id' => $user->id,
            'office_id' => $office->id,
            'role' => $role->value,
        ]);
        History::ofBrokerage(
            $by->brokerage_id,
            'Person invited',
            ['person' => $user->name, 'office' => $office->name, 'role' => $role->value],
            $office->id,
        );
        $this->sendInvitation($user, $by);

        return $user;
    }

    public function sendInvitation(User $user, User $by): void
    {
        if ($user->invited_email !== null) {
            Post::toColleague(
                $by->brokerage_id,
                "invitation:{$user->key}:".now()->format('YmdHi'),
                new Addressee($user->name, $user->invited_email),
                Wording::of('invitation_taken', ['by' => $by->name]),
                '/sign-in',
            );

            return;
        }
        Post::toColleague(
            $by->brokerage_id,
            "invitation:{$user->key}:".now()->format('YmdHi'),
            Addressee::user($user),
            Wording::of('invitation', ['by' => $by->name]),
            "invitation {$user->key}",
        );
    }

    /**
     * Gives or takes a role.
     *
     * @throws StepRefused when they do not run that office, or the brokerage would be left without an administrator
     */
    public function setRole(User $by, User $user, Office $office, Role $role, bool $held): void
    {
        $this->mayRun($by, $office, $role);
        if (
            ! $held &&
            $role === Role::Administrator &&
            OfficeRole::query()
                ->where('role', Role::Administrator)
                ->where('user_id', '<>', $user->id)
                ->whereIn('user_id', User::query()->where('active', true)->select('id'))
                ->doesntExist()
        ) {
            throw AccessRefusal::LastAdministrator->because();
        }
        $held
            ? OfficeRole::query()->firstOrCreate([
                'brokerage_id' => $by->brokerage_id,
                'user_id' => $user->id,
                'office_id' => $office->id,
                'role' => $role->value,
            ])
            : OfficeRole::query()
                ->where(['user_id' => $user->id, 'office_id' => $office->id, 'role' => $role->value])
                ->delete();
        History::ofBrokerage(
            $by->brokerage_id,
            $held ? 'Role given' : 'Role taken away',
            ['person' => $user->name, 'office' => $office->name, 'role' => $role->value],
            $office->id,
        );
    }

    /**
     * Closes a person's access at once, on every device. Their files and papers stay.
     *
     * @throws StepRefused when it is oneself, or the last administrator
     */
    public function deactivate(User $by, User $user): void
    {
        if ($user->id === $by->id) {
            throw AccessRefusal::OwnAccess->because();
        }
        foreach ($user->officeRoles as $role) {
            $this->mayRun($by, $role->office, $role->role);
        }
        if (
            $user->holds(Role::Administrator) &&
            OfficeRole::query()
                ->where('role', Role::Administrator)
                ->where('user_id', '<>', $user->id)
                ->whereIn('user_id', User::query()->where('active', true)->select('id'))
                ->doesntExist()
        ) {
            throw AccessRefusal::LastAdministrator->because();
        }
        CloseAccess::of($user);
        History::ofBrokerage($by->brokerage_id, 'Access closed', ['person' => $user->name]);
    }

    /** That an administrator begins to look as somebody. */
    public function noteLook(User $user): void
    {
        History::ofBrokerage($user->brokerage_id, 'Looked as', ['person' => $user->name]);
    }

    public function activate(User $by, User $user): void
    {
        foreach ($user->officeRoles as $role) {
            $this->mayRun($by, $role->office, $role->role);
        }
        $user->update(['active' => true]);
        History::ofBrokerage($by->brokerage_id, 'Access opened', ['person' => $user->name]);
    }

    /** An invited person chooses a password, and is in. */
    public function choosePassword(User $user, string $password): void
    {
        DB::transaction(static function () use ($user, $password): void {
            DB::select("SELECT set_config('unanimus.brokerage', ?, true)", [(string) $user->brokerage_id]);
            Sight::ofPerson($user);
            DB::table('users')
                ->where('id', $user->id)
                ->update(['password' => Hash::make($password), 'invited_at' => null]);
            History::ofBrokerage($user->brokerage_id, 'Invitation accepted', ['person' => $user->name]);
        });
    }

    /** Brokers run their own offices; only an administrator makes brokers and administrators. */
    private function mayRun(User $by, Office $office, Role $role): void
    {
        if (
            $by->holds(Role::Administrator, $office->id) ||
            ($by->holds(Role::Broker, $office->id) && ! in_array($role, [Role::Broker, Role::Administrator], true))
        ) {
            return;
        }
        throw in_array($role, [Role::Broker, Role::Administrator], true)
            ? AccessRefusal::OnlyAdministrator->because()
            : AccessRefusal::NotTheirOffice->because(office: $office->name);
    }
}
