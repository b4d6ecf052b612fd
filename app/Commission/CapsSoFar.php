<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\AgentYear;
use Unanimus\Commission\Entered;
use Unanimus\Dates\LocalDate;

/** What earlier sheets took of yearly caps: on the franchise fee, of an agent or the office, and on fees. */
final class CapsSoFar
{
    /** @return array{franchise?: string, fees?: array<string, array<string, string>>} as what was entered takes it */
    public static function of(DealFile $file, Entered $entered, SheetAgents $agents, LocalDate $day, Before $before): array
    {
        $so = [];
        if ($entered->value('franchise_cap') !== '') {
            $whose = $entered->franchiseOf($agents->ids()[0] ?? '');
            $user = $whose === '' ? null : $agents->users[$whose] ?? null;
            $year = $user === null ? AgentYear::begins('calendar', $day) : self::begins($agents, $whose, $day);
            $so['franchise'] = self::sums('franchise', $user, $file->office_id, $year, $before)[''] ?? '0';
        }
        foreach ((array) ($entered->kept['fees'] ?? []) as $fee) {
            if (! isset($fee['cap'])) {
                continue;
            }
            // What the company or the client pays is capped by the office's calendar year.
            if ($fee['payer'] !== 'agent') {
                $sums = self::sums('fee', null, $file->office_id, AgentYear::begins('calendar', $day), $before);
                isset($sums[$fee['label']]) && ($so['fees'][$fee['label']][$fee['payer']] = $sums[$fee['label']]);

                continue;
            }
            foreach ($agents->ids() as $id) {
                $user = $agents->users[$id];
                $sums = $user === null ? [] : self::sums('fee', $user, $file->office_id, self::begins($agents, $id, $day), $before);
                isset($sums[$fee['label']]) && ($so['fees'][$fee['label']][$id] = $sums[$fee['label']]);
            }
        }

        return $so;
    }

    /** The first day of the plan year an agent is in; where there is no plan, of the calendar year. */
    public static function begins(SheetAgents $agents, string $id, LocalDate $day): LocalDate
    {
        return $agents->years[$id]->begins ?? AgentYear::begins('calendar', $day);
    }

    /** @return array<string, string> by label */
    private static function sums(string $what, ?User $agent, int $office, LocalDate $year, Before $before): array
    {
        $rows = DB::select(
            'SELECT label, amount FROM caps_so_far(?, ?, ?, ?, ?, ?, ?, ?)',
            [$what, $agent?->id, $office, $year->iso(), ...$before->bindings()],
        );

        return array_column(array_map(static fn (object $row) => (array) $row, $rows), 'amount', 'label');
    }
}
