<?php

declare(strict_types=1);

namespace App\Reports;

use App\Models\Disbursement;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Grouped;
use Unanimus\Reports\Tally;
use Unanimus\Review\ReviewTime;

/** The figures of a report: what closed, what is pending, what fell through, grouped, beside the days before. */
final readonly class Report
{
    /**
     * @param array<string, list<DealRow>> $stands rows by "closed", "pending", "fell"
     * @param Tally $closedBefore what closed in the period before
     * @param list<object> $sheets what agents' authorized sheets count
     */
    private function __construct(public Asked $asked, public array $stands, public Tally $closedBefore, public array $sheets)
    {
    }

    /** @param  list<DealRow>|null  $rows  where they are known already */
    public static function of(Asked $asked, ?array $rows = null): self
    {
        $days = [$asked->period->from->iso(), $asked->period->to->iso()];
        $sheets = DB::select('SELECT * FROM sheets_in_report(?, ?)', $days);
        $sheets = array_values(array_filter($sheets, static fn (object $one) => ($asked->office === '' || $one->office === $asked->office)
            && ($asked->agent === '' || $one->agent === $asked->agent)));

        return new self(
            $asked,
            self::standing($rows ?? DealRows::of($asked)),
            DealRows::closed($asked->during($asked->before())),
            $sheets,
        );
    }

    /** @return list<DealRow> */
    public function rows(string $stands): array
    {
        return $this->stands[$stands] ?? [];
    }

    public function tally(string $stands): Tally
    {
        return Tally::of($this->rows($stands));
    }

    /**
     * Sums of what closed and what is pending, by group; of months each in the period.
     *
     * @return array<string, array{name: string, closed: Tally, pending: Tally}>
     */
    public function by(string $what): array
    {
        [$closed, $pending] = [Grouped::by($what, $this->rows('closed')), Grouped::by($what, $this->rows('pending'))];
        $keys = $what === 'month'
            ? [...$this->asked->period->monthsIn(), ...array_diff(array_keys($closed + $pending), $this->asked->period->monthsIn())]
            : array_keys($closed + $pending);
        $groups = [];
        foreach ($keys as $key) {
            $both = [...$closed[$key] ?? [], ...$pending[$key] ?? []];
            $groups[(string) $key] = [
                'name' => self::name($what, (string) $key, $both[0] ?? null),
                'closed' => Tally::of($closed[$key] ?? []),
                'pending' => Tally::of($pending[$key] ?? []),
            ];
        }
        $what === 'month' || uasort($groups, static fn (array $a, array $b) => $b['closed']->volume <=> $a['closed']->volume);

        return $groups;
    }

    /**
     * What each agent's sheets count: to the cent what the sheets say.
     *
     * @return array<string, array{name: string, sheets: int, cn: Money, company: Money, paid: Money}> by the agent's key
     */
    public function agents(): array
    {
        $agents = [];
        foreach ($this->sheets as $sheet) {
            $none = ['cn' => Money::zero(), 'company' => Money::zero(), 'paid' => Money::zero()];
            $one = $agents[$sheet->agent] ?? ['name' => $sheet->agent_name, 'sheets' => 0, ...$none];
            $agents[$sheet->agent] = [
                'name' => $one['name'],
                'sheets' => $one['sheets'] + 1,
                'cn' => $one['cn']->plus(Money::of((string) $sheet->cn)),
                'company' => $one['company']->plus(Money::of((string) $sheet->company)),
                'paid' => $one['paid']->plus(Money::of((string) $sheet->paid)),
            ];
        }
        uasort($agents, static fn (array $a, array $b) => $b['cn']->cents <=> $a['cn']->cents);

        return $agents;
    }

    /** @return array{contract: int|null, closing: int|null} days on the way, the middle one of what closed */
    public function days(): array
    {
        return [
            'contract' => ReviewTime::median(array_map(static fn (DealRow $row) => $row->toContract, $this->rows('closed'))),
            'closing' => ReviewTime::median(array_map(static fn (DealRow $row) => $row->toClosing, $this->rows('closed'))),
        ];
    }

    /**
     * How long papers waited in the middle, from hand-in to accepted, and how complete files under contract are.
     *
     * @return array{review: string, complete: int|null}
     */
    public function review(): array
    {
        $span = [$this->asked->period->from->iso(), $this->asked->period->to->plusDays(1)->iso()];
        $minutes = DB::table('requirements')
            ->where('review_state', 'accepted')
            ->whereNotNull('submitted_at')
            ->whereBetween('decided_at', $span)
            ->selectRaw('percentile_disc(0.5) WITHIN GROUP (ORDER BY extract(epoch FROM decided_at - submitted_at) / 60) AS middle')
            ->value('middle');
        $files = DB::table('deal_files')
            ->where(['status' => 'under_contract', 'practice' => false])
            ->where('required', '>', 0)
            ->selectRaw('sum(settled) AS done, sum(required) AS all_of')
            ->first();

        return [
            'review' => ReviewTime::words($minutes === null ? null : (int) round((float) $minutes)),
            'complete' => (int) ($files->all_of ?? 0) === 0 ? null : intdiv((int) $files->done * 100, (int) $files->all_of),
        ];
    }

    /**
     * Firms that referred clients: how many, and what they get by authorized sheets.
     *
     * @return array<string, array{count: int, sum: Money}> by the firm's name
     */
    public function referrals(): array
    {
        $firms = [];
        Disbursement::query()
            ->with('file')
            ->whereNull('withdrawn_at')
            ->whereBetween('closing', [$this->asked->period->from->iso(), $this->asked->period->to->iso()])
            ->whereRaw("reckoned->'given'->'sides'->0->'referralsOut' IS NOT NULL")
            ->when($this->asked->office !== '', fn ($of) => $of->whereHas('file.office', fn ($one) => $one->where(
                'name',
                $this->asked->office,
            )))
            ->when($this->asked->agent !== '', fn ($of) => $of->whereHas('file.members.user', fn ($one) => $one->where(
                'users.key',
                $this->asked->agent,
            )))
            ->each(static function (Disbursement $one) use (&$firms): void {
                $sheet = CommissionSheet::of($one->price, (array) $one->reckoned['given'], (array) $one->reckoned['names']);
                $firm = (string) $one->reckoned['given']['sides'][0]['referralsOut'][0]['to'];
                $so = $firms[$firm] ?? ['count' => 0, 'sum' => Money::zero()];
                $firms[$firm] = ['count' => $so['count'] + 1, 'sum' => $so['sum']->plus($sheet->paid[$firm] ?? Money::zero())];
            });

        return $firms;
    }

    /** @return array<string, int> how many fell through or ran out, by reason */
    public function fell(): array
    {
        $reasons = array_map(static fn (array $rows) => count($rows), Grouped::by('reason', $this->rows('fell')));
        arsort($reasons);

        return $reasons;
    }

    public static function monthName(string $month): string
    {
        return preg_match('/^\d{4}-\d\d$/', $month) === 1 ? str_replace(' 1,', '', LocalDate::of("{$month}-01")->long()) : 'No closing day';
    }

    /**
     * @param list<DealRow> $rows
     * @return array<string, list<DealRow>>
     */
    private static function standing(array $rows): array
    {
        $stands = [];
        foreach ($rows as $row) {
            $stands[$row->stands][] = $row;
        }

        return $stands;
    }

    private static function name(string $what, string $key, ?DealRow $row): string
    {
        return match ($what) {
            'month' => self::monthName($key),
            'agent' => $row->agents[$key] ?? 'No agent',
            'side' => ucfirst($key).' side',
            'source' => $key === '' ? 'Not said' : mb_strtoupper(mb_substr($key, 0, 1)).mb_substr($key, 1),
            default => $key === '' ? 'None' : $key,
        };
    }
}
