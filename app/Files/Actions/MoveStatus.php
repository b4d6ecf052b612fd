<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Agenda;
use App\History\History;
use App\Models\DealFile;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\ClosingCheck;
use Unanimus\Files\DealStatus;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;

/** Moves a file through its statuses, each time by someone who may. */
final class MoveStatus
{
    /**
     * @param User|null $by null: the application itself, when a day has come
     * @param LocalDate|null $on the day it ended; null: today
     * @param bool $isSure whether what is still open was seen; otherwise it is told, and the file stays open
     *
     * @throws StepRefused when it cannot go there from here, they may not, no reason is given where one is needed, or its disbursement is
     *                     not authorized
     */
    public function __invoke(
        DealFile $file,
        DealStatus $to,
        ?User $by,
        string $reason = '',
        ?LocalDate $on = null,
        bool $isSure = true,
    ): void {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->first();
        $file->refresh();
        $from = $file->status;
        $by === null || $file->mustBeOwnListing();
        $today = $file->office->today();
        $reason = trim($reason);
        $from->move($to, $by === null || $by->holds(Role::Broker, $file->office_id), $reason, $on, $today);
        if ($to === DealStatus::Closed) {
            ClosingCheck::paid($this->isPaidOut($file));
            $file->office->reviewPlan()->closesWhole && ClosingCheck::whole($file->load('requirements')->completeness()->open());
            $isSure || ClosingCheck::nothingOpen(self::stillOpen($file));
        }
        $ended = $to->isOpen() ? null : ($on ?? $today)->iso();
        $file->update([
            'status' => $to,
            'closed_on' => $to === DealStatus::Closed ? $ended : null,
            'ended_on' => $ended,
            'archived_at' => $to->isOpen() ? null : $file->archived_at,
            'end_reason' => $to->isOpen() || $reason === '' ? null : $reason,
        ]);
        History::add(
            $file->brokerage_id,
            $file->id,
            $from->isOpen() ? $to->label() : "Opened again: {$to->readable()}",
            array_filter(['reason' => $reason, 'on' => $ended, 'before' => $from->readable()]),
            SeenBy::everyone(),
        );
    }

    /** @return list<string> what is still open in a file that is to be closed, in words */
    public static function stillOpen(DealFile $file): array
    {
        $file->loadMissing(['office', 'knownFacts', 'kits', 'requirements']);
        $agenda = Agenda::of($file);
        $open = array_filter($agenda->deadlines, static fn (Deadline $deadline) => ! in_array($deadline->name, $agenda->done, true));
        $whole = $file->completeness();

        return ClosingCheck::of(
            $agenda->anchors['closing']['day'] ?? null,
            $agenda->today,
            array_values(array_map(static fn (Deadline $deadline) => $deadline->label, $open)),
            $whole->all - $whole->settled,
        );
    }

    private function isPaidOut(DealFile $file): bool
    {
        return Sight::asTheFile($file->id, static function () use ($file): bool {
            // Where both sides are ours each has a sheet of its own.
            $sides = $file->represents->isBoth() ? 2 : 1;
            $sheets = DB::table('commissions')
                ->where('deal_file_id', $file->id)
                ->get(['authorized_at']);

            return $sheets->count() >= $sides && $sheets->every(static fn (object $sheet) => $sheet->authorized_at !== null);
        });
    }
}
