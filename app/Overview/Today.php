<?php

declare(strict_types=1);

namespace App\Overview;

use App\Files\Agenda;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LaneFile;
use Unanimus\Dates\Lanes;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\Representation;

/** What one person's day holds: what waits on them, what they wait for, what comes; and every open file as a lane. */
final readonly class Today
{
    /** Open files that one day can hold; the newest. */
    private const FILES = 400;

    /** Lanes that are laid out at first: those that close soonest. */
    private const LANES = 60;

    /** Days that are coming up. */
    private const AHEAD = 7;

    /**
     * @param list<TodayRow> $mine
     * @param list<TodayRow> $others
     * @param list<TodayRow> $coming
     * @param int $shown deals whose lanes are asked for, laid out or not
     * @param int $beyond open files, the oldest, that are not looked at here
     */
    private function __construct(
        public array $mine,
        public array $others,
        public array $coming,
        public Lanes $lanes,
        public int $shown,
        public int $open,
        public int $beyond,
    ) {
    }

    public static function of(User $user, string $span, ?int $person = null, bool $all = false): self
    {
        $files = DealFile::query()
            ->with(['office', 'kits', 'members'])
            ->whereIn('status', DealStatus::open())
            ->orderByDesc('id')
            ->limit(self::FILES)
            ->get()
            ->reverse()
            ->values();
        $beyond = $files->count() < self::FILES ? 0 : DealFile::query()->whereIn('status', DealStatus::open())->count() - self::FILES;
        $today = $files->first()?->office->today() ?? LocalDate::at(now(), new \DateTimeZone('UTC'));
        $agendas = Agenda::ofAll($files);
        $shown = $person === null ? $files : $files->filter(static fn (DealFile $file) => $file->members->contains('user_id', $person));

        $deals = $shown->filter(static fn (DealFile $file) => $file->kind->isDeal());
        $waiting = new Waiting($user, $files);

        return new self(
            WaitingOnMe::of($waiting, $agendas, $today),
            WaitingOnOthers::of($waiting, $today),
            self::coming($user, $files, $agendas, $today),
            self::lanes($deals, $agendas, $today, $span, $all ? self::FILES : self::LANES),
            $deals->count(),
            $files->filter(static fn (DealFile $file) => $file->kind->isDeal())->count(),
            $beyond,
        );
    }

    /**
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     * @return list<TodayRow>
     */
    private static function coming(User $user, Collection $files, array $agendas, LocalDate $today): array
    {
        $coming = [];
        $elsewhere = [];
        foreach ($files as $file) {
            $agenda = $agendas[$file->key];
            $next = array_filter($agenda->open(self::AHEAD), static fn (Deadline $one) => ! $one->due->isBefore($agenda->today));
            if ($next !== [] && ! $file->members->isEmpty() && ! $file->members->contains('user_id', $user->id)) {
                $elsewhere[] = count($next);
                $next = [];
            }
            foreach ($next as $deadline) {
                $left = $agenda->today->daysUntil($deadline->due);
                $coming[] = new TodayRow(
                    $deadline->label,
                    '',
                    $file->name,
                    "/files/{$file->key}#deadlines",
                    $left,
                    day: self::day($left, $deadline->due),
                    act: $file->isServedBy($user)
                        ? ['label' => 'Done', 'to' => "/files/{$file->key}/deadlines/{$deadline->name}", 'with' => ['done' => '1']]
                        : null,
                );
            }
            $closing = $agenda->daysToClosing();
            if ($closing !== null && $closing <= self::AHEAD) {
                $coming[] = new TodayRow(
                    'Closing',
                    $closing < 0 ? TodayRow::late($closing) : '',
                    $file->name,
                    "/files/{$file->key}",
                    $closing,
                    day: self::day($closing, $agenda->anchors['closing']['day']),
                );
            }
        }

        $until = $today->plusDays(self::AHEAD)->iso();
        $coming = TodayRow::worstFirst($coming);

        return $elsewhere === []
            ? $coming
            : [...$coming, TodayRow::elsewhere(array_sum($elsewhere), 'more', count($elsewhere), "next:..{$until}")];
    }

    private static function day(int $left, LocalDate $day): string
    {
        return $left < 0 ? 'late' : ($left === 0 ? 'today' : $day->short($day->year()));
    }

    /**
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     */
    private static function lanes(Collection $files, array $agendas, LocalDate $today, string $span, int $most): Lanes
    {
        $rows = [];
        foreach ($files as $file) {
            $agenda = $agendas[$file->key];
            $percent = $file->required === 0 ? 0 : intdiv($file->settled * 100, $file->required);
            $rows[] = new LaneFile(
                $file->key,
                $file->name,
                $file->represents === Representation::Seller ? 'seller.1' : 'buyer.1',
                $percent,
                $agenda->anchors['acceptance']['day'] ?? null,
                $agenda->anchors['closing']['day'] ?? null,
                $agenda->deadlines,
                $agenda->done,
            );
        }
        usort($rows, static fn (LaneFile $a, LaneFile $b) => ($a->closing?->iso() ?? '9999') <=> ($b->closing?->iso() ?? '9999'));

        return Lanes::lay(array_slice($rows, 0, $most), $today, ['week' => 21, 'month' => 70, 'quarter' => 150][$span] ?? 70);
    }
}
