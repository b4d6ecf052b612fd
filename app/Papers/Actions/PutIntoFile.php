<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\RoundStatus;
use Unanimus\Steps\StepRefused;

/**
 * Papers without a deal find their file: each goes there as it stands, signed ones with their seal. The small file they were signed
 * in stays, with its rounds and its history, and says where they went.
 */
final class PutIntoFile
{
    public function __construct(private readonly CareForPaper $care)
    {
    }

    /**
     * @return int how many papers went there
     *
     * @throws StepRefused when it is a deal itself, something is still out for signature, or the other file has ended
     */
    public function __invoke(DealFile $papers, DealFile $to, User $by): int
    {
        DB::table('deal_files')->where('id', $papers->id)->lockForUpdate()->value('id');
        $papers->refresh();
        ($papers->kind->isDeal() || ! $to->kind->isDeal()) && throw FileRefusal::NotLoosePapers->because();
        if ($papers->put_into === $to->id) {
            return 0;
        }
        $papers->put_into === null || throw FileRefusal::PutElsewhere->because();
        $papers->rounds()->where('status', RoundStatus::Out)->exists() && throw FileRefusal::StillOut->because();
        $count = 0;
        foreach ($papers->papers()->with(['values', 'latest'])->get() as $paper) {
            if ($paper->state === PaperState::Void || ($paper->latest === null && ! $paper->isDraft())) {
                continue;
            }
            $this->care->copy($paper->setRelation('file', $papers), $to, $by);
            $count++;
        }
        $papers->update(['put_into' => $to->id, 'status' => DealStatus::Closed, 'ended_on' => $papers->office->today()]);
        History::add($papers->brokerage_id, $papers->id, 'Papers put into a file', ['to' => $to->name], SeenBy::everyone());
        History::add($to->brokerage_id, $to->id, 'Papers put in', ['from' => $papers->name, 'count' => $count], SeenBy::everyone());

        return $count;
    }
}
