<?php

declare(strict_types=1);

namespace App\Reports;

use App\Commission\Brings;
use App\Models\DealFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\Proposed;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Period;
use Unanimus\Reports\Tally;

/** Sides of deals as reports count them, of the offices and people whose figures a person may see. */
final class DealRows
{
    /** Files whose kept expectation is of other figures, computed anew in one go. */
    private const ANEW = 300;

    /** Days that are shown at once however much closed in them. */
    private const SHOWN_DAYS = 740;

    /** Where files may stand that reports speak of. */
    public const ALL = ['under_contract', 'closed', 'terminated', 'expired', 'withdrawn'];

    /**
     * @param list<string> $standings those that are wanted
     * @return list<DealRow>
     */
    public static function of(Asked $asked, array $standings = self::ALL): array
    {
        $rows = self::during($asked->period, $standings);

        return array_values(array_filter($rows, static fn (DealRow $row) => ($asked->office === '' || $row->office === $asked->office)
            && ($asked->agent === '' || isset($row->agents[$asked->agent]))
            && ($asked->label === '' || in_array($asked->label, $row->labels, true))));
    }

    /**
     * The same, and what is due to close from today up to a day: one look at the deals where the days go on into each other.
     *
     * @return array{list<DealRow>, list<DealRow>} the rows asked for, and those that are due
     */
    public static function withDue(Asked $asked, LocalDate $today, LocalDate $until): array
    {
        $isDue = static fn (DealRow $row) => $row->stands === 'pending' && $row->day !== null && ! $row->day->isBefore($today) &&
            ! $row->day->isAfter($until);
        $period = $asked->period;
        if ($period->from->isAfter($today) || $period->to->isBefore($today)) {
            $ahead = self::of($asked->during(Period::between($today, $until)), ['under_contract']);

            return [self::of($asked), array_values(array_filter($ahead, $isDue))];
        }
        $last = $period->to->isAfter($until) ? $period->to : $until;
        $rows = self::of($asked->during(Period::between($period->from, $last)));
        $within = static fn (DealRow $row) => $row->day === null || ! $row->day->isAfter($period->to);

        return [array_values(array_filter($rows, $within)), array_values(array_filter($rows, $isDue))];
    }

    /** Whether so many deals are asked for that nobody should wait for them; a few years are never counted for it. */
    public static function areMany(Asked $asked): bool
    {
        if ($asked->period->from->daysUntil($asked->period->to) < self::SHOWN_DAYS) {
            return false;
        }
        $days = [$asked->period->from->iso(), $asked->period->to->iso(), '{'.implode(',', self::ALL).'}'];

        return (int) DB::scalar('SELECT count(*) FROM sides_in_report(?, ?, ?)', $days) > (int) config('unanimus.report_shows');
    }

    /** What closed, summed where it is stored: of days that are but compared nobody looks at the deals. */
    public static function closed(Asked $asked): Tally
    {
        $sums = DB::selectOne('SELECT * FROM closed_in_report(?, ?, ?, ?, ?)', [
            $asked->period->from->iso(), $asked->period->to->iso(), $asked->office, $asked->agent, $asked->label,
        ]);

        return Tally::ofSums(...array_map(intval(...), (array) $sums));
    }

    /**
     * @param list<string> $standings
     * @return list<DealRow>
     */
    private static function during(Period $period, array $standings): array
    {
        $found = self::ask($period, $standings);
        $stale = array_filter($found, static fn (object $row) => ! $row->authorized && $row->status === 'under_contract'
            && $row->expected_of !== null && $row->expected_of !== self::figures($row));
        if ($stale !== []) {
            DealFile::query()
                ->with(['office', 'knownFacts', 'commissions', 'members', 'parties', 'kits'])
                ->whereKey(array_slice(array_unique(array_column($stale, 'file_id')), 0, self::ANEW))
                ->get()
                ->each(static fn (DealFile $file) => Brings::of($file));
            $found = self::ask($period, $standings);
        }

        // Thousands of deals fall on a few hundred days.
        $days = [];
        $day = static function (?string $iso) use (&$days): ?LocalDate {
            return $iso === null ? null : ($days[$iso] ??= preg_match('/^\d{4}-\d\d-\d\d$/', $iso) === 1 ? LocalDate::of($iso) : null);
        };

        return array_map(static fn (object $row) => self::row($row, $day), $found);
    }

    /**
     * @param list<string> $standings
     * @return list<object>
     */
    private static function ask(Period $period, array $standings): array
    {
        $asked = [$period->from->iso(), $period->to->iso(), '{'.implode(',', $standings).'}'];

        return array_values(DB::select('SELECT * FROM deals_in_report(?, ?, ?)', $asked));
    }

    private static function figures(object $row): string
    {
        return ($row->price === null ? '' : Money::cents((int) $row->price)->decimal()).' '.($row->day ?? '');
    }

    /** @param  \Closure(string|null): (LocalDate|null)  $day */
    private static function row(object $row, \Closure $day): DealRow
    {
        $isListing = in_array($row->side ?? $row->represents, ['seller', 'landlord'], true);
        $rate = (string) ($isListing ? $row->listing_rate : $row->buyer_rate);
        $gross = $row->gross === null ? null : (int) $row->gross;
        // Before anything is entered, by what the terms say; of a referral the price is not what ours is a percentage of.
        if ($gross === null && $row->status === 'under_contract' && $row->kind !== 'referral') {
            $gross = Proposed::byTerms($row->price === null ? null : Money::cents((int) $row->price), [$rate])?->cents;
        }

        return new DealRow(
            $row->key,
            $row->name,
            match ($row->status) {
                'closed' => 'closed',
                'under_contract' => 'pending',
                default => 'fell',
            },
            $day($row->day),
            $isListing ? 'listing' : 'buyer',
            $row->office,
            (array) json_decode((string) $row->agents, true),
            array_values((array) json_decode((string) $row->labels, true)),
            $row->price === null ? null : (int) $row->price,
            $gross,
            $row->company === null ? null : (int) $row->company,
            self::days($day($row->listed), $day($row->accepted)),
            self::days($day($row->accepted), $row->status === 'closed' ? $day($row->day) : null),
            (string) ($row->end_reason ?? '') ?: ($row->status === 'expired' ? 'listing expired' : 'no reason given'),
            (string) ($row->source ?? ''),
        );
    }

    private static function days(?LocalDate $from, ?LocalDate $to): ?int
    {
        $days = $from === null || $to === null ? null : $from->daysUntil($to);

        return $days !== null && $days >= 0 ? $days : null;
    }
}
