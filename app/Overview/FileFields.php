<?php

declare(strict_types=1);

namespace App\Overview;

use App\Files\Agenda;
use App\Models\DealFile;
use App\Models\Role;
use App\Models\Signer;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\PaperState;
use Unanimus\Finding\Query;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

/** What each field of a search asks of a file: "owes:buyer.2", "late:inspection", "closes:week". */
final class FileFields
{
    /**
     * Leaves the files that answer a field.
     *
     * @param Builder<DealFile> $where
     */
    public static function narrow(Builder $where, string $field, string $value, User $user): void
    {
        match ($field) {
            'status' => match ($value) {
                'open' => $where->whereIn('deal_files.status', ['preparing', 'active', 'under_contract']),
                'ended' => $where->whereNotIn('deal_files.status', ['preparing', 'active', 'under_contract'])->whereNull('archived_at'),
                'archived' => $where->whereNotNull('deal_files.archived_at'),
                'all' => $where->whereRaw('true'),
                'contract' => $where->where('deal_files.status', 'under_contract'),
                default => $where->where('deal_files.status', $value),
            },
            'side' => $where->where('deal_files.represents', $value),
            'kind' => $where->where('deal_files.kind', $value),
            'agent' => $where->whereHas(
                'members',
                static fn ($members) => $value === 'me'
                    ? $members->where('user_id', $user->id)
                    : $members->where('role', Role::Agent)->whereIn(
                        'user_id',
                        User::colleagues()
                            ->get(['id', 'name'])
                            ->filter(static fn (User $one) => str_contains(Query::plain($one->name), Query::plain($value)))
                            ->pluck('id'),
                    ),
            ),
            'office' => $where->whereIn(
                'deal_files.office_id',
                DB::table('offices')
                    ->where('name', 'ilike', '%'.addcslashes($value, '%_\\').'%')
                    ->pluck('id'),
            ),
            'label' => $where->whereRaw('EXISTS (SELECT 1 FROM jsonb_array_elements_text(deal_files.labels) AS l WHERE lower(l) LIKE ?)', [
                '%'.addcslashes($value, '%_\\').'%',
            ]),
            'owes' => $where->whereHas(
                'rounds',
                static fn ($rounds) => $rounds
                    ->where('status', RoundStatus::Out)
                    ->whereHas('signers', static fn ($signers) => self::owing($signers, $value, $user)),
            ),
            'says' => $where->whereIn('deal_files.id', OnPapers::saying($value)->select('papers.deal_file_id')),
            'late' => self::late($where, $value, new \DateTimeZone($user->zone())),
            'next' => $where->whereIn('deal_files.id', self::next($value)),
            'closes' => self::closes($where, $value, new \DateTimeZone($user->officeRoles->first()->office->zone ?? 'UTC')),
            default => self::needs($where, $value),
        };
    }

    /** @param  Builder<DealFile>  $where */
    private static function closes(Builder $where, string $value, \DateTimeZone $zone): void
    {
        if ($value === 'none') {
            $where->whereDoesntHave('knownFacts', static fn ($facts) => $facts->where('name', 'closing'));

            return;
        }
        [$from, $to] = Query::span($value, LocalDate::at(now(), $zone)) ?? [null, null];
        $where->whereHas(
            'knownFacts',
            static fn ($facts) => $facts
                ->where('name', 'closing')
                ->when($from !== null, static fn ($query) => $query->where('value', '>=', $from->iso()))
                ->when($to !== null, static fn ($query) => $query->where('value', '<=', $to->iso())),
        );
        $value === 'late' && $where->whereNotIn('deal_files.status', ['closed']);
    }

    /**
     * Who is asked to sign: anyone, who asks here, a seat ("buyer", "buyer.2"), or a part of a name.
     *
     * @param Builder<Signer> $signers
     */
    private static function owing(Builder $signers, string $value, User $user): void
    {
        $signers->whereIn('status', SignerStatus::asked());
        if ($value === 'me') {
            $signers->where(static fn ($mine) => $mine->where('user_id', $user->id)->orWhereRaw('lower(email) = lower(?)', [$user->email]));

            return;
        }
        if ($value === '') {
            return;
        }
        $named = Signer::query()
            ->whereIn('status', SignerStatus::asked())
            ->get(['id', 'name'])
            ->filter(static fn (Signer $one) => str_contains(Query::plain($one->name), Query::plain($value)))
            ->modelKeys();
        $seat = addcslashes($value, '%_\\').(str_contains($value, '.') ? '' : '.%');
        $signers->where(static fn ($fits) => $fits->where('seat', 'like', $seat)->orWhereIn('id', $named));
    }

    /** @param  Builder<DealFile>  $where */
    private static function late(Builder $where, string $value, \DateTimeZone $zone): void
    {
        $papers = static fn ($lines) => $lines
            ->whereIn('review_state', ['not_submitted', 'sent_back'])
            ->where('due_on', '<', LocalDate::at(now(), $zone)->iso());
        if ($value === 'papers') {
            $where->whereHas('requirements', $papers);

            return;
        }
        $files = self::byDates(static fn (Agenda $agenda) => match ($value) {
            'closing' => ($agenda->daysToClosing() ?? 0) < 0,
            'deadline' => $agenda->open(-1) !== [],
            '' => $agenda->open(-1) !== [] || ($agenda->daysToClosing() ?? 0) < 0,
            default => self::named($agenda->open(-1), $value) !== [],
        });
        $where->where(static fn ($any) => $any->whereIn('deal_files.id', $files)
            ->when($value === '', static fn ($all) => $all->orWhereHas('requirements', $papers)));
    }

    /**
     * @param list<Deadline> $deadlines
     * @return list<Deadline> those whose name has these words
     */
    private static function named(array $deadlines, string $words): array
    {
        return array_values(
            array_filter($deadlines, static fn (Deadline $one) => str_contains(Query::plain($one->label), Query::plain($words))),
        );
    }

    /**
     * Open files whose earliest open deadline falls into a span of days, or bears a name; any, where nothing is said.
     *
     * @return list<int>
     */
    private static function next(string $value): array
    {
        return self::byDates(static function (Agenda $agenda) use ($value): bool {
            $open = $agenda->open(3660);
            usort($open, static fn (Deadline $one, Deadline $other) => $one->due->iso() <=> $other->due->iso());
            $first = $open[0] ?? null;
            if ($first === null || $value === '') {
                return $first !== null;
            }
            $span = Query::span($value, $agenda->today);
            if ($span === null) {
                return self::named(array_filter($open, static fn (Deadline $one) => $one->due->is($first->due)), $value) !== [];
            }

            [$from, $to] = $span;

            return ($from === null || ! $first->due->isBefore($from)) && ($to === null || ! $first->due->isAfter($to));
        });
    }

    /**
     * Dates are computed, never asked of the database: the open files in sight are gone through.
     *
     * @param callable(Agenda): bool $fits
     * @return list<int>
     */
    private static function byDates(callable $fits): array
    {
        return DealFile::query()
            ->with(['office', 'knownFacts', 'kits'])
            ->whereIn('status', DealStatus::open())
            ->lazyById(500)
            ->filter(static fn (DealFile $file) => $fits(Agenda::of($file)))
            ->map(static fn (DealFile $file) => $file->id)
            ->values()
            ->all();
    }

    /** @param  Builder<DealFile>  $where */
    private static function needs(Builder $where, string $value): void
    {
        match ($value) {
            'signature' => $where->whereHas('rounds', static fn ($rounds) => $rounds->where('status', 'out')),
            'review' => $where->whereHas('requirements', static fn ($all) => $all->where('review_state', 'submitted')),
            'remark' => $where->whereHas('requirements', static fn ($all) => $all->where('review_state', 'sent_back')),
            'paper' => $where->whereHas('papers', static fn ($papers) => $papers->where('state', PaperState::Expected)),
            'closing-date' => $where
                ->where('deal_files.status', 'under_contract')
                ->whereDoesntHave('knownFacts', static fn ($facts) => $facts->where('name', 'closing')),
            default => $where
                ->where('deal_files.status', 'under_contract')
                ->whereDoesntHave('commission', static fn ($sheets) => $sheets->whereNotNull('authorized_at')),
        };
    }
}
