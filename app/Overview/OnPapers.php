<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Finding\Excerpt;
use Unanimus\Finding\Query;

/** Finds files by what stands on the papers brought into them, scans too. */
final class OnPapers
{
    /**
     * The papers in sight that say a phrase.
     *
     * @return Builder<Paper>
     */
    public static function saying(string $phrase): Builder
    {
        $plain = Query::plain($phrase);

        return Paper::query()
            ->where('papers.state', '<>', PaperState::Void)
            ->when(
                $plain === '',
                static fn (Builder $none) => $none->whereRaw('false'),
                static fn (Builder $papers) => $papers->whereRaw(
                    'papers.id IN (SELECT papers_with_words(?))',
                    ['%'.addcslashes($plain, '%_\\').'%'],
                ),
            );
    }

    /**
     * Which paper says it, on which page and in which words, for each file that was found.
     *
     * @param iterable<DealFile> $files
     * @return array<string, string> by the file's key
     */
    public static function said(iterable $files, Query $query): array
    {
        $byId = [];
        foreach ($files as $file) {
            $byId[$file->id] = $file->key;
        }
        $said = [];
        foreach ($query->fields as ['field' => $field, 'value' => $value, 'not' => $not]) {
            if ($field !== 'says' || $not || $byId === []) {
                continue;
            }
            $papers = self::saying($value)->whereIn('deal_file_id', array_keys($byId))->orderBy('id')->get(['id', 'deal_file_id', 'title']);
            foreach ($papers->unique('deal_file_id') as $paper) {
                $said[$byId[$paper->deal_file_id]] ??= self::place($paper, Query::plain($value));
            }
        }

        return $said;
    }

    private static function place(Paper $paper, string $phrase): string
    {
        foreach (DB::table('version_texts')->where('paper_id', $paper->id)->orderByDesc('paper_version_id')->pluck('texts') as $texts) {
            $excerpt = Excerpt::of(json_decode((string) $texts, true, 8, JSON_THROW_ON_ERROR), $phrase);
            if ($excerpt !== null) {
                return "{$paper->title}, page {$excerpt->page}: {$excerpt->text}";
            }
        }

        return $paper->title;
    }
}
