<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Access\Role;
use App\Access\User;
use App\Files\Models\DealFile;
use App\Files\Models\Party;
use App\History\History;
use App\Office\Models\OfficeRole;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\StepRefused;

/** Opens a file: it exists from the first entry on. */
final class OpenFile
{
    /** @throws StepRefused when the person may not open files */
    public function __invoke(User $by, string $side = 'buyer', string $kind = 'sale', ?int $officeId = null): DealFile
    {
        $own = $by->officeRoles->first(static fn (OfficeRole $role) => ($officeId === null || $role->office_id === $officeId) && in_array($role->role, ['agent', 'coordinator', 'broker'], true));
        if ($own === null) {
            throw new StepRefused('Files are opened by agents, coordinators and brokers. Ask the administrator for one of these roles.');
        }
        $agent = $by->holds(Role::Agent);
        // The member before the file: a file is seen by those it names, also by the one who is just opening it.
        $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('deal_files', 'id')) AS id")->id;
        DB::table('file_members')->insert(['brokerage_id' => $by->brokerage_id, 'deal_file_id' => $id, 'user_id' => $by->id, 'role' => $agent ? 'agent' : 'coordinator']);
        $file = DealFile::create([
            'id' => $id, 'brokerage_id' => $by->brokerage_id, 'office_id' => $own->office_id, 'name' => 'New file', 'side' => $side, 'kind' => $kind,
            'kit' => $kind === 'sale' && $side === 'buyer' ? 'purchase-buyer' : null, 'opened_by' => $by->id,
        ]);
        History::add($file->brokerage_id, $file->id, 'File opened', ['side' => $side, 'kind' => $kind]);
        if ($agent) {
            $this->seat($file, 'agent', $by);
        }
        $broker = OfficeRole::query()->where('office_id', $own->office_id)->where('role', 'broker')->orderBy('id')->first();
        if ($broker !== null) {
            $this->seat($file, 'broker', User::query()->findOrFail($broker->user_id));
        }
        app(ApplyKit::class)($file);

        return $file;
    }

    /** Gives a colleague a part in the file. */
    public function join(DealFile $file, User $user, string $role): void
    {
        $file->members()->firstOrCreate(['user_id' => $user->id], ['brokerage_id' => $file->brokerage_id, 'role' => $role]);
    }

    /** Seats a colleague as one of ours. */
    public function seat(DealFile $file, string $role, User $user): Party
    {
        return $file->parties()->updateOrCreate(['role' => $role, 'number' => 1], [
            'brokerage_id' => $file->brokerage_id, 'name' => $user->name, 'signing_name' => $user->name, 'initials' => Party::initialsOf($user->name),
            'email' => $user->email, 'phone' => $user->phone, 'user_id' => $user->id,
        ]);
    }
}
