<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\Paper;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\Blank;

/** Two people, or two windows, entered different things in one blank: the one that came first stands until someone decides. */
final class EntryMet extends \RuntimeException
{
    private function __construct(public readonly string $theirs, public readonly string $who, string $message)
    {
        parent::__construct($message);
    }

    public static function at(Paper $paper, Blank $blank, string $value): self
    {
        $entry = DB::table('paper_entries')
            ->leftJoin('users', 'users.id', '=', 'paper_entries.user_id')
            ->where('paper_id', $paper->id)
            ->where('blank', $blank->name)
            ->orderByDesc('paper_entries.id')
            ->first(['users.name', 'by_name']);
        $who = $entry->name ?? ($entry->by_name ?? 'Someone');
        $theirs = $blank->kind->show($value);

        return new self($theirs, $who, "{$who} entered “{$theirs}” in {$blank->label} while you were typing.");
    }

    /** The same of the term that the blank follows. */
    public static function atTerm(Paper $paper, Blank $blank, string $value): self
    {
        $who =
            DB::table('facts')
                ->leftJoin('users', 'users.id', '=', 'facts.user_id')
                ->where('deal_file_id', $paper->deal_file_id)
                ->where('facts.name', $blank->binding)
                ->value('users.name') ?? 'Someone';
        $theirs = $blank->kind->show($value);

        return new self($theirs, $who, "{$who} changed {$blank->label} to “{$theirs}” in the file while you were typing.");
    }
}
