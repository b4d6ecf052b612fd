<?php

declare(strict_types=1);

namespace App\Reports;

use App\Commission\PlanYear;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Reports\Period;

/** A year's statement of one agent: each authorized sheet, what it counted, what they were paid. */
final readonly class Statement
{
    /**
     * @param list<array{file: string, key: string, side: string, day: LocalDate, cn: Money, company: Money, afterCap: Money,
     *     paid: Money}> $rows
     * @param array{cn: Money, company: Money, afterCap: Money, paid: Money} $sum
     */
    private function __construct(public User $agent, public int $year, public array $rows, public array $sum, public ?PlanYear $plan)
    {
    }

    public static function of(User $agent, int $year): self
    {
        $period = Period::between(LocalDate::ymd($year, 1, 1), LocalDate::ymd($year, 12, 31));
        $rows = [];
        $sum = ['cn' => Money::zero(), 'company' => Money::zero(), 'afterCap' => Money::zero(), 'paid' => Money::zero()];
        $days = [$period->from->iso(), $period->to->iso()];
        foreach (DB::select('SELECT * FROM sheets_in_report(?, ?) WHERE agent = ?', [...$days, $agent->key]) as $one) {
            $row = [
                'file' => $one->file_name,
                'key' => $one->file_key,
                'side' => (string) $one->side,
                'day' => LocalDate::of($one->day),
                'cn' => Money::of((string) $one->cn),
                'company' => Money::of((string) $one->company),
                'afterCap' => Money::of((string) $one->after_cap),
                'paid' => Money::of((string) $one->paid),
            ];
            foreach (array_keys($sum) as $what) {
                $sum[$what] = $sum[$what]->plus($row[$what]);
            }
            $rows[] = $row;
        }

        return new self($agent, $year, $rows, $sum, PlanYear::of($agent, $period->to));
    }

    /** @return list<list<string>> with the columns' names first and the sums last */
    public function table(): array
    {
        $rows = [['File', 'Closing', 'Net', 'To the company', 'After the cap', 'Paid']];
        foreach ($this->rows as $row) {
            $rows[] = [$row['file'], $row['day']->slashed(), $row['cn']->decimal(), $row['company']->decimal(), $row['afterCap']->decimal(),
                $row['paid']->decimal()];
        }
        $rows[] = ['Together', '', ...array_values(array_map(static fn (Money $one) => $one->decimal(), $this->sum))];

        return $rows;
    }
}
