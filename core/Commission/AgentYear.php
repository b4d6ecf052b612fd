<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Brick\Math\BigDecimal;
use Unanimus\Dates\LocalDate;

/**
 * An agent's plan, and what has counted in its year so far; changes as sheets are reckoned one after the other.
 *
 * @internal to its area
 */
final class AgentYear
{
    /** Totals of the plan year, in cents. */
    public int $cn = 0;

    public int $company = 0;

    public int $afterCap = 0;

    /** @var list<array{label: string, amount: int, to: string}> what is owed, in the order in which it is taken */
    public array $debts = [];

    /**
     * @param list<array{upTo: int|null, rate: BigDecimal}> $tiers of the agent's rate
     * @param string $tiersBy "cn" or "company": whose total of the year the thresholds are of
     * @param array{amount: mixed, percent: mixed, cap: mixed}|null $feeAfterCap
     * @param array{lead: string, percent: mixed, base: string}|null $team
     */
    private function __construct(
        public readonly string $id,
        public readonly array $tiers,
        public readonly string $tiersBy,
        public readonly ?int $cap,
        public readonly int $minimum,
        public readonly ?array $feeAfterCap,
        public readonly ?array $team,
    ) {
    }

    /**
     * @param array<string, mixed> $given
     *
     * @throws ReckoningRefused when something in it cannot be read
     */
    public static function of(string $id, array $given, LocalDate $closing): self
    {
        $plan = (array) ($given['plan'] ?? []);
        $tiers = [];
        // Whoever only gets something, as a team's lead, needs no plan.
        foreach ((array) ($plan['tiers'] ?? (isset($plan['rate']) ? [['rate' => $plan['rate']]] : [])) as $tier) {
            $tiers[] = [
                'upTo' => isset($tier['upTo']) ? Amount::cents($tier['upTo'], "A threshold of {$id}") : null,
                'rate' => Amount::percent($tier['rate'] ?? null, "The rate of {$id}"),
            ];
        }
        $tiers === [] || $tiers[count($tiers) - 1]['upTo'] === null
            || throw new ReckoningRefused("The last tier of {$id} ends somewhere: nothing is said of what lies above it.");
        $year = new self(
            $id,
            $tiers,
            Amount::words($plan['tiersBy'] ?? 'cn'),
            isset($plan['cap']) ? Amount::cents($plan['cap'], "The cap of {$id}") : null,
            Amount::cents($plan['minimum'] ?? 0, "The minimum of {$id}"),
            isset($plan['afterCap'])
                ? [
                    'amount' => $plan['afterCap']['amount'] ?? null,
                    'percent' => $plan['afterCap']['percent'] ?? null,
                    'cap' => $plan['afterCap']['cap'] ?? null,
                ]
                : null,
            isset($given['team'])
                ? [
                    'lead' => Amount::words($given['team']['lead'] ?? ''),
                    'percent' => $given['team']['percent'] ?? null,
                    'base' => Amount::words($given['team']['base'] ?? 'after'),
                ]
                : null,
        );
        $so = (array) ($given['soFar'] ?? []);
        // Totals of several plan years stand under their first days: the closing day decides which counts.
        if ($so !== [] && preg_match('/^\d{4}-\d\d-\d\d$/', (string) array_key_first($so)) === 1) {
            $so = (array) ($so[self::begins(Amount::words($plan['year'] ?? 'calendar'), $closing)->iso()] ?? []);
        }
        $year->cn = Amount::cents($so['cn'] ?? 0, "What {$id} brought in so far");
        $year->company = Amount::cents($so['company'] ?? 0, "What {$id} paid so far");
        $year->afterCap = Amount::cents($so['afterCap'] ?? 0, "What {$id} paid after the cap");
        foreach ((array) ($given['debts'] ?? []) as $debt) {
            $year->debts[] = [
                'label' => Amount::words($debt['label'] ?? 'debt'),
                'amount' => Amount::cents($debt['amount'] ?? null, "A debt of {$id}"),
                'to' => Amount::words($debt['to'] ?? 'company'),
            ];
        }

        return $year;
    }

    /**
     * The first day of the plan year in which a day lies.
     *
     * @param string $year "calendar", or the day it begins: "03-01"; 29 February is 1 March in a common year
     */
    public static function begins(string $year, LocalDate $day): LocalDate
    {
        [$month, $date] = preg_match('/^(\d\d)-(\d\d)$/', $year, $m) === 1 ? [(int) $m[1], (int) $m[2]] : [1, 1];
        $on = static fn (int $in): LocalDate => checkdate($month, $date, $in)
            ? LocalDate::ymd($in, $month, $date)
            : LocalDate::ymd($in, 3, 1);
        $anniversary = $on($day->year());

        return $day->isBefore($anniversary) ? $on($day->year() - 1) : $anniversary;
    }

    /** What the cap still leaves; null: there is none. */
    public function leftOfCap(): ?int
    {
        return $this->cap === null ? null : max(0, $this->cap - $this->company);
    }

    /**
     * The agent's part of an amount by the tiers, each product rounded; the company has the rest.
     *
     * @return array{int, string} cents, and how it came about
     *
     * @throws ReckoningRefused when there is neither plan nor rate
     */
    public function agentPart(int $amount): array
    {
        $this->tiers !== [] || throw new ReckoningRefused("{$this->id} has no plan and no rate.");
        [$left, $part, $told] = [$amount, 0, []];
        $so = $this->tiersBy === 'company' ? $this->company : $this->cn;
        foreach ($this->tiers as $tier) {
            if ($left <= 0) {
                break;
            }
            $room = $left;
            if ($tier['upTo'] !== null) {
                $missing = max(0, $tier['upTo'] - $so);
                $companys = BigDecimal::of(100)->minus($tier['rate']);
                $room = $this->tiersBy !== 'company'
                    ? min($left, $missing)
                    : ($companys->isZero() ? ($missing > 0 ? $left : 0) : min($left, Amount::whole($missing, $companys)));
            }
            if ($room > 0) {
                $own = Amount::of($room, $tier['rate']);
                $part += $own;
                $so += $this->tiersBy === 'company' ? $room - $own : $room;
                $left -= $room;
                $told[] = Amount::shown($room)." × {$tier['rate']} %";
            }
        }

        return [$part, implode(' + ', $told)];
    }
}
