<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\Models\Import;
use App\Models\MovedLine;
use App\Models\MovedPaper;
use App\Models\Sight;
use App\Models\User;
use App\Moving\Jobs\ReadParcel;
use App\Storage\Bytes;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Intake\Converter;
use Unanimus\Intake\Workbook;
use Unanimus\Intake\WorkbookUnreadable;
use Unanimus\Moving\ListKind;
use Unanimus\Moving\MovedList;
use Unanimus\Moving\MovingRefusal;
use Unanimus\Moving\Parcel;
use Unanimus\Moving\ParcelContents;
use Unanimus\Moving\ParcelEntry;
use Unanimus\Steps\StepRefused;

/** Takes in what a brokerage brings along: the list of files at once, its documents one by one. */
final class TakeParcel
{
    /** Bytes a spreadsheet may have before it is opened. */
    private const LARGEST_TABLE = 40_000_000;

    public function __construct(private readonly ImportFiles $files, private readonly Bytes $bytes)
    {
    }

    /**
     * @param string|null $sha256 of a ZIP that is kept and read in the background; null: whoever calls reads the documents
     * @return array{Import, list<string>} and what in it to look at
     *
     * @throws StepRefused when there is nothing in it that can be taken
     * @throws SheetUnreadable when its list of files cannot be read
     * @throws WorkbookUnreadable when its list of files cannot be opened
     */
    public function __invoke(Parcel $parcel, User $by, ?string $sha256 = null): array
    {
        $contents = ParcelContents::of($parcel->entries(), $parcel->name());
        [$import, $warnings] = $this->files->take($this->table($parcel, $contents->files), $parcel->name(), $by, $this->bytes);
        $import->update(['parcel_sha256' => $sha256, 'root' => $contents->root]);
        foreach (array_chunk($contents->documents, 500) as $some) {
            MovedPaper::query()->insert(array_map(static fn (ParcelEntry $entry) => [
                'brokerage_id' => $import->brokerage_id,
                'import_id' => $import->id,
                'path' => $contents->within($entry->path),
                'folder' => self::folder($contents->within($entry->path)),
                'entry' => $entry->at,
                'bytes' => $entry->bytes,
                'outcome' => $entry->bytes > Converter::LARGEST ? 'refused' : 'unread',
                'told' => $entry->bytes > Converter::LARGEST ? 'It is larger than 50 MB. Upload it to its file as several parts.' : '',
            ], $some));
        }
        foreach ($contents->lists as $kind => $entry) {
            try {
                $this->list($import, ListKind::from($kind), $this->table($parcel, $entry));
            } catch (SheetUnreadable|WorkbookUnreadable $unreadable) {
                $warnings[] = "{$entry->name()}: {$unreadable->getMessage()} It was left aside.";
            }
        }
        $sha256 === null || ReadParcel::begin($import->brokerage_id, $import->id);

        return [$import, $warnings];
    }

    /** Keeps the bytes of its next document, in a transaction of its own. @return bool whether there was one */
    public function readNext(Import $import, Parcel $parcel): bool
    {
        return Sight::within($import->brokerage_id, function () use ($import, $parcel): bool {
            $paper = MovedPaper::query()
                ->where(['import_id' => $import->id, 'outcome' => 'unread'])
                ->orderBy('id')
                ->lockForUpdate()
                ->first();
            $paper === null || $this->read($paper, $parcel, $import->root);

            return $paper !== null;
        });
    }

    private function read(MovedPaper $paper, Parcel $parcel, string $root): void
    {
        $path = $root === '' ? $paper->path : "{$root}/{$paper->path}";
        try {
            $bytes = $parcel->read(new ParcelEntry($path, $paper->bytes, $paper->entry), Converter::LARGEST);
        } catch (StepRefused $refused) {
            $paper->update(['outcome' => 'refused', 'told' => $refused->getMessage()]);

            return;
        }
        // What is longer than it says of itself is not believed.
        strlen($bytes) > Converter::LARGEST
            ? $paper->update(['outcome' => 'refused', 'told' => 'It is larger than 50 MB. Upload it to its file as several parts.'])
            : $paper->update([
                'sha256' => $this->bytes->keep($paper->brokerage_id, $bytes, 'application/octet-stream'),
                'bytes' => strlen($bytes),
                'outcome' => 'waiting',
            ]);
    }

    private static function folder(string $path): string
    {
        return (new ParcelEntry($path, 0))->folder();
    }

    private function table(Parcel $parcel, ParcelEntry $entry): string
    {
        $bytes = $parcel->read($entry, self::LARGEST_TABLE);

        return strlen($bytes) > self::LARGEST_TABLE
            ? throw MovingRefusal::CannotRead->because(name: $entry->name())
            : Workbook::toCsv($bytes);
    }

    private function list(Import $import, ListKind $kind, string $csv): void
    {
        $rows = MovedList::read($kind, $csv)->rows;
        foreach (array_chunk($rows, 400, true) as $some) {
            MovedLine::query()->insert(array_map(static fn (int $number, array $cells) => [
                'brokerage_id' => $import->brokerage_id,
                'import_id' => $import->id,
                'kind' => $kind->value,
                'number' => $number,
                'cells' => json_encode($cells, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ], array_keys($some), $some));
        }
    }
}
