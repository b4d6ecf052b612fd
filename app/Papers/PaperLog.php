<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\EntryLog;
use Unanimus\Forms\LoggedEntry;

/** Reads what was entered on a paper, entry after entry. */
final class PaperLog
{
    public static function of(Paper $paper): EntryLog
    {
        $rows = DB::table('paper_entries')
            ->leftJoin('users', 'users.id', '=', 'paper_entries.user_id')
            ->where('paper_id', $paper->id)
            ->orderBy('paper_entries.id')
            ->get(['blank', 'value', 'at', 'client_key', 'by_name', 'source', 'users.name']);

        return new EntryLog(
            array_values(
                $rows
                    ->map(
                        static fn (object $row) => new LoggedEntry(
                            $row->blank,
                            $row->value,
                            ($row->name ?? ($row->by_name ?? (str_starts_with($row->client_key, 'kit:') ? 'the kit' : 'Unanimus'))).
                                ($row->source === null ? '' : ", from {$row->source}"),
                            new \DateTimeImmutable($row->at),
                        ),
                    )
                    ->all(),
            ),
        );
    }
}
