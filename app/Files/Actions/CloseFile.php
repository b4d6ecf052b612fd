<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Models\DealFile;
use App\History\History;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Files\StepRefused;

/** Moves a file through its statuses. */
final class CloseFile
{
    /** @throws StepRefused when it cannot go there from here, or its disbursement is not authorized */
    public function close(DealFile $file): void
    {
        $this->move($file, DealStatus::Closed, '');
    }

    /** @throws StepRefused when it cannot end that way from here, or no reason is given */
    public function end(DealFile $file, DealStatus $status, string $reason): void
    {
        if (trim($reason) === '') {
            throw new StepRefused('Say in a few words why the file ends.');
        }
        $this->move($file, $status, trim($reason));
    }

    private function move(DealFile $file, DealStatus $status, string $reason): void
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->first();
        $file->refresh();
        $to = $file->status->to($status);
        if ($to === DealStatus::Closed && $file->commission?->authorized_at === null) {
            throw new StepRefused('The commission disbursement is not authorized yet. The broker authorizes it on the commission sheet.');
        }
        $file->update(['status' => $to, 'closed_on' => $to === DealStatus::Closed ? $file->office->today()->iso() : null]);
        History::add($file->brokerage_id, $file->id, $to->label(), array_filter(['reason' => $reason]));
    }
}
