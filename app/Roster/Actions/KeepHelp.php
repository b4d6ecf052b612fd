<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\History\History;
use App\Models\Office;
use App\Models\User;

/** Which coordinator new files of an office get. */
final class KeepHelp
{
    /** @param  string  $rule nothing, "load" for whoever has the fewest, or the key of one */
    public function coordinate(Office $office, string $rule): void
    {
        if ($office->coordinator_rule === $rule) {
            return;
        }
        $office->update(['coordinator_rule' => $rule]);
        $who = match ($rule) {
            '' => 'no one by itself',
            'load' => 'whoever has the fewest',
            default => (string) User::query()->where('key', $rule)->value('name'),
        };
        History::ofBrokerage($office->brokerage_id, 'Coordinator of new files', ['office' => $office->name, 'who' => $who], $office->id);
    }
}
