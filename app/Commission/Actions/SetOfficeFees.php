<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Models\Office;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\FeeEntered;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Steps\StepRefused;

/** The fees that an office usually takes. They are suggested on new sheets; what is entered already stays as it is. */
final class SetOfficeFees
{
    /**
     * @param array<int|string, mixed> $typed
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when a fee is negative, or goes from the company to itself
     */
    public function __invoke(Office $office, array $typed): void
    {
        $fees = FeeEntered::read($typed);
        DB::table('offices')->where('id', $office->id)->lockForUpdate()->value('id');
        $office->refresh();
        // The database gives names in another order.
        if ($office->fees == $fees) {
            return;
        }
        $office->update(['fees' => $fees]);
        History::ofBrokerage($office->brokerage_id, 'Office fees set', [
            'office' => $office->name,
            'fees' => implode(', ', array_map(static fn (array $fee) => trim("{$fee['label']} {$fee['amount']}"), $fees)),
        ], $office->id);
    }
}
