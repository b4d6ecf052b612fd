<?php

declare(strict_types=1);

namespace App\Reports;

use App\Models\User;
use Unanimus\Money\Money;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Grouped;
use Unanimus\Reports\Tally;

/** The tables of a report as rows of text, the first naming the columns. */
final class ReportTables
{
    /** @return list<list<string>> */
    public static function of(Report $report, string $table): array
    {
        if ($table === 'sheets') {
            return self::sheets($report);
        }
        $by = isset(Grouped::BY[$table]) && $table !== 'reason' ? $table : 'month';
        $rows = [[Grouped::BY[$by], 'Sides closed', 'Volume closed', 'Gross closed', 'Company closed', 'Sides pending', 'Volume pending',
            'Gross expected', 'Company expected']];
        foreach ($report->by($by) as $group) {
            $rows[] = [$group['name'], ...self::cells($group['closed']), ...self::cells($group['pending'])];
        }
        $rows[] = ['Together', ...self::cells($report->tally('closed')), ...self::cells($report->tally('pending'))];

        return $rows;
    }

    /**
     * @param list<DealRow> $deals
     * @return list<list<string>>
     */
    public static function deals(array $deals): array
    {
        $rows = [['File', 'Office', 'Agents', 'Side', 'Stands', 'Day', 'Price', 'Gross', 'Company']];
        $money = static fn (?int $cents): string => $cents === null ? '' : Money::cents($cents)->decimal();
        foreach ($deals as $deal) {
            $rows[] = [$deal->name, $deal->office, implode(', ', $deal->agents), $deal->side, $deal->stands, $deal->day?->iso() ?? '',
                $money($deal->price), $money($deal->gross), $money($deal->company)];
        }

        return $rows;
    }

    /**
     * What the PDF of a report is drawn from: head, lines beneath it, tables by their name.
     *
     * @return array{string, list<string>, array<string, list<list<string>>>}
     */
    public static function pages(Report $report, User $for): array
    {
        $closed = $report->tally('closed');
        $pending = $report->tally('pending');
        $money = static fn (int $cents): string => (string) Money::cents($cents);

        return [
            'Report, '.$report->asked->period->label,
            [
                "{$report->asked->period->from->long()} to {$report->asked->period->to->long()}, for {$for->name}",
                "Closed: {$closed->sides} sides, volume {$money($closed->volume)}, gross {$money($closed->gross)}, company ".
                    $money($closed->company),
                "Pending: {$pending->sides} sides, volume {$money($pending->volume)}, expected gross {$money($pending->gross)}",
            ],
            [
                'By month' => self::short(self::of($report, 'month')),
                'By office' => self::short(self::of($report, 'office')),
                'By agent' => self::short(self::of($report, 'agent')),
                'Authorized sheets by agent' => self::sheets($report),
            ],
        ];
    }

    /** @return list<list<string>> */
    private static function sheets(Report $report): array
    {
        $rows = [['Agent', 'Sheets', 'Commissionable net', 'To the company', 'Paid to the agent']];
        foreach ($report->agents() as $agent) {
            $sums = [$agent['cn']->decimal(), $agent['company']->decimal(), $agent['paid']->decimal()];
            $rows[] = [$agent['name'], (string) $agent['sheets'], ...$sums];
        }

        return $rows;
    }

    /**
     * Without what a page has no room for.
     *
     * @param list<list<string>> $rows
     * @return list<list<string>>
     */
    private static function short(array $rows): array
    {
        return array_map(static fn (array $row) => [$row[0], $row[1], $row[2], $row[3], $row[4], $row[5], $row[7]], $rows);
    }

    /** @return list<string> */
    private static function cells(Tally $tally): array
    {
        return [
            (string) $tally->sides,
            Money::cents($tally->volume)->decimal(),
            Money::cents($tally->gross)->decimal(),
            Money::cents($tally->company)->decimal(),
        ];
    }
}
