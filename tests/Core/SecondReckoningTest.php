<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Unanimus\Commission\Reckoning;

/** Cents of a percentage, rounded once, half away from zero. */
function cut(int $cents, string $percent): int
{
    return BigRational::of($cents)->multipliedBy(BigRational::of($percent))->dividedBy(100)->toScale(0, RoundingMode::HALF_UP)->toInt();
}

function cents(string $amount): int
{
    return BigRational::of($amount)->multipliedBy(100)->toScale(0, RoundingMode::UNNECESSARY)->toInt();
}

/**
 * One side, reckoned once more, by the words of the rules and nothing else: no steps, no classes, one thing after the other.
 *
 * @param array<string, mixed> $side
 * @param array<string, array<string, mixed>> $agents
 * @return array{array<string, int>, int} what each is paid, and what came in
 */
function naive(array $side, array $agents): array
{
    $base = cents($side['price']);
    $firsts = array_sum(array_map(fn ($line) => $line['kind'] === 'first' ? cents($line['of']) : 0, $side['lines']));
    $lines = 0;
    foreach ($side['lines'] as $line) {
        $lines += match ($line['kind']) {
            'percent' => cut($base, $side['reducedRate'] ?? $line['percent']),
            'first' => cut(min($base, cents($line['of'])), $line['percent']),
            'balance' => cut(max(0, $base - $firsts), $line['percent']),
            'flat' => cents($line['amount']),
        };
    }
    isset($side['minimum']) && ($lines = max($lines, cents($side['minimum'])));
    $pay = ['company' => 0];
    $gross = $in = $lines;
    foreach ($side['bonuses'] as $bonus) {
        $in += cents($bonus['amount']);
        if ($bonus['through'] === 'split') {
            $gross += cents($bonus['amount']);
        } else {
            $pay[$bonus['to']] = ($pay[$bonus['to']] ?? 0) + cents($bonus['amount']);
        }
    }
    $credit = array_sum(array_map(fn ($one) => cents($one['amount']), $side['credits']));
    $pay['client'] = $credit;
    $off = $credit;
    foreach ($side['referralsOut'] as $referral) {
        $amount = cut($referral['of'] === 'gross' ? $gross : $gross - $credit, $referral['percent']);
        $pay['referral'] = ($pay['referral'] ?? 0) + $amount;
        $off += $amount;
    }
    $franchise = 0;
    if (isset($side['franchise'])) {
        $left = max(0, cents($side['franchise']['cap']) - cents($side['franchise']['paid']));
        $franchise = min(cut($gross, $side['franchise']['percent']), $left);
        $pay['franchise'] = $franchise;
        $side['franchise']['when'] === 'before' && ($off += $franchise);
    }
    $net = $gross - $off;
    $rest = $net;
    $parts = [];
    foreach ($side['agents'] as $index => $one) {
        $share = $index === count($side['agents']) - 1 ? $rest : cut($net, $one['share']);
        $rest -= $share;
        $plan = $agents[$one['id']]['plan'];
        $so = array_map(cents(...), $agents[$one['id']]['soFar']);
        $counted = $so['company'];
        if (isset($plan['cap']) && $so['company'] >= cents($plan['cap'])) {
            $company = 0;
            $fee = cents($plan['afterCap']['amount']);
            $fee = min($fee, max(0, cents($plan['afterCap']['cap']) - $so['afterCap']));
        } else {
            $fee = 0;
            $own = 0;
            $open = $share;
            $total = $plan['tiersBy'] === 'cn' ? $so['cn'] : $so['company'];
            foreach ($plan['tiers'] as $tier) {
                $here = $open;
                if (isset($tier['upTo'])) {
                    $missing = max(0, cents($tier['upTo']) - $total);
                    $companys = (string) (100 - (int) $tier['rate']);
                    $here = min($open, $plan['tiersBy'] === 'cn' ? $missing : BigRational::of($missing * 100)
                        ->dividedBy($companys)->toScale(0, RoundingMode::HALF_UP)->toInt());
                }
                if ($here <= 0) {
                    continue;
                }
                $piece = cut($here, $tier['rate']);
                $own += $piece;
                $total += $plan['tiersBy'] === 'cn' ? $here : $here - $piece;
                $open -= $here;
            }
            $company = max($share - $own, cents($plan['minimum']));
            isset($plan['cap']) && ($company = min($company, cents($plan['cap']) - $so['company']));
            $counted += $company;
        }
        $after = $share - $company;
        $pay[$one['id']] = ($pay[$one['id']] ?? 0) + $after - $fee;
        $pay['company'] += $company + $fee;
        $parts[$one['id']] = [$share, $after, $counted, isset($plan['cap']) ? cents($plan['cap']) : null, $one['share']];
        if (isset($agents[$one['id']]['team'])) {
            $team = $agents[$one['id']]['team'];
            $lead = cut($team['base'] === 'before' ? $share : $after, $team['percent']);
            $pay[$one['id']] -= $lead;
            $pay[$team['lead']] = ($pay[$team['lead']] ?? 0) + $lead;
        }
    }
    foreach ($side['fees'] as $fee) {
        foreach ($fee['payer'] === 'agent' ? array_keys($parts) : [$fee['payer']] as $who) {
            [$share, $after, $counted, $cap] = $parts[$who] ?? [0, 0, 0, null];
            $amount = isset($fee['amount'])
                ? cents($fee['amount'])
                : cut(['gross' => $gross, 'cn' => $net, 'before' => $share, 'after' => $after][$fee['base']], $fee['percent']);
            isset($fee['maximum']) && ($amount = min($amount, cents($fee['maximum'])));
            if ($fee['countsToCap'] && $cap !== null) {
                $amount = min($amount, max(0, $cap - $counted));
                $parts[$who][2] += $amount;
            }
            $pay[$fee['payee']] = ($pay[$fee['payee']] ?? 0) + $amount;
            $fee['payer'] === 'client' ? ($in += $amount) : ($pay[$who] -= $amount);
        }
    }
    if ($franchise > 0 && $side['franchise']['when'] === 'after') {
        if ($side['franchise']['by'] === 'company') {
            $pay['company'] -= $franchise;
        } else {
            $rest = $franchise;
            foreach (array_keys($parts) as $n => $id) {
                $piece = $n === count($parts) - 1 ? $rest : cut($franchise, $parts[$id][4]);
                $rest -= $piece;
                $pay[$id] -= $piece;
            }
        }
    }
    foreach ($agents as $id => $agent) {
        foreach ($agent['debts'] as $debt) {
            $taken = min(cents($debt['amount']), max(0, $pay[$id] ?? 0));
            $pay[$id] = ($pay[$id] ?? 0) - $taken;
            $pay['company'] += $taken;
        }
    }

    return [$pay, $in];
}

/** @return array{array<string, mixed>, array<string, array<string, mixed>>} a deal as no broker has seen it */
function anyDeal(): array
{
    $money = static fn (int $most, int $least = 0): string => sprintf('%d.%02d', mt_rand($least, $most), mt_rand(0, 99));
    $percent = static fn (int $most): string => (string) (mt_rand(1, $most * 1000) / 1000);
    $some = static fn (int $of, callable $make): array => mt_rand(1, $of) === 1 ? [$make()] : [];
    $agents = $shares = [];
    $many = mt_rand(1, 3);
    foreach (range(1, $many) as $n) {
        $tiers = mt_rand(0, 1) === 1
            ? [['rate' => (string) mt_rand(40, 95)]]
            : [['upTo' => $money(60_000), 'rate' => (string) mt_rand(40, 80)], ['rate' => (string) mt_rand(60, 100)]];
        $agents["A{$n}"] = [
            'plan' => [
                'tiers' => $tiers,
                'tiersBy' => mt_rand(0, 1) === 1 ? 'cn' : 'company',
                'minimum' => mt_rand(0, 3) === 0 ? $money(400) : '0',
                ...mt_rand(0, 1) === 1 ? ['cap' => $money(18_000, 4000), 'afterCap' => ['amount' => '250', 'cap' => $money(2000)]] : [],
            ],
            'soFar' => ['cn' => $money(90_000), 'company' => $money(20_000), 'afterCap' => $money(1500)],
            'debts' => $some(4, static fn () => ['label' => 'advance', 'amount' => $money(1500)]),
            ...mt_rand(1, 4) === 1
                ? ['team' => ['lead' => 'Lead', 'percent' => $percent(50), 'base' => mt_rand(0, 1) === 1 ? 'before' : 'after']]
                : [],
        ];
        $shares[] = ['id' => "A{$n}", 'share' => ['100', '60', '33.333'][$many - 1]];
    }
    $shares[$many - 1]['share'] = ['100', '40', '33.334'][$many - 1];
    $franchise = mt_rand(0, 2) === 0 ? [
        'when' => mt_rand(0, 1) === 1 ? 'before' : 'after', 'percent' => $percent(8), 'cap' => $money(4000), 'paid' => $money(3000),
        'by' => mt_rand(0, 1) === 1 ? 'company' : 'agents', 'to' => 'franchise',
    ] : null;

    return [[
        'side' => 'one',
        'price' => $money(900_000, 15_000),
        'lines' => mt_rand(0, 1) === 1
            ? [['kind' => 'percent', 'percent' => $percent(6)]]
            : [['kind' => 'first', 'percent' => $percent(7), 'of' => $money(150_000)], ['kind' => 'balance', 'percent' => $percent(3)],
                ['kind' => 'flat', 'amount' => $money(600)]],
        ...mt_rand(0, 4) === 0 ? ['minimum' => $money(4000)] : [],
        'bonuses' => $some(3, static fn () => [
            'amount' => $money(3000), 'through' => mt_rand(0, 1) === 1 ? 'split' : 'straight', 'to' => 'A1',
        ]),
        'credits' => $some(3, static fn () => ['amount' => $money(900), 'to' => 'client']),
        'referralsOut' => $some(3, static fn () => [
            'percent' => $percent(35), 'of' => mt_rand(0, 1) === 1 ? 'gross' : 'gross_less_credits', 'to' => 'referral',
        ]),
        ...$franchise === null ? [] : ['franchise' => $franchise],
        'agents' => $shares,
        'fees' => [
            ...$some(2, static fn () => [
                'label' => 'Transaction', 'amount' => $money(500), 'payer' => 'agent', 'payee' => 'company',
                'countsToCap' => mt_rand(0, 1) === 1,
            ]),
            ...$some(3, static fn () => [
                'label' => 'Insurance', 'percent' => $percent(2), 'base' => ['gross', 'cn', 'before', 'after'][mt_rand(0, 3)],
                'maximum' => $money(90), 'payer' => 'agent', 'payee' => 'insurer', 'countsToCap' => false,
            ]),
            ...$some(3, static fn () => [
                'label' => 'Admin', 'amount' => $money(400), 'payer' => 'client', 'payee' => 'company', 'countsToCap' => false,
            ]),
            ...$some(4, static fn () => [
                'label' => 'Courier', 'amount' => $money(60), 'payer' => 'company', 'payee' => 'courier', 'countsToCap' => false,
            ]),
        ],
    ], $agents];
}

it('comes to the same as a second reckoning, deal after deal', function (int $seed) {
    mt_srand($seed);
    for ($deal = 0; $deal < 600; $deal++) {
        [$side, $agents] = anyDeal();
        $done = Reckoning::of(['closing' => '2026-11-28', 'agents' => $agents, 'sides' => [$side]]);
        [$pay, $in] = naive($side, $agents);
        $paid = array_filter(array_map(cents(...), $done['payees']), static fn (int $cents) => $cents !== 0);
        $expected = array_filter($pay, static fn (int $cents) => $cents !== 0);
        ksort($paid);
        ksort($expected);
        expect($paid)->toBe($expected, (string) json_encode([$side, $agents]))
            ->and(cents($done['sides'][0]['in']))->toBe($in)
            ->and(array_sum($expected))->toBe($in);
    }
})->with([1, 2, 3, 4, 5, 6]);
