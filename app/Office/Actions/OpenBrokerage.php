<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Brokerage;
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

/** Makes a brokerage of its own on this installation, with its first office and administrator; nothing of another is in it. */
final class OpenBrokerage
{
    /**
     * @param string $zone of its first office, as IANA names it
     * @param string $email to which the administrator's invitation goes
     *
     * @throws StepRefused when a name is missing, the zone is none, or somebody signs in with the address already
     */
    public function __invoke(string $name, string $office, string $zone, string $administrator, string $email): Brokerage
    {
        $named = static fn (string $one): string => mb_substr(trim($one), 0, 120);
        [$name, $office, $administrator] = [$named($name), $named($office), $named($administrator)];
        in_array('', [$name, $office, $administrator], true) && throw AccessRefusal::NameMissing->because();
        in_array($zone, \DateTimeZone::listIdentifiers(), true) || throw AccessRefusal::NoZone->because(zone: $zone);
        filter_var($email, FILTER_VALIDATE_EMAIL) !== false || throw AccessRefusal::NoAddress->because(email: $email);
        DB::selectOne('SELECT 1 FROM user_by_address(?)', [$email]) === null || throw AccessRefusal::AddressTaken->because();
        $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('brokerages', 'id')) AS id")->id;

        return Sight::within($id, static function () use ($id, $name, $office, $zone, $administrator, $email): Brokerage {
            DB::insert('INSERT INTO brokerages (id, key, name, sets_up) OVERRIDING SYSTEM VALUE VALUES (?, ?, ?, true)', [
                $id,
                (string) Str::ulid(),
                $name,
            ]);
            $first = Office::create(['brokerage_id' => $id, 'name' => $office, 'zone' => $zone, 'holidays' => []]);
            $user = User::create([
                'brokerage_id' => $id,
                'name' => $administrator,
                'email' => trim($email),
                'password' => Hash::make(Str::random(40)),
                'invited_at' => now(),
            ]);
            OfficeRole::create(['brokerage_id' => $id, 'user_id' => $user->id, 'office_id' => $first->id, 'role' => Role::Administrator]);
            History::ofBrokerage($id, 'Office opened', ['office' => $office, 'zone' => $zone], $first->id);
            History::ofBrokerage($id, 'Person invited', [
                'person' => $user->name,
                'office' => $office,
                'role' => 'administrator',
            ], $first->id);
            Post::toColleague(
                $id,
                "invitation:{$user->key}:".now()->format('YmdHi'),
                Addressee::user($user),
                Wording::of('invitation', ['by' => $name]),
                "invitation {$user->key}",
            );

            return Brokerage::query()->findOrFail($id);
        });
    }

    /** Nobody comes in any more; what is there stays, and can be moved out. @return int how many people it was closed to */
    public function close(Brokerage $brokerage): int
    {
        return Sight::within($brokerage->id, static function () use ($brokerage): int {
            $people = User::query()->where('active', true)->orderBy('id')->lockForUpdate()->get();
            $people->each(CloseAccess::of(...));
            $people->isEmpty() || History::ofBrokerage($brokerage->id, 'Brokerage closed', ['people' => $people->count()]);

            return $people->count();
        });
    }
}
