<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\Typeface;

/**
 * The commission disbursement authorization as a page.
 */
final class DisbursementPage
{
    /**
     * @param array<string, string> $facts what stands in the head, label to text
     * @param string $authorizedBy the broker's name
     * @param string $authorizedAt day and time in the office's zone
     */
    public static function draw(
        string $company,
        string $escrow,
        array $facts,
        CommissionSheet $sheet,
        string $authorizedBy,
        string $authorizedAt,
    ): Drawing {
        $page = new Drawing(612, 792);
        $page
            ->text(54, 72, 18, 'Commission disbursement authorization', weight: 'bold')
            ->text(54, 92, 10, $company)
            ->line(54, 102, 558, 102);
        $y = 124.0;
        foreach ($facts as $label => $text) {
            $page->text(54, $y, 9, $label, fill: '#56635c')->text(170, $y, 10, $text);
            $y += 17;
        }
        $y += 8;
        foreach (
            Typeface::wrap(
                "To {$escrow}: from the commission due to {$company} at closing, pay the amounts below to the people named. This ".
                    'authorization ends if the sale does not close.',
                10,
                490,
            ) as $line
        ) {
            $page->text(54, $y, 10, $line);
            $y += 14;
        }
        $y += 16;
        $page->text(54, $y, 11, 'How it was computed', weight: 'bold')->line(54, $y + 5, 558, $y + 5);
        $y += 22;
        foreach ($sheet->steps as $step) {
            $y = self::row($page, $y, $step->label, $step->formula, $step->amount->ledger());
        }
        $y += 14;
        $page->text(54, $y, 11, 'Pay', weight: 'bold')->line(54, $y + 5, 558, $y + 5);
        $y += 22;
        foreach ($sheet->payees as $payee) {
            $y = self::row($page, $y, "{$payee->name} ({$payee->role})", $payee->formula, $payee->amount->ledger(), 'bold');
        }
        $page->line(430, $y - 8, 558, $y - 8, 0.8, '#14261f');
        $y = self::row($page, $y + 6, 'Total, equal to the gross commission', '', $sheet->paid()->ledger(), 'bold');
        $page
            ->text(54, $y + 34, 10, "Authorized by {$authorizedBy}, broker, {$authorizedAt}.")
            ->text(54, 748, 8, 'Sample form of a fictional state, not legal advice.', fill: '#56635c');

        return $page;
    }

    private static function row(Drawing $page, float $y, string $label, string $formula, string $amount, string $weight = 'normal'): float
    {
        $page
            ->text(54, $y, 10, $label, weight: $weight)
            ->text(264, $y, 9, $formula, fill: '#56635c')
            ->text(558 - Typeface::width($amount, 10) * ($weight === 'bold' ? 1.07 : 1.0), $y, 10, $amount, weight: $weight);

        return $y + 17;
    }
}
