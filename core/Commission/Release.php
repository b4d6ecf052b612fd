<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Review\Completeness;
use Unanimus\Steps\StepRefused;

/**
 * When a commission disbursement may be authorized.
 */
final class Release
{
    /**
     * Refuses unless the review is complete or the broker says why it is released before, figures are entered, the sheet ties out, and
     * the one who authorizes is a broker.
     *
     * @param string $despite why it is released though the review is not complete; empty: nobody says so
     *
     * @throws StepRefused saying what is missing
     */
    public static function check(Completeness $review, ?CommissionSheet $sheet, bool $byBroker, string $despite = ''): void
    {
        if (! $byBroker) {
            throw CommissionRefusal::OnlyBroker->because();
        }
        if (! $review->isWhole() && trim($despite) === '') {
            throw CommissionRefusal::ReviewOpen->because(settled: $review->settled, all: $review->all);
        }
        if ($sheet === null) {
            throw CommissionRefusal::NothingEntered->because();
        }
        if ($sheet->held !== []) {
            throw CommissionRefusal::Held->because(why: implode(' ', $sheet->held));
        }
        if (! $sheet->tiesOut() || $sheet->gross->isZero()) {
            throw CommissionRefusal::DoesNotAddUp->because();
        }
    }
}
