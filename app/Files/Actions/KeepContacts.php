<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\Contact;
use App\Models\User;
use Unanimus\Exchange\Vcard;

/** The address books: each person's own, and the standing contacts of the brokerage. */
final class KeepContacts
{
    /**
     * Adds people to a person's own address book, or to the brokerage's.
     *
     * @param list<Vcard> $cards
     * @return int how many were not in it yet
     */
    public function keep(User $user, array $cards, string $role, bool $standing): int
    {
        $new = 0;
        foreach ($cards as $card) {
            $own = Contact::query()
                ->where('user_id', $standing ? null : $user->id)
                ->whereRaw('lower(name) = lower(?) AND lower(coalesce(email, \'\')) = lower(?)', [$card->name, $card->email])
                ->first();
            $new += $own === null ? 1 : 0;
            $values = array_filter(
                ['firm' => $card->firm, 'phone' => $card->phone, 'address' => $card->address],
                static fn (string $value) => $value !== '',
            );
            $own === null
                ? Contact::create([
                    'brokerage_id' => $user->brokerage_id,
                    'user_id' => $standing ? null : $user->id,
                    'role' => $role,
                    'name' => $card->name,
                    'email' => $card->email === '' ? null : $card->email,
                    'standing' => $standing,
                    ...$values,
                ])
                : $own->update($values);
        }

        $standing &&
            History::ofBrokerage($user->brokerage_id, 'Standing contacts changed', [
                'people' => mb_strimwidth(implode(', ', array_map(static fn (Vcard $card) => $card->name, $cards)), 0, 200, '…'),
            ]);

        return $new;
    }

    public function drop(Contact $contact): void
    {
        $contact->delete();
        $contact->user_id === null &&
            History::ofBrokerage($contact->brokerage_id, 'Standing contact removed', ['person' => $contact->name]);
    }
}
