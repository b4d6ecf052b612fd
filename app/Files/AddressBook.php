<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Contact;
use App\Models\Party;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** People used before, and the brokerage’s standing contacts. A person's clients are their own: no colleague is shown them. */
final class AddressBook
{
    /** Keeps a party for the next time, in the book of the one who entered it. */
    public function remember(Party $party): void
    {
        $user = Auth::user();
        if (
            ! ($user instanceof User) ||
            $party->user_id !== null ||
            ($party->email === null && $party->phone === null && $party->firm === null)
        ) {
            return;
        }
        DB::insert(
            'INSERT INTO contacts (key, brokerage_id, user_id, role, name, firm, email, phone, address) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
             ON CONFLICT (brokerage_id, coalesce(user_id, 0), lower(name), lower(coalesce(email, \'\'))) DO UPDATE SET role = '.
                 'excluded.role, firm = coalesce(excluded.firm, contacts.firm), phone = coalesce(excluded.phone, contacts.phone), address '.
                 '= coalesce(excluded.address, contacts.address), used_at = now()',
            [
                (string) Str::ulid(),
                $party->brokerage_id,
                $user->id,
                $party->role->value,
                $party->name,
                $party->firm,
                $party->email,
                $party->phone,
                $party->address,
            ],
        );
    }

    /** @return Collection<int, Contact> whom a few letters may mean; those of the role and standing ones first */
    public function proposals(string $letters, string $role): Collection
    {
        $like = '%'.addcslashes(trim($letters), '%_\\').'%';

        return Contact::query()
            ->where(
                static fn ($any) => $any->where('name', 'ilike', $like)->orWhere('firm', 'ilike', $like)->orWhere('email', 'ilike', $like),
            )
            ->orderByRaw('role = ? DESC, standing DESC, used_at DESC', [$role])
            ->limit(8)
            ->get();
    }

    /** Someone of exactly that name. */
    public function named(string $name): ?Contact
    {
        return Contact::query()
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->orderByDesc('standing')
            ->orderByDesc('used_at')
            ->first();
    }
}
