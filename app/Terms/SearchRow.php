<?php

declare(strict_types=1);

namespace App\Terms;

use App\Models\DealFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Finding\Query;

/** One row of words per file, by which it is found: name, address, parties, numbers, papers' names. Only common words: no side's own. */
final class SearchRow
{
    public static function keep(DealFile $file): void
    {
        $facts = $file->knownFacts->pluck('value', 'name');
        $words = [
            $file->name,
            $file->listing_number,
            ...array_map(static fn (string $name) => $facts["property.{$name}"] ?? '', [
                'street',
                'unit',
                'city',
                'zip',
                'parcel',
                'subdivision',
                'legal',
            ]),
        ];
        foreach ($file->parties as $party) {
            array_push($words, $party->name, $party->firm ?? '');
        }
        foreach ($file->papers as $paper) {
            $paper->side === null &&
                ! $paper->staff_only &&
                $paper->state !== PaperState::Void &&
                array_push($words, $paper->title, $paper->form_number ?? '');
        }
        array_push($words, ...$file->labels);
        DB::table('search_rows')->upsert(
            [
                [
                    'deal_file_id' => $file->id,
                    'brokerage_id' => $file->brokerage_id,
                    'words' => Query::plain(implode(' ', array_unique(array_filter($words)))),
                ],
            ],
            ['deal_file_id'],
            ['words'],
        );
    }
}
