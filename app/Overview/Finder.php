<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Party;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Unanimus\Finding\Query;

/** Finds files: fragments in any order, also mistyped; fields; in a chosen order. */
final class Finder
{
    /** The columns a list may show, with what each is sorted by. */
    public const COLUMNS = [
        'status' => ['Status', 'deal_files.status'],
        'listing' => ['Listing', 'deal_files.listing_number'],
        'office' => ['Office', 'deal_files.office_id'],
        'agent' => ['Agent', null],
        'coordinator' => ['Coordinator', null],
        'client' => ['Client', null],
        'next' => ['Next deadline', null],
        'owes' => ['Has to sign', null],
        'side' => ['Side', 'deal_files.represents'],
        'closing' => ['Closing', "(SELECT value FROM facts WHERE facts.deal_file_id = deal_files.id AND facts.name = 'closing')"],
        'price' => ['Price', "(SELECT value::numeric FROM facts WHERE facts.deal_file_id = deal_files.id AND facts.name = 'price')"],
        'complete' => ['Complete', 'deal_files.settled::numeric / greatest(deal_files.required, 1)'],
        'late' => ['Papers late', "(SELECT count(*) FROM requirements r WHERE r.deal_file_id = deal_files.id AND r.due_on < current_date
            AND r.review_state IN ('not_submitted', 'sent_back'))"],
        'labels' => ['Tags', null],
        'opened' => ['Opened', 'deal_files.created_at'],
        'ended' => ['Ended', 'deal_files.ended_on'],
    ];

    public const USUAL = ['status', 'listing', 'agent', 'closing', 'price', 'complete'];

    /** @return Builder<DealFile> */
    public static function find(Query $query, User $user, string $sort = '', bool $downward = false): Builder
    {
        /** @var Builder<DealFile> $found */
        $found = DealFile::query()->select(['deal_files.*']);
        // What was not understood finds nothing, and not everything.
        $query->faults !== [] && $query->isEmpty() && $found->whereRaw('false');
        $strict = $query->words === [] || self::words(DealFile::query(), $query->words, false)->exists();
        self::words($found, $query->words, ! $strict);
        foreach ($query->fields as ['field' => $field, 'value' => $value, 'not' => $not]) {
            $asked = static fn (Builder $where) => FileFields::narrow($where, $field, $value, $user);
            $found->where($asked, null, null, $not ? 'and not' : 'and');
        }
        // Files that have ended leave the working list, unless they are asked for.
        $isForAll = $query->asks('status') || $query->asks('says') || $query->words !== [];
        $isForAll || $found->whereIn('deal_files.status', ['preparing', 'active', 'under_contract']);
        $by = $sort === 'name' ? 'deal_files.name' : self::COLUMNS[$sort][1] ?? null;
        if ($by !== null) {
            $found->orderByRaw("{$by} ".($downward ? 'DESC' : 'ASC').' NULLS LAST');
        } elseif ($query->words !== []) {
            $found->orderByRaw("deal_files.status IN ('preparing', 'active', 'under_contract') DESC");
        }

        return $found->orderByDesc('deal_files.id');
    }

    /** @return array<string, list<string>> what fields may hold in this brokerage, for completion */
    public static function known(): array
    {
        return [
            'agent' => User::query()
                ->where('active', true)
                ->whereHas('officeRoles', static fn ($roles) => $roles->where('role', Role::Agent))
                ->orderBy('name')
                ->pluck('name')
                ->all(),
            'label' => array_map(
                static fn (object $row) => (string) $row->label,
                DB::select('SELECT DISTINCT jsonb_array_elements_text(labels) AS label FROM deal_files ORDER BY 1 LIMIT 40'),
            ),
            'office' => DB::table('offices')->orderBy('name')->pluck('name')->all(),
        ];
    }

    /**
     * @param Builder<DealFile> $found
     * @param list<string> $words
     * @return Builder<DealFile>
     */
    private static function words(Builder $found, array $words, bool $alike): Builder
    {
        if ($words === []) {
            return $found;
        }
        usort($words, static fn (string $one, string $other) => mb_strlen($other) <=> mb_strlen($one));
        $list = static fn (array $texts) => '{'.
            implode(',', array_map(static fn (string $text) => '"'.addcslashes($text, '"\\').'"', $texts)).
            '}';
        $patterns = $list(array_map(static fn (string $word) => '%'.addcslashes($word, '%_\\').'%', $words));
        $alike
            ? $found->whereRaw('deal_files.id IN (SELECT files_with_words_like(?::text[], ?::text[]))', [
                $patterns,
                $list(array_map(static fn (string $word) => mb_strlen($word) > 3 ? $word : '', $words)),
            ])
            : $found->whereRaw('deal_files.id IN (SELECT files_with_words(?::text[]))', [$patterns]);

        return $found;
    }

    /**
     * What of a file was found where its name does not show it: a person, the listing number, the company.
     *
     * @param iterable<DealFile> $files with their parties
     * @param list<string> $words
     * @return array<string, string> by the file's key
     */
    public static function matched(iterable $files, array $words): array
    {
        $matched = [];
        foreach ($files as $file) {
            $name = Query::plain($file->name);
            $hidden = array_filter($words, static fn (string $word) => ! str_contains($name, $word));
            foreach (
                $hidden === []
                    ? []
                    : [
                        (string) $file->listing_number,
                        ...$file->parties->flatMap(static fn (Party $party) => [$party->name, (string) $party->firm])->all(),
                    ] as $text
            ) {
                foreach ($hidden as $word) {
                    if ($text !== '' && str_contains(Query::plain($text), $word)) {
                        $matched[$file->key] = $text;

                        continue 3;
                    }
                }
            }
        }

        return $matched;
    }
}
