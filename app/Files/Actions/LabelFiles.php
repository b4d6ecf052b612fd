<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Terms\SearchRow;
use Unanimus\Files\SeenBy;

/** Puts labels on files: on one the whole list as it stands in its field, on many one more. */
final class LabelFiles
{
    private const MOST = 12;

    /** What a file's field of labels says, comma after comma, is what it has from now on. */
    public function set(DealFile $file, string $typed): void
    {
        $this->keep($file, $this->read($typed));
    }

    /**
     * Adds labels to files that may have others.
     *
     * @param iterable<DealFile> $files
     * @return int how many had not all of them yet
     */
    public function add(iterable $files, string $typed): int
    {
        $changed = 0;
        foreach ($files as $file) {
            $labels = $this->read(implode(',', [...$file->labels, ...$this->read($typed)]));
            if ($labels !== $file->labels) {
                $this->keep($file, $labels);
                $changed++;
            }
        }

        return $changed;
    }

    /** @return list<string> */
    private function read(string $typed): array
    {
        $labels = array_map(
            static fn (string $label) => mb_substr(trim((string) preg_replace('/[{}"\\\\]+/', '', $label)), 0, 40),
            explode(',', $typed),
        );

        return array_slice(array_values(array_unique(array_filter($labels, static fn (string $label) => $label !== ''))), 0, self::MOST);
    }

    /** @param  list<string>  $labels */
    private function keep(DealFile $file, array $labels): void
    {
        $before = $file->labels;
        $file->update(['labels' => $labels]);
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));
        History::add(
            $file->brokerage_id,
            $file->id,
            'Labels changed',
            ['before' => implode(', ', $before), 'after' => implode(', ', $labels)],
            SeenBy::everyone(),
        );
    }
}
