<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Crypt;
use Laravel\Sanctum\HasApiTokens;
use Unanimus\Access\Permission;
use Unanimus\Notices\NoticeSettings;

/**
 * A person who signs in.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property string $name
 * @property string $email
 * @property bool $owes_two_step whether a role of theirs needs two steps to sign in
 * @property string $mail_code behind the dot of their address for papers
 * @property string|null $phone
 * @property string $password
 * @property string|null $letter_signature at the foot of what they write
 * @property bool $active
 * @property bool $guest whether it is no colleague but the other side's agent, who works on papers given to them
 * @property bool $single_keys whether single keys do something
 * @property array<string, mixed> $notices how they want to be told, as NoticeSettings reads it
 * @property \Illuminate\Support\Carbon|null $digest_at when their last digest went out
 * @property int $calendar_version
 * @property string|null $second_factor
 * @property \Illuminate\Support\Carbon|null $second_factor_at
 * @property int|null $second_factor_step
 * @property list<string> $recovery_codes
 * @property string|null $invited_at
 * @property string|null $company_subject what the brokerage’s own sign-in calls them
 * @property string|null $invited_email where the address given signs in at another brokerage
 * @property-read Collection<int, OfficeRole> $officeRoles
 */
final class User extends Authenticatable
{
    use HasApiTokens;
    use HasKey;

    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes'];

    /** @var array<string, string> */
    protected $casts = ['active' => 'boolean', 'owes_two_step' => 'boolean', 'guest' => 'boolean', 'second_factor_at' => 'datetime',
        'recovery_codes' => 'array', 'notices' => 'array', 'digest_at' => 'datetime'];

    /** The token of the device this person came by; of each device its own, so that none stands in this row. */
    private string $deviceToken = '';

    public function getRememberToken(): string
    {
        return $this->deviceToken;
    }

    public function setRememberToken(#[\SensitiveParameter] $value): void
    {
        $this->deviceToken = (string) $value;
    }

    /** The address to write to: of someone invited who signs in with it elsewhere, the one that was given. */
    public function address(): string
    {
        return $this->invited_email ?? $this->email;
    }

    /** How they want to be told of what happens. */
    public function noticeSettings(): NoticeSettings
    {
        return NoticeSettings::of($this->notices ?? []);
    }

    /** The secret of the second factor, read. */
    public function getSecondFactorAttribute(?string $kept): ?string
    {
        return $kept === null ? null : Crypt::decryptString($kept);
    }

    /** Whoever a request comes from; nobody else gets further. */
    public static function signedIn(Request $request): self
    {
        $user = $request->user();

        return $user instanceof self ? $user : abort(403);
    }

    /** @return Builder<self> those who work here; guests are let in by a link and are none of them */
    public static function colleagues(): Builder
    {
        return self::query()->where('guest', false);
    }

    /** @return HasMany<OfficeRole, $this> */
    public function officeRoles(): HasMany
    {
        return $this->hasMany(OfficeRole::class);
    }

    /** Whether they have the role in any office, or in that one. */
    public function holds(Role $role, ?int $officeId = null): bool
    {
        return $this->officeRoles->contains(
            static fn (OfficeRole $held) => $held->role === $role && ($officeId === null || $held->office_id === $officeId),
        );
    }

    /** Whether a role of theirs may do something, in an office or in any. */
    public function may(Permission $permission, ?int $officeId = null): bool
    {
        return $this->officeRoles->contains(static fn (OfficeRole $held) => ($officeId === null || $held->office_id === $officeId)
            && in_array($held->role->value, OfficePermission::roles($permission, $held->office_id), true));
    }

    /** Whether they run that office: its brokers and administrators. */
    public function runs(Office $office): bool
    {
        return $this->holds(Role::Broker, $office->id) || $this->holds(Role::Administrator, $office->id);
    }

    /** Whether they may open files: agents, coordinators, brokers. */
    public function opensFiles(): bool
    {
        return $this->holds(Role::Agent) || $this->holds(Role::Coordinator) || $this->holds(Role::Broker);
    }

    /** Whether they review and authorize in any office. */
    public function isBroker(): bool
    {
        return $this->holds(Role::Broker);
    }

    /** @return Collection<int, self> those who are active in an office in a role, by name */
    public static function inOffice(Office $office, Role $role): Collection
    {
        return self::query()
            ->where('active', true)
            ->whereHas('officeRoles', static fn ($roles) => $roles->where(['office_id' => $office->id, 'role' => $role]))
            ->orderBy('name')
            ->get();
    }

    /** The zone of the office they work in. */
    public function zone(): string
    {
        return $this->officeRoles->first()->office->zone ?? 'UTC';
    }

    /** @return list<int> the offices whose every file they see */
    public function officesInSight(): array
    {
        return array_values(
            $this->officeRoles
                ->filter(static fn (OfficeRole $held) => $held->role->seesOffice())
                ->pluck('office_id')
                ->unique()
                ->all(),
        );
    }

    /** Their strongest role, as read beside the name. */
    public function title(): string
    {
        foreach (['broker', 'administrator', 'bookkeeper', 'coordinator', 'agent'] as $role) {
            if ($this->holds(Role::from($role))) {
                return $role;
            }
        }

        return 'no role';
    }
}
