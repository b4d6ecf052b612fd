<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Stack;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Files\PaperState;
use Unanimus\Intake\Placeholder;
use Unanimus\Intake\SortingTable;
use Unanimus\Intake\TablePart;
use Unanimus\Intake\TablePencil;

/** A stack as it lies now, with what each of its parts is called, into which file it goes, and at which row. */
final readonly class StackPlan
{
    /**
     * @param array<string, DealFile|null> $files by key of the part
     * @param array<string, Collection<int, Paper>> $rows that still take a paper, by key of the file
     */
    private function __construct(
        public Stack $stack,
        public SortingTable $table,
        public TablePencil $pencil,
        private array $files,
        private array $rows,
    ) {
    }

    public static function of(Stack $stack): self
    {
        $table = $stack->table();
        $own = $stack->deal_file_id === null ? self::guessed($stack) : $stack->file;
        $named = array_values(array_unique(array_filter(array_map(static fn (TablePart $part) => $part->file, $table->parts))));
        $known = DealFile::query()->with('members')->whereIn('key', $named)->get()->keyBy('key');
        $files = [];
        foreach ($table->parts as $part) {
            $files[$part->key] = $part->file === '' ? $own : $known[$part->file] ?? null;
        }
        $rows = [];
        foreach (collect($files)->filter()->unique('id') as $file) {
            $rows[$file->key] = self::rows($file, $stack);
        }

        return new self($stack, $table, $stack->pencil($table), $files, $rows);
    }

    /** The file the letters seem to belong to, where all that are proposed for one are proposed for the same. */
    private static function guessed(Stack $stack): ?DealFile
    {
        $guesses = InboundItem::query()->with('guess.members')->whereIn('id', $stack->items)->get()->pluck('guess')->filter()->unique('id');

        return $guesses->count() === 1 ? $guesses->first() : null;
    }

    /** @return Collection<int, Paper> */
    private static function rows(DealFile $file, Stack $stack): Collection
    {
        return $file
            ->papers()
            ->with('requirement')
            ->whereIn('state', [PaperState::Expected, PaperState::Draft, PaperState::Ready, PaperState::Signed])
            ->when($stack->paper_id !== null, static fn ($papers) => $papers->whereKeyNot($stack->paper_id))
            ->orderBy('position')
            ->orderBy('id')
            ->get()
            ->reject(static fn (Paper $paper) => $paper->requirement?->review_state->isWithReviewer() ?? false)
            ->values();
    }

    public function file(TablePart $part): ?DealFile
    {
        return $this->files[$part->key] ?? null;
    }

    /** What it is called: as said, as it was read, or after its stack. */
    public function title(TablePart $part): string
    {
        $source = $this->stack->sources[($part->pages[0]->stack ?? 1) - 1]['name'] ?? $this->stack->name;

        return $this->pencil->title($part, trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo($source, PATHINFO_FILENAME))) ?: $source);
    }

    /** @return Collection<int, Paper> rows of its file that still take a paper */
    public function rowsFor(TablePart $part): Collection
    {
        return $this->rows[$this->file($part)->key ?? ''] ?? new Collection();
    }

    /**
     * The rows parts go to, by key of the part: the one that was said, or the one that waits for what it seems to be, and that no
     * part before it takes; null: a paper of its own.
     *
     * @return array<string, Paper|null>
     */
    public function places(): array
    {
        $places = $taken = [];
        foreach ($this->table->parts as $part) {
            $part->row === '' || ($taken[] = $part->row);
        }
        foreach ($this->table->parts as $part) {
            $row = $part->row === '' ? $this->proposed($part) : $this->rowsFor($part)->firstWhere('key', $part->row);
            $places[$part->key] = $row !== null && $part->row === '' && in_array($row->key, $taken, true) ? null : $row;
            $row === null || ($taken[] = $row->key);
        }

        return $places;
    }

    private function proposed(TablePart $part): ?Paper
    {
        $rows = $this->rowsFor($part);
        $form = $this->pencil->names[$part->key]['form'] ?? '';
        $waits = $rows->whereIn('state', [PaperState::Expected, PaperState::Draft]);
        $on = $form === '' ? $rows->take(0) : $waits->where('form_number', $form);
        if ($on->count() === 1 && ! ($this->pencil->names[$part->key]['copy'] ?? false)) {
            return $on->first();
        }
        $title = $this->title($part);
        $expected = $rows->where('state', PaperState::Expected)->pluck('title', 'key')->all();
        $key = Placeholder::thatFits($expected, $title, $title);

        return $key === null ? null : $rows->firstWhere('key', $key);
    }
}
