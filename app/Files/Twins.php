<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Parties\Representation;

/** Whether there is a file on the same listing or address already, and what a person may do about it. */
final class Twins
{
    /** @return list<array{key: string, told: string, go: bool, join: bool}> */
    public static function of(DealFile $file, User $user): array
    {
        [$number, $address, $own] = [(string) $file->listing_number, $file->address_key, $file->id];
        if ($file->practice || ($number === '' && $address === '')) {
            return [];
        }
        $rows = DB::select('SELECT * FROM twins_of(?, ?, ?, ?)', [$file->brokerage_id, $number, $address, $own]);
        $seen = DealFile::query()->whereIn('id', array_map(static fn (object $row) => $row->file_id, $rows))->pluck('name', 'id');
        $found = [];
        foreach ($rows as $row) {
            $theirs = Representation::from((string) $row->represents);
            $joins =
                ! isset($seen[$row->file_id]) &&
                $user->opensFiles() &&
                $theirs->isListingAlone() &&
                $file->represents->side() === $theirs->side()?->across();
            $found[] = [
                'key' => $row->key,
                'go' => isset($seen[$row->file_id]),
                'join' => $joins,
                'told' => isset($seen[$row->file_id])
                    ? "There is already a file on this listing or address: {$seen[$row->file_id]}."
                    : ($joins || $theirs->isListing()
                        ? "{$row->agent} of {$row->office} already has a file on this listing."
                        : 'A colleague also has a file on this listing or address.'),
            ];
        }

        return $found;
    }
}
