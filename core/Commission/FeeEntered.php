<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** Fees of a sheet: flat or a percentage, within limits, paid by agent, company or client. */
final class FeeEntered
{
    /** Fees that a sheet takes. */
    public const MOST = 20;

    /** What a percentage may be of, and how it is called. */
    public const BASES = [
        'gross' => 'gross',
        'cn' => 'commissionable net',
        'before' => 'agent’s part before the split',
        'after' => 'agent’s part after the split',
    ];

    private const LONGEST = 60;

    /**
     * Fees as typed; empty rows are left out, and one without an amount is open.
     *
     * @param array<int|string, mixed> $typed
     * @return list<array<string, string|bool>> as kept
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when a fee is negative, or goes from the company to itself
     */
    public static function read(array $typed): array
    {
        $fees = [];
        foreach (array_slice(array_values($typed), 0, self::MOST) as $row) {
            $row = (array) $row;
            $text = static fn (string $name): string => trim((string) ($row[$name] ?? ''));
            $label = mb_strimwidth($text('label'), 0, self::LONGEST);
            if ($text('amount') === '' && $label === '') {
                continue;
            }
            $label === '' && ($label = 'Fee');
            $payer = in_array($text('payer'), ['company', 'client'], true) ? $text('payer') : 'agent';
            $payer !== 'company' || $text('payee') !== '' || throw CommissionRefusal::CompanyToCompany->because(label: $label);
            $amount = Figure::dollars($text('amount'));
            str_starts_with($amount, '-') && throw CommissionRefusal::FeeNegative->because();
            $base = isset(self::BASES[$text('base')]) ? $text('base') : '';
            if (str_ends_with($amount, '%')) {
                $base !== '' || throw CommissionRefusal::FeeOfNothing->because(label: $label);
                $payer === 'agent' || ! in_array($base, ['before', 'after'], true)
                    || throw CommissionRefusal::FeeOfNoAgent->because(label: $label);
            }
            $limits = array_map(
                static fn (string $limit) => $limit === '' ? '' : Money::parse($limit)->decimal(),
                ['minimum' => $text('minimum'), 'maximum' => $text('maximum'), 'cap' => $text('cap')],
            );
            $fees[] = [
                'label' => $label,
                // Not known yet: said, and no release.
                'amount' => $amount,
                'payer' => $payer,
                'payee' => mb_strimwidth($text('payee'), 0, self::LONGEST),
                'counts' => $text('counts') === '1',
                ...array_filter(
                    ['base' => $base, 'agent' => $payer === 'agent' ? $text('agent') : '', ...$limits],
                    static fn (string $value) => $value !== '',
                ),
            ];
        }

        return $fees;
    }

    /**
     * A fee as the reckoning takes it.
     *
     * @param array<string, mixed> $kept
     * @param array<string, string> $paid what was paid of a fee with a yearly cap, by agent
     * @return array<string, mixed>
     */
    public static function given(array $kept, array $paid): array
    {
        $given = [
            'label' => $kept['label'],
            'payer' => $kept['payer'],
            'payee' => $kept['payee'] === '' ? 'company' : $kept['payee'],
            'countsToCap' => $kept['counts'],
            ...$kept['amount'] === '' ? ['open' => true] : Figure::given((string) $kept['amount']),
        ];
        foreach (['base', 'agent', 'minimum', 'maximum'] as $name) {
            isset($kept[$name]) && ($given[$name] = $kept[$name]);
        }
        isset($kept['cap']) && ($given = [...$given, 'yearlyCap' => $kept['cap'], 'paid' => $paid]);

        return $given;
    }
}
