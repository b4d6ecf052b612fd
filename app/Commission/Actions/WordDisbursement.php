<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Office;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Commission\DisbursementWording;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Keeps how authorizations are worded: by an office, and for one file. */
final class WordDisbursement
{
    /**
     * @param array{text: string, agents: string, referral: string, letterhead: string, account: string, sign: string} $typed
     *
     * @throws StepRefused when the text names a field there is none of
     */
    public function office(Office $office, array $typed): void
    {
        DisbursementWording::check($typed['text']);
        $office->update(['disbursement' => array_filter(array_map(trim(...), $typed), static fn (string $value) => $value !== '')]);
        History::ofBrokerage($office->brokerage_id, 'Wording of authorizations set', ['office' => $office->name], $office->id);
    }

    /**
     * @param string $text empty: as the office words it
     *
     * @throws StepRefused when it names a field there is none of, or the disbursement is authorized
     */
    public function file(DealFile $file, ?Side $side, string $text): void
    {
        DisbursementWording::check($text);
        $commission = SetCommission::of($file, $side)->lockForUpdate()->first() ?? throw CommissionRefusal::NothingEntered->because();
        $commission->authorized_at === null || throw CommissionRefusal::FiguresAreFinal->because();
        if ($commission->wording !== trim($text)) {
            $commission->update(['wording' => trim($text)]);
            History::add($file->brokerage_id, $file->id, 'Wording changed', [], SeenBy::side($side));
        }
    }
}
