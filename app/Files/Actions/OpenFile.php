<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\OfficeCoordinator;
use App\History\History;
use App\Models\DealFile;
use App\Models\OfficeRole;
use App\Models\Party;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use App\Requirements\Actions\ApplyKit;
use App\Requirements\KitShelf;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Requirements\TaskRule;
use Unanimus\Steps\StepRefused;

/** Opens a file: it exists from the first entry on. */
final class OpenFile
{
    /** @throws StepRefused when the person may not open files */
    public function __invoke(
        User $by,
        Representation $represents = Representation::Buyer,
        DealKind $kind = DealKind::Sale,
        ?int $officeId = null,
        string $name = 'New file',
        bool $practice = false,
    ): DealFile {
        $own = $by->officeRoles->first(
            static fn (OfficeRole $role) => ($officeId === null || $role->office_id === $officeId) &&
                in_array($role->role, [Role::Agent, Role::Coordinator, Role::Broker], true),
        );
        if ($own === null) {
            throw FileRefusal::MayNotOpenFiles->because();
        }
        $agent = $by->holds(Role::Agent);
        // The member before the file: a file is seen by those it names, also by the one who is just opening it.
        $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('deal_files', 'id')) AS id")->id;
        DB::table('file_members')->insert([
            'brokerage_id' => $by->brokerage_id,
            'deal_file_id' => $id,
            'user_id' => $by->id,
            'role' => $agent ? Role::Agent : Role::Coordinator,
        ]);
        $file = DealFile::create([
            'id' => $id,
            'brokerage_id' => $by->brokerage_id,
            'office_id' => $own->office_id,
            'name' => $name,
            'represents' => $represents,
            'kind' => $kind,
            'opened_by' => $by->id,
            'practice' => $practice,
        ]);
        $told = ['side' => $represents->value, 'kind' => $kind->value];
        History::add($file->brokerage_id, $file->id, 'File opened', $told, SeenBy::everyone());
        if ($agent) {
            $this->seat($file, PartyRole::Agent, $by);
        }
        $broker = OfficeRole::query()->where('office_id', $own->office_id)->where('role', Role::Broker)->orderBy('id')->first();
        if ($broker !== null && $kind->isDeal() && ! $practice) {
            $this->seat($file, PartyRole::Broker, User::query()->findOrFail($broker->user_id));
        }
        app(ApplyKit::class)($file);
        $coordinator = $agent && $kind->isDeal() && ! $practice ? OfficeCoordinator::of($file->office) : null;
        $coordinator === null || $coordinator->id === $by->id || $this->join($file, $coordinator, Role::Coordinator);

        return $file;
    }

    /** Gives a colleague a part in the file. */
    public function join(DealFile $file, User $user, Role $role, ?Side $side = null): void
    {
        $file
            ->members()
            ->firstOrCreate(['user_id' => $user->id], ['brokerage_id' => $file->brokerage_id, 'role' => $role, 'side' => $side]);
        $this->handOver($file, $user, $role);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Joined the file',
            array_filter(['who' => $user->name, 'as' => $role->value, 'side' => $side?->value]),
            SeenBy::everyone(),
        );
    }

    /** The kits' tasks that are meant for such a role become theirs, where nobody has done them. */
    private function handOver(DealFile $file, User $user, Role $role): void
    {
        foreach (KitShelf::ofFile($file->load('kits')) as $kit) {
            $titles = array_map(
                static fn (TaskRule $task) => $task->title,
                array_filter($kit->tasks, static fn (TaskRule $task) => $task->for === $role->value),
            );
            $role === Role::Agent ||
                $file
                    ->tasks()
                    ->where('origin', $kit->key)
                    ->whereIn('title', $titles)
                    ->whereNull('done_at')
                    ->update(['user_id' => $user->id]);
        }
    }

    /**
     * Brings a colleague in for the other side of a file of the brokerage: from then on each side's agents see what is common
     * and their own side's.
     *
     * @throws StepRefused when the file has no other side to join
     */
    public function joinOtherSide(int $fileId, User $by): DealFile
    {
        return Sight::asTheFile($fileId, function () use ($fileId, $by): DealFile {
            $file = DealFile::query()->with('members')->whereKey($fileId)->lockForUpdate()->firstOrFail();
            $side = $file->represents->isListingAlone() ? $file->represents->side() : null;
            if ($side === null) {
                throw FileRefusal::MayNotJoin->because();
            }
            if ($file->members->contains('user_id', $by->id) || ! $file->status->isOpen()) {
                throw FileRefusal::NoOpenSide->because();
            }
            foreach ($file->members as $member) {
                $member->role === Role::Agent && $member->side === null && $member->update(['side' => $side]);
            }
            // What was brought in or sent before belongs to the side that did so; what the kits know as common becomes so below.
            foreach (['papers', 'rounds'] as $table) {
                DB::table($table)
                    ->where('deal_file_id', $file->id)
                    ->whereNull('side')
                    ->when($table === 'papers', static fn ($papers) => $papers->where('called_by', ''))
                    ->update(['side' => $side]);
            }
            DB::update(
                'UPDATE requirements r SET side = p.side FROM papers p WHERE p.id = r.paper_id AND p.deal_file_id = ? AND p.side IS '.
                    'NOT NULL',
                [$file->id],
            );
            $file->update(['represents' => Representation::Both]);
            $this->join($file, $by, Role::Agent, $side->across());
            $file
                ->members()
                ->where('user_id', $by->id)
                ->update(['joined_at' => DB::raw('clock_timestamp()')]);
            $number = (int) $file->parties()->where('role', PartyRole::Agent)->max('number') + 1;
            $file
                ->parties()
                ->create([
                    'brokerage_id' => $file->brokerage_id,
                    'role' => PartyRole::Agent,
                    'number' => $number,
                    'name' => $by->name,
                    'signing_name' => $by->name,
                    'initials' => Party::initialsOf($by->name),
                    'user_id' => $by->id,
                ])
                ->reach(['email' => $by->email, 'phone' => $by->phone]);
            app(ApplyKit::class)($file);

            return $file;
        });
    }

    /** Seats a colleague as one of ours. */
    public function seat(DealFile $file, PartyRole $role, User $user): Party
    {
        $party = $file->parties()->updateOrCreate(
            ['role' => $role, 'number' => 1],
            [
                'brokerage_id' => $file->brokerage_id,
                'name' => $user->name,
                'signing_name' => $user->name,
                'initials' => Party::initialsOf($user->name),
                'user_id' => $user->id,
            ],
        );
        $party->reach(['email' => $user->email, 'phone' => $user->phone]);

        return $party;
    }
}
