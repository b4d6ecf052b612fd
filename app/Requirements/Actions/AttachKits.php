<?php

declare(strict_types=1);

namespace App\Requirements\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Party;
use App\Requirements\KitShelf;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyRole;
use Unanimus\Requirements\Kit;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Facts;

/** The kits of a file. */
final class AttachKits
{
    /** Attaches the kits that apply by themselves, and takes off those that no longer do. */
    public function __invoke(DealFile $file, Facts $facts): void
    {
        if (! $file->status->isOpen()) {
            return;
        }
        $held = $file->kits->keyBy('kit');
        foreach (KitShelf::applyingThemselves($file->office_id, $file->opened_by) as $shelved) {
            $kit = $shelved->kit;
            $applies = $kit->appliesTo($facts);
            $row = $held->get($kit->key);
            if ($applies && $row === null) {
                $this->one($file, $kit, $shelved->version, true);
            } elseif (! $applies && $row !== null && $row->by_itself) {
                $row->delete();
                $file->tasks()->where('origin', $kit->key)->whereNull('done_at')->delete();
                History::add($file->brokerage_id, $file->id, 'Kit no longer applies', ['kit' => $kit->name], SeenBy::everyone());
            }
        }
        $file->unsetRelation('kits');
    }

    /** Attaches one kit with its tasks and contacts; once, however many ask for it at the same moment. */
    public function one(DealFile $file, Kit $kit, int $version, bool $byItself): void
    {
        $new = DB::table('file_kits')->insertOrIgnore([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'kit' => $kit->key,
            'version' => $version,
            'by_itself' => $byItself,
        ]);
        if ($new === 0) {
            // Someone else's change applied it at the same moment, with its tasks and contacts.
            return;
        }
        History::add(
            $file->brokerage_id,
            $file->id,
            'Kit applied',
            ['kit' => $kit->name, 'by itself' => $byItself ? 'yes' : 'no'],
            SeenBy::everyone(),
        );
        $people = $file->members()->pluck('user_id', 'role');
        foreach ($kit->tasks as $task) {
            $file->tasks()->where('origin', $kit->key)->where('title', $task->title)->exists() ||
                $file->tasks()->create([
                    'brokerage_id' => $file->brokerage_id,
                    'title' => $task->title,
                    'anchor' => $task->anchor,
                    'days' => $task->days,
                    'business' => $task->businessDays,
                    'origin' => $kit->key,
                    'user_id' => $people[$task->for] ?? ($people['agent'] ?? $people->first()),
                ]);
        }
        foreach ($kit->contacts as $contact) {
            $seat = Seat::at(PartyRole::from($contact['role']));
            if (! $file->parties()->where('role', $seat->role)->exists()) {
                $party = $file
                    ->parties()
                    ->create([
                        'brokerage_id' => $file->brokerage_id,
                        'role' => $seat->role,
                        'number' => 1,
                        'name' => $contact['name'],
                        'signing_name' => $contact['name'],
                        'initials' => Party::initialsOf($contact['name']),
                        'firm' => $contact['firm'] ?: null,
                    ]);
                $party->reach(['email' => $contact['email'] ?: null, 'phone' => $contact['phone'] ?: null]);
            }
        }
    }
}
