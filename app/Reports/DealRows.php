<?php

declare(strict_types=1);

namespace App\Reports;

use App\Commission\Brings;
use App\Models\DealFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Period;

/** Sides of deals as reports count them, of the offices and people whose figures a person may see. */
final class DealRows
{
    /** Files whose kept expectation is of other figures, computed anew in one go. */
    private const ANEW = 300;

    /** @return list<DealRow> */
    public static function of(Asked $asked): array
    {
        $rows = self::during($asked->period);

        return array_values(array_filter($rows, static fn (DealRow $row) => ($asked->office === '' || $row->office === $asked->office)
            && ($asked->agent === '' || isset($row->agents[$asked->agent]))
            && ($asked->label === '' || in_array($asked->label, $row->labels, true))));
    }

    /** @return list<DealRow> */
    private static function during(Period $period): array
    {
        $found = self::ask($period);
        $stale = array_filter($found, static fn (object $row) => ! $row->authorized && $row->status === 'under_contract'
            && $row->expected_of !== null && $row->expected_of !== self::figures($row));
        if ($stale !== []) {
            DealFile::query()
                ->with(['office', 'knownFacts', 'commissions', 'members', 'parties', 'kits'])
                ->whereKey(array_slice(array_unique(array_column($stale, 'file_id')), 0, self::ANEW))
                ->get()
                ->each(static fn (DealFile $file) => Brings::of($file));
            $found = self::ask($period);
        }

        return array_map(self::row(...), $found);
    }

    /** @return list<object> */
    private static function ask(Period $period): array
    {
        return array_values(DB::select('SELECT * FROM deals_in_report(?, ?)', [$period->from->iso(), $period->to->iso()]));
    }

    private static function figures(object $row): string
    {
        return Money::of((string) ($row->price ?? '0'))->decimal().' '.($row->day ?? '');
    }

    private static function row(object $row): DealRow
    {
        $isListing = in_array($row->side ?? $row->represents, ['seller', 'landlord'], true);
        $price = $row->price === null ? null : Money::of((string) $row->price);
        $rate = (string) ($isListing ? $row->listing_rate : $row->buyer_rate);
        $gross = match (true) {
            $row->gross !== null => Money::of((string) $row->gross),
            // Before anything is entered, by what the terms say.
            $row->status === 'under_contract' && $price !== null && $rate !== '' => $price->share(Percent::of($rate)),
            default => null,
        };

        return new DealRow(
            $row->key,
            $row->name,
            match ($row->status) {
                'closed' => 'closed',
                'under_contract' => 'pending',
                default => 'fell',
            },
            $row->day === null ? null : LocalDate::of($row->day),
            $isListing ? 'listing' : 'buyer',
            $row->office,
            (array) json_decode((string) $row->agents, true),
            array_values((array) json_decode((string) $row->labels, true)),
            $price?->cents,
            $gross?->cents,
            $row->company === null ? null : Money::of((string) $row->company)->cents,
            self::days($row->listed, $row->accepted),
            self::days($row->accepted, $row->status === 'closed' ? $row->day : null),
            (string) ($row->end_reason ?? '') ?: ($row->status === 'expired' ? 'listing expired' : 'no reason given'),
        );
    }

    private static function days(?string $from, ?string $to): ?int
    {
        $isDay = static fn (?string $day): bool => preg_match('/^\d{4}-\d\d-\d\d$/', (string) $day) === 1;
        $days = $isDay($from) && $isDay($to) ? LocalDate::of((string) $from)->daysUntil(LocalDate::of((string) $to)) : null;

        return $days !== null && $days >= 0 ? $days : null;
    }
}
