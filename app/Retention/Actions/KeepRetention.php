<?php

declare(strict_types=1);

namespace App\Retention\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\RetentionHold;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Retention\RetentionRefusal;
use Unanimus\Retention\RetentionRules;
use Unanimus\Steps\StepRefused;

/** How long an office keeps its files; files archived, and held. */
final class KeepRetention
{
    /** @throws StepRefused when they do not run the office */
    public function setRules(Office $office, RetentionRules $rules, User $by): void
    {
        $by->runs($office) || throw RetentionRefusal::NotTheirs->because(office: $office->name);
        DB::table('offices')->where('id', $office->id)->lockForUpdate()->value('id');
        $office->refresh();
        $before = $office->retentionRules();
        if ($before->toArray() === $rules->toArray()) {
            return;
        }
        $office->update(['retention' => $rules->toArray()]);
        History::ofBrokerage($office->brokerage_id, 'Retention periods changed', [
            'office' => $office->name,
            'before' => self::readable($before),
            'now' => self::readable($rules),
        ], $office->id);
    }

    /**
     * Out of the lists of ended files; its clock runs on.
     *
     * @throws StepRefused when it is still open
     */
    public function archive(DealFile $file, bool $archived): void
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $file->refresh();
        ! $archived || ! $file->status->isOpen() || throw RetentionRefusal::StillOpen->because();
        if (($file->archived_at !== null) === $archived) {
            return;
        }
        $file->update(['archived_at' => $archived ? now() : null]);
        History::add($file->brokerage_id, $file->id, $archived ? 'File archived' : 'File taken out of the archive', [], SeenBy::everyone());
    }

    /**
     * From now on it is not purged, whatever its time.
     *
     * @throws StepRefused when no reason is given or they do not run the office
     */
    public function hold(DealFile $file, string $reason, User $by): void
    {
        $this->mustRun($file, $by);
        trim($reason) === '' && throw RetentionRefusal::NoReason->because();
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        if (RetentionHold::query()->where('deal_file_id', $file->id)->whereNull('lifted_at')->exists()) {
            return;
        }
        RetentionHold::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'reason' => trim($reason),
            'placed_by' => $by->id,
        ]);
        // Notice is given anew once the hold is lifted.
        DB::table('purge_notices')->where('deal_file_id', $file->id)->delete();
        History::add($file->brokerage_id, $file->id, 'Put on hold', ['reason' => trim($reason)], new SeenBy(null, true));
    }

    /** @throws StepRefused when they do not run the office */
    public function lift(RetentionHold $hold, User $by): void
    {
        $file = $hold->file;
        $this->mustRun($file, $by);
        DB::table('retention_holds')->where('id', $hold->id)->lockForUpdate()->value('id');
        $hold->refresh();
        if ($hold->lifted_at !== null) {
            return;
        }
        $hold->update(['lifted_at' => now(), 'lifted_by' => $by->id]);
        History::add($file->brokerage_id, $file->id, 'Hold lifted', ['reason' => $hold->reason], new SeenBy(null, true));
    }

    private function mustRun(DealFile $file, User $by): void
    {
        $by->runs($file->office) || throw RetentionRefusal::NotTheirs->because(office: $file->office->name);
    }

    private static function readable(RetentionRules $rules): string
    {
        $said = array_map(
            static fn (string $place, int $years) => RetentionRules::readable($place).' '.($years === 1 ? '1 year' : "{$years} years"),
            array_keys($rules->years),
            $rules->years,
        );
        $after = $rules->archiveAfter === null ? 'archived by hand' : "archived after {$rules->archiveAfter} days";

        return implode('; ', [...$said === [] ? ['kept permanently'] : $said, $after]);
    }
}
