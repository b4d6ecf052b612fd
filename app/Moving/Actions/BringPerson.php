<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\Files\Actions\KeepContacts;
use App\Models\Import;
use App\Models\MovedLine;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Moving\Jobs\BringLists;
use App\Office\Actions\KeepPeople;
use Unanimus\Access\Permission;
use Unanimus\Exchange\Vcard;
use Unanimus\Finding\Query;
use Unanimus\Moving\ListKind;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Parties\PartyRole;
use Unanimus\Roster\PeopleList;
use Unanimus\Steps\StepRefused;

/** Invites somebody who is on the list of people, or keeps a contact of the list of contacts. */
final class BringPerson
{
    public function __construct(private readonly KeepPeople $people, private readonly KeepContacts $contacts)
    {
    }

    /**
     * Has everybody of a list invited, or kept.
     *
     * @throws StepRefused when there is nobody left on it
     */
    public function all(Import $import, ListKind $kind): int
    {
        $count = MovedLine::query()
            ->where(['import_id' => $import->id, 'kind' => $kind->value])
            ->whereIn('outcome', ['waiting', 'refused'])
            ->update(['outcome' => 'asked', 'told' => '']);
        $count > 0 || throw MovingRefusal::NothingLeft->because();
        BringLists::begin($import->brokerage_id, $import->id);

        return $count;
    }

    public function __invoke(MovedLine $line, Import $import, User $by): void
    {
        try {
            $told = $line->kind === ListKind::People->value ? $this->invite($line->cells, $import, $by) : $this->keep($line->cells, $by);
            $line->update(['outcome' => 'done', 'told' => $told]);
        } catch (StepRefused $refused) {
            $line->update(['outcome' => 'refused', 'told' => $refused->getMessage()]);
        }
    }

    /** @param  array<string, string>  $cells */
    private function invite(array $cells, Import $import, User $by): string
    {
        $role = Role::tryFrom((string) PeopleList::role($cells['role'])) ?? throw MovingRefusal::NoSuchRole->because(role: $cells['role']);
        self::mustBeAddress($cells['email']);
        $office = $cells['office'] === '' ? $import->office : Office::query()->get()->first(
            static fn (Office $one) => Query::plain($one->name) === Query::plain($cells['office']),
        ) ?? throw MovingRefusal::NoSuchOffice->because(office: $cells['office']);
        $person = $this->people->invite($by, $cells['name'] ?: $cells['email'], $cells['email'], $office, $role);

        return "Invited to {$office->name} as {$person->officeRoles()->value('role')->value}.";
    }

    /** @param  array<string, string>  $cells */
    private function keep(array $cells, User $by): string
    {
        $cells['email'] === '' || self::mustBeAddress($cells['email']);
        $role = PartyRole::tryFrom(Query::plain($cells['role']))->value ?? 'other';
        $isStanding = $by->may(Permission::KeepContacts);
        $new = $this->contacts->keep(
            $by,
            [new Vcard($cells['name'], $cells['firm'], $cells['email'], $cells['phone'], $cells['address'])],
            $role,
            $isStanding,
        );

        return $new === 1 ? 'Added.' : 'It was in the address book already.';
    }

    private static function mustBeAddress(string $email): void
    {
        filter_var($email, FILTER_VALIDATE_EMAIL) !== false || throw MovingRefusal::NoAddress->because(email: $email);
    }
}
