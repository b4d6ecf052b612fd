<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Models\DealFile;
use App\Models\Requirement;
use Unanimus\Dates\LocalDate;
use Unanimus\Requirements\DueRule;
use Unanimus\Terms\Facts;

/** Until when each requirement of a file is to be met, kept beside it for lists. */
final class DueDays
{
    /** @param  array<string, DueRule|null>  $due  of what is called for now, by what tells papers apart */
    public static function keep(DealFile $file, Facts $facts, array $due): void
    {
        $forms = $file->papers()->whereNotNull('form_number')->pluck('form_number', 'id');
        foreach ($file->requirements()->get() as $requirement) {
            $identity = $forms[$requirement->paper_id] ?? mb_strtolower($requirement->title);
            // What is called for no more and was touched keeps its day.
            $rule = array_key_exists($identity, $due) ? $due[$identity] : self::ruleOf($requirement);
            $requirement->fill([
                'due_anchor' => $rule?->anchor,
                'due_days' => $rule->days ?? 0,
                'due_on' => $rule === null ? null : self::day($file, $facts, $rule),
            ]);
            $requirement->isDirty() && $requirement->save();
        }
    }

    private static function ruleOf(Requirement $requirement): ?DueRule
    {
        return DueRule::from(['anchor' => $requirement->due_anchor, 'days' => $requirement->due_days]);
    }

    /** The day itself; null while the day it is counted from is not known. */
    private static function day(DealFile $file, Facts $facts, DueRule $rule): ?LocalDate
    {
        if ($rule->anchor === 'opened') {
            return LocalDate::at($file->created_at, $file->office->timeZone())->plusDays($rule->days);
        }
        $known = (string) $facts->value($rule->anchor);

        return preg_match('/^\d{4}-\d{2}-\d{2}$/', $known) === 1 ? LocalDate::of($known)->plusDays($rule->days) : null;
    }
}
