<?php

declare(strict_types=1);

namespace App\Retention;

use App\Models\DealFile;
use App\Models\Office;
use App\Models\RetentionHold;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Retention\RetentionClock;

/** Ended files of an office, each with its clock. */
final class FilesToKeep
{
    private const AT_ONCE = 500;

    /**
     * Those whose time can be over within the notice, and those of which notice was given.
     *
     * @return iterable<array{DealFile, FileClock}>
     */
    public function ending(Office $office): iterable
    {
        $opens = self::endedBy($office, $office->today()->plusDays(RetentionClock::NOTICE_DAYS));
        $after = 0;
        do {
            $files = $this->ended($office, false)
                ->where('id', '>', $after)
                ->where(static fn (Builder $files) => $files
                    ->whereIn('id', DB::table('purge_notices')->select('deal_file_id'))
                    ->when($opens, static fn (Builder $files, string $day) => $files
                        ->orWhereRaw('coalesce(closed_on, ended_on) <= ?', [$day])))
                ->orderBy('id')
                ->limit(self::AT_ONCE)
                ->get();
            yield from $this->clocks($files, $office);
            $after = $files->last()->id ?? 0;
        } while ($files->count() === self::AT_ONCE);
    }

    /**
     * Those whose time is over by a day, the first first.
     *
     * @return list<array{DealFile, FileClock}>
     */
    public function over(Office $office, LocalDate $by, int $limit): array
    {
        $opens = self::endedBy($office, $by);
        if ($opens === null) {
            return [];
        }
        $files = $this->clocks(
            $this->ended($office)->whereRaw('coalesce(closed_on, ended_on) <= ?', [$opens])->orderByRaw('coalesce(closed_on, ended_on), id')
                ->limit(self::AT_ONCE)->get(),
            $office,
        );
        $over = array_filter($files, static fn (array $one) => $one[1]->clock->until?->isAfter($by) === false);
        usort($over, static fn (array $one, array $other) => $one[1]->clock->until?->iso() <=> $other[1]->clock->until?->iso());

        return array_slice($over, 0, $limit);
    }

    /** The last day on which a file can have ended whose time is over by a day; null: none is, no period is set. */
    private static function endedBy(Office $office, LocalDate $by): ?string
    {
        $years = $office->retentionRules()->years;

        // One day more, as a leap day counts to the day before a year later.
        return $years === [] ? null : $by->plusMonths(-12 * min($years))->plusDays(1)->iso();
    }

    /** @return list<array{DealFile, FileClock}> files that are held, the latest hold first */
    public function held(Office $office): array
    {
        $held = RetentionHold::query()->whereNull('lifted_at')->select('deal_file_id');

        return $this->clocks($this->ended($office, false)->whereIn('id', $held)->orderByDesc('id')->limit(200)->get(), $office);
    }

    /** @return Builder<DealFile> */
    private function ended(Office $office, bool $ended = true): Builder
    {
        return DealFile::query()
            ->where('office_id', $office->id)
            ->where('practice', false)
            ->where('guest', false)
            ->when($ended, static fn (Builder $files) => $files->whereRaw('coalesce(closed_on, ended_on) IS NOT NULL'));
    }

    /**
     * @param Collection<int, DealFile> $files
     * @return list<array{DealFile, FileClock}>
     */
    private function clocks(Collection $files, Office $office): array
    {
        $holds = RetentionHold::query()->with('placer')->whereIn('deal_file_id', $files->modelKeys())->whereNull('lifted_at')->get()
            ->keyBy('deal_file_id');
        $notices = DB::table('purge_notices')->whereIn('deal_file_id', $files->modelKeys())->pluck('announced_on', 'deal_file_id');

        return array_values($files->map(static function (DealFile $file) use ($office, $holds, $notices): array {
            $file->setRelation('office', $office);
            $announced = $notices[$file->id] ?? null;

            return [$file, FileClock::reckon($file, $holds[$file->id] ?? null, $announced === null ? null
                : LocalDate::of((string) $announced))];
        })->all());
    }
}
