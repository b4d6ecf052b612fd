<?php

declare(strict_types=1);

namespace App\Moving\Jobs;

use App\Models\Import;
use App\Models\ImportLine;
use App\Models\MovedPaper;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Actions\BringPaper;
use App\Moving\Actions\ImportFiles;
use App\Moving\NotForGood;
use App\Work\Work;
use Illuminate\Support\Facades\Auth;

/**
 * Says of each document at which line of the checklist it would stand. The files are opened for that, and that is taken back:
 * only so the answer is the one that opening them would give.
 */
final class TryParcel extends Work
{
    public const KIND = 'moving-try';

    public int $timeout = 14400;

    protected function work(): void
    {
        [$import, $by, $lines] = Sight::within($this->brokerageId, function (): array {
            $import = Import::query()->with('office')->findOrFail($this->thing);

            return [$import, User::query()->with('officeRoles')->findOrFail($import->user_id), $import->state !== 'tried' ? [] : $import
                ->lines()
                ->where('outcome', 'fit')
                ->whereIn('number', MovedPaper::query()
                    ->where('import_id', $import->id)
                    ->whereNotNull('row_number')
                    ->select('row_number'))
                ->get()
                ->all()];
        });
        Auth::setUser($by);
        try {
            foreach ($lines as $line) {
                $this->note($import, $this->wouldStand($import, $line, $by));
                $this->holdOn();
            }
        } finally {
            Auth::forgetUser();
        }
    }

    /** @return array<int, string> by the document's id */
    private function wouldStand(Import $import, ImportLine $line, User $by): array
    {
        try {
            Sight::within($this->brokerageId, static function () use ($import, $line, $by): void {
                $file = app(ImportFiles::class)->open($import, $line->id, $by);
                if ($file === null) {
                    return;
                }
                $taken = $told = [];
                $all = MovedPaper::query()
                    ->where(['import_id' => $import->id, 'row_number' => $line->number, 'outcome' => 'waiting'])
                    ->orderBy('id')
                    ->get();
                foreach ($all as $moved) {
                    $row = app(BringPaper::class)->row($moved, $file, '');
                    $isFree = $row !== null && ! isset($taken[$row->id]);
                    $row === null || ($taken[$row->id] = true);
                    $told[$moved->id] = $isFree
                        ? "By its name: {$row->title}."
                        : 'A document of its own, unless its first page says more.';
                }
                throw new NotForGood($told);
            });
        } catch (NotForGood $told) {
            return $told->told;
        } catch (\DomainException|\InvalidArgumentException $refused) {
            $line = $line->number;
            Sight::within($this->brokerageId, static fn () => $import->lines()->where('number', $line)
                ->update(['outcome' => 'unfit', 'told' => $refused->getMessage()]));
        }

        return [];
    }

    /** @param  array<int, string>  $told */
    private function note(Import $import, array $told): void
    {
        Sight::within($this->brokerageId, static function () use ($import, $told): void {
            foreach ($told as $id => $words) {
                MovedPaper::query()
                    ->whereKey($id)
                    ->where(['import_id' => $import->id, 'outcome' => 'waiting'])
                    ->update(['told' => $words]);
            }
        });
    }
}
