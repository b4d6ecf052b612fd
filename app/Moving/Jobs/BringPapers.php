<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\DealFile;
use App\Models\Import;
use App\Models\MovedLine;
use App\Models\MovedPaper;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\BringPaper;
use App\Moving\Actions\BringTasks;
use App\Storage\BytesMissing;
use App\Work\Work;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Auth;
use Unanimus\Pages\DiskFull;

/**
 * Puts the documents and tasks that came along into the files that were opened, one by one; killed half-way it goes on with
 * the next.
 */
final class BringPapers extends Work
{
    public const KIND = 'moving-in';

    public int $timeout = 14400;

    protected function work(): void
    {
        [$import, $by] = Sight::within($this->brokerageId, function (): array {
            $import = Import::query()->findOrFail($this->thing);

            return [$import, User::query()->with('officeRoles')->findOrFail($import->user_id)];
        });
        Auth::setUser($by);
        try {
            for ($count = 1; $this->nextPaper($import); $count++) {
                $count % 10 === 0 && $this->holdOn();
            }
            while ($this->nextTaskOrNote($import, $by)) {
                $this->holdOn();
            }
        } finally {
            Auth::forgetUser();
        }
    }

    /**
     * Documents whose row is a file by now.
     *
     * @return Builder<MovedPaper>
     */
    public static function able(Import $import): Builder
    {
        return MovedPaper::query()
            ->where('moved_papers.import_id', $import->id)
            ->where('moved_papers.outcome', 'waiting')
            ->whereIn('row_number', $import->lines()->reorder()->where('outcome', 'opened')->select('number'));
    }

    private function nextPaper(Import $import): bool
    {
        $moved = Sight::within($this->brokerageId, static fn (): ?MovedPaper => self::able($import)->orderBy('moved_papers.id')->first());
        if ($moved === null) {
            return false;
        }
        try {
            // What takes long happens before anything in the database is held.
            $brought = app(BringPaper::class)->convert($moved);
            Sight::within($this->brokerageId, function () use ($moved, $import, $brought): void {
                $file = $this->file($import, (int) $moved->row_number);
                app(BringPaper::class)($moved, $file, $brought, $import->name);
            });
        } catch (\PDOException|DiskFull|BytesMissing $passing) {
            throw $passing;
        } catch (\Throwable $fault) {
            // One that nobody foresaw does not hold up thousands that come after it.
            report($fault);
            Sight::within($this->brokerageId, static fn () => MovedPaper::query()
                ->whereKey($moved->id)
                ->where('outcome', 'waiting')
                ->update(['outcome' => 'refused', 'told' => 'It could not be read. Upload it to its file by hand.']));
        }

        return true;
    }

    /** A task that nobody foresaw holds up none of those behind it. */
    private function nextTaskOrNote(Import $import, User $by): bool
    {
        $at = null;
        try {
            return $this->nextTask($import, $by, $at);
        } catch (\PDOException $passing) {
            throw $passing;
        } catch (\Throwable $fault) {
            report($fault);
            $told = 'It could not be added. Add it to its file by hand.';
            $refused = ['outcome' => 'refused', 'told' => $told];
            Sight::within($this->brokerageId, static fn () => MovedLine::query()->whereKey($at)->update($refused));

            return $at !== null;
        }
    }

    private function nextTask(Import $import, User $by, ?int &$at): bool
    {
        return Sight::within($this->brokerageId, function () use ($import, $by, &$at): bool {
            $line = MovedLine::query()
                ->where(['import_id' => $import->id, 'kind' => 'tasks', 'outcome' => 'waiting'])
                ->whereIn('row_number', $import->lines()->reorder()->where('outcome', 'opened')->select('number'))
                ->orderBy('number')
                ->lockForUpdate()
                ->first();
            $at = $line?->id;
            $line === null || app(BringTasks::class)($line, $this->file($import, (int) $line->row_number), $by);

            return $line !== null;
        });
    }

    private function file(Import $import, int $number): DealFile
    {
        $line = $import->lines()->where('number', $number)->firstOrFail();

        return DealFile::query()->with(['office', 'kits'])->findOrFail($line->deal_file_id);
    }
}
