<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Agenda;
use App\History\History;
use App\Models\DealFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\DateRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;

/** Says that a deadline is done, or takes that back. */
final class MarkDeadline
{
    /**
     * Said twice it is said once.
     *
     * @throws StepRefused when the file has no such deadline
     */
    public function __invoke(DealFile $file, string $name, bool $done): void
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        foreach (Agenda::of($file)->deadlines as $deadline) {
            if ($deadline->name === $name) {
                $known = $file
                    ->knownFacts()
                    ->where('name', "done.{$name}")
                    ->first();
                if (($known !== null) === $done) {
                    return;
                }
                $known === null
                    ? $file
                        ->knownFacts()
                        ->create([
                            'brokerage_id' => $file->brokerage_id,
                            'name' => "done.{$name}",
                            'value' => $file->office->today()->iso(),
                            'source' => 'entered',
                            'stored_at' => now(),
                            'user_id' => Auth::id(),
                        ])
                    : $known->delete();
                History::add(
                    $file->brokerage_id,
                    $file->id,
                    $known === null ? 'Deadline met' : 'Deadline open again',
                    ['deadline' => $deadline->label, 'due' => $deadline->due->iso()],
                    SeenBy::everyone(),
                );

                return;
            }
        }
        throw DateRefusal::NoSuchDeadline->because();
    }
}
