<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Files\StepRefused;
use Unanimus\Review\Completeness;

/**
 * When a commission disbursement may be authorized.
 */
final class Release
{
    /**
     * Refuses unless the review is complete, figures are entered, the sheet ties out, and the one who authorizes is a broker.
     *
     * @throws StepRefused saying what is missing
     */
    public static function check(Completeness $review, ?CommissionSheet $sheet, bool $byBroker): void
    {
        if (! $byBroker) {
            throw new StepRefused('Only the broker authorizes a disbursement.');
        }
        if (! $review->isWhole()) {
            throw new StepRefused("The review is not complete: {$review->settled} of {$review->all} requirements are settled.");
        }
        if ($sheet === null) {
            throw new StepRefused('The commission is not entered yet. Enter the price, the percentage and the split first.');
        }
        if (! $sheet->tiesOut() || $sheet->gross->isZero()) {
            throw new StepRefused('The sheet does not add up yet.');
        }
    }
}
