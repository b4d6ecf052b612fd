<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\Models\Import;
use App\Models\ImportLine;
use App\Models\MovedLine;
use App\Models\MovedPaper;
use App\Models\Role;
use App\Models\User;
use App\Moving\Jobs\TryParcel;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\ImportRow;
use Unanimus\Moving\EarlierReview;
use Unanimus\Moving\FolderMatch;
use Unanimus\Moving\ListKind;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Moving\RowSigns;
use Unanimus\Steps\StepRefused;

/** Says which row of the spreadsheet each document and each line of the lists belongs to. Nothing is put into a file by it. */
final class MatchParcel
{
    public function __invoke(Import $import): void
    {
        DB::table('imports')->where('id', $import->id)->lockForUpdate()->value('id');
        $match = $this->rows($import);
        $this->folders($import, $match);
        $this->documents($import, $match);
        $this->tasks($import, $match);
    }

    /** Has it found out at which line of the checklist each document would stand. */
    public function tryOut(Import $import): void
    {
        $import->papers()->exists() && TryParcel::begin($import->brokerage_id, $import->id);
    }

    /** What was not taken is tried once more: who must make room or mend a file may have done so. @return int how many */
    public function again(Import $import): int
    {
        return MovedPaper::query()
            ->where('import_id', $import->id)
            ->where('outcome', 'refused')
            ->whereNotNull('sha256')
            ->whereIn('row_number', $import->lines()->reorder()->where('outcome', 'opened')->select('number'))
            ->update(['outcome' => 'waiting', 'told' => '']);
    }

    /**
     * A folder belongs to another row, or to none.
     *
     * @throws StepRefused when the spreadsheet has no such row
     */
    public function put(Import $import, string $folder, int $row): void
    {
        $row === 0 || $import->lines()->where('number', $row)->exists() || throw MovingRefusal::NoSuchRow->because(number: $row);
        DB::table('imports')->where('id', $import->id)->lockForUpdate()->value('id');
        $import->refresh()->update(['folders' => array_replace($import->folders, [$folder => $row])]);
        $this($import);
    }

    private function rows(Import $import): FolderMatch
    {
        $today = $import->office->today();

        return new FolderMatch($import->lines()->get()->mapWithKeys(static fn (ImportLine $line) => [
            $line->number => RowSigns::of(ImportRow::read($line->cells, $import->matched, $today)),
        ])->all());
    }

    private function folders(Import $import, FolderMatch $match): void
    {
        $open = MovedPaper::query()->where('import_id', $import->id)->whereIn('outcome', ['unread', 'waiting']);
        $folders = (clone $open)->distinct()->orderBy('folder')->pluck('folder')->all();
        foreach ($match->folders($folders, $import->folders) as $folder => $rows) {
            (clone $open)->where('folder', (string) $folder)->update([
                'row_number' => count($rows) === 1 ? $rows[0] : null,
                'told' => match (true) {
                    count($rows) === 1 => '',
                    $rows === [] && $folder === '' => 'It is not in a folder.',
                    $rows === [] => 'No row matches this folder.',
                    default => 'It could be row '.implode(' or ', $rows).'.',
                },
            ]);
        }
    }

    /** What a list says of single documents: to which row one belongs, what it is, when it was accepted. */
    private function documents(Import $import, FolderMatch $match): void
    {
        $mayAccept = User::query()->findOrFail($import->user_id)->holds(Role::Broker, $import->office_id);
        $papers = MovedPaper::query()->where('import_id', $import->id)->get(['id', 'path', 'folder', 'row_number', 'outcome']);
        $byPath = $papers->keyBy(static fn (MovedPaper $paper) => mb_strtolower($paper->path));
        $byName = $papers->groupBy(static fn (MovedPaper $paper) => mb_strtolower(basename($paper->path)));
        foreach ($this->lines($import, ListKind::Documents) as $line) {
            $path = mb_strtolower(trim(str_replace('\\', '/', $line->cells['path']), '/'));
            $rows = $line->cells['file'] === '' ? [] : $match->rows($line->cells['file']);
            $found = isset($byPath[$path]) ? [$byPath[$path]] : ($byName[basename($path)] ?? collect())
                ->filter(static fn (MovedPaper $paper) => $rows === [] || in_array($paper->row_number, $rows, true))->values()->all();
            $review = EarlierReview::read($line->cells['accepted'], $import->office->today());
            $fault = match (true) {
                $found === [] => 'There is no such document in what came along.',
                count($found) > 1 => 'Several documents have this name. Add the folder.',
                default => $review->fault,
            };
            if ($fault !== '') {
                $line->update(['outcome' => 'refused', 'told' => $fault]);

                continue;
            }
            // What a person said of its folder goes before what a list says.
            $this->note($found[0], $line, self::isByHand($found[0]->folder, $import->folders) ? [] : $rows, $review, $mayAccept);
        }
    }

    /** @param  array<string, int>  $byHand */
    private static function isByHand(string $folder, array $byHand): bool
    {
        for ($at = $folder; $at !== '.'; $at = $at === '' ? '.' : dirname($at)) {
            if (array_key_exists($at, $byHand)) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<int>  $rows */
    private function note(MovedPaper $paper, MovedLine $line, array $rows, EarlierReview $review, bool $mayAccept): void
    {
        $isOpen = in_array($paper->outcome, ['unread', 'waiting'], true);
        $isOpen && $paper->update([
            ...count($rows) === 1 ? ['row_number' => $rows[0], 'told' => ''] : [],
            'line' => mb_substr($line->cells['line'], 0, 200),
            'title' => mb_substr($line->cells['title'], 0, 120),
            'accepted' => $review->was && $mayAccept,
            'accepted_on' => $review->on,
            'accepted_by' => mb_substr($line->cells['by'], 0, 120),
        ]);
        $line->update($review->was && ! $mayAccept
            ? ['outcome' => 'refused', 'told' => 'Only a broker of the office brings in what was accepted earlier. The document '.
                'comes, not accepted.']
            : ['outcome' => 'done', 'told' => '', 'row_number' => $paper->row_number]);
    }

    private function tasks(Import $import, FolderMatch $match): void
    {
        foreach ($this->lines($import, ListKind::Tasks) as $line) {
            $rows = $match->rows($line->cells['file']);
            $review = EarlierReview::read($line->cells['done'], $import->office->today());
            $fault = match (true) {
                $line->cells['task'] === '' => 'It does not say what is to be done.',
                count($rows) !== 1 => $rows === [] ? 'No row matches this file.' : 'It could be row '.
                    implode(' or ', $rows).'.',
                $review->fault !== '' => $review->fault,
                default => self::dayFault($line->cells['due'], $import->office->today()),
            };
            $line->update($fault === ''
                ? ['outcome' => 'waiting', 'told' => '', 'row_number' => $rows[0] ?? null]
                : ['outcome' => 'refused', 'told' => $fault, 'row_number' => null]);
        }
    }

    private static function dayFault(string $typed, LocalDate $today): string
    {
        try {
            $typed === '' || LocalDate::parse($typed, $today);
        } catch (DateUnreadable $unreadable) {
            return $unreadable->getMessage();
        }

        return '';
    }

    /** @return iterable<MovedLine> of a list, but what is in a file already */
    private function lines(Import $import, ListKind $kind): iterable
    {
        return MovedLine::query()
            ->where(['import_id' => $import->id, 'kind' => $kind->value])
            ->whereNull('deal_file_id')
            ->orderBy('number')
            ->lazyById(500);
    }
}
