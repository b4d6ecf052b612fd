<?php

declare(strict_types=1);

namespace App\Overview;

use App\Files\Agenda;
use App\Models\DealFile;
use App\Models\Requirement;
use App\Models\Signer;
use App\Models\Task;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Unanimus\Dates\Lanes;
use Unanimus\Dates\LocalDate;
use Unanimus\Signing\Seat;

/** What one person's day holds: what waits on them, what they wait for, what comes; and every open file as a lane. */
final readonly class Today
{
    /**
     * @param list<array{what: string, about: string, where: string, href: string, hot: bool}> $mine
     * @param list<array{seat: Seat|null, who: string, what: string, where: string, href: string}> $others
     * @param list<array{day: string, what: string, where: string, href: string, late: bool}> $coming
     * @param array<string, string> $links file key to address
     */
    private function __construct(public array $mine, public array $others, public array $coming, public Lanes $lanes, public array $links, public int $open)
    {
    }

    public static function of(User $user, string $span, ?int $person = null): self
    {
        $files = DealFile::query()->with(['office', 'knownFacts', 'kits', 'members'])->whereIn('status', ['preparing', 'active', 'under_contract'])->orderBy('id')->limit(400)->get();
        $today = $files->first()?->office->today() ?? LocalDate::at(now(), new \DateTimeZone('UTC'));
        $agendas = $files->mapWithKeys(static fn (DealFile $file) => [$file->key => Agenda::of($file)])->all();
        [$coming, $late] = self::coming($files, $agendas, $today);

        return new self([...self::mine($user, $files, $agendas), ...$late], self::others($user, $files), $coming, self::lanes($person === null ? $files : $files->filter(static fn (DealFile $file) => $file->members->contains('user_id', $person)), $agendas, $today, $span), [], $files->count());
    }

    /**
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     * @return list<array{what: string, about: string, where: string, href: string, hot: bool}>
     */
    private static function mine(User $user, Collection $files, array $agendas): array
    {
        $names = $files->pluck('name', 'id');
        $mine = [];
        $offices = $user->officeRoles->where('role', 'broker')->pluck('office_id')->all();
        $reviews = $offices === [] ? 0 : Requirement::query()->where('review_state', 'submitted')->whereHas('file', static fn ($file) => $file->whereIn('office_id', $offices))->count();
        if ($reviews > 0) {
            $mine[] = ['what' => $reviews === 1 ? 'Review a paper' : "Review {$reviews} papers", 'about' => 'submitted', 'where' => '', 'href' => '/review', 'hot' => true];
        }
        $served = $files->filter(static fn (DealFile $file) => $file->relationLoaded('office'))->pluck('id');
        $remarks = Requirement::query()->where('review_state', 'sent_back')->whereIn('deal_file_id', $served)
            ->whereHas('file.members', static fn ($members) => $members->where('user_id', $user->id))->orderBy('decided_at')->limit(12)->get();
        foreach ($remarks as $requirement) {
            $mine[] = ['what' => 'Answer remark', 'about' => $requirement->title, 'where' => (string) ($names[$requirement->deal_file_id] ?? ''), 'href' => "/files/{$files->firstWhere('id', $requirement->deal_file_id)?->key}", 'hot' => true];
        }
        $own = Signer::query()->with('round.file')->whereIn('status', ['invited', 'opened', 'consented'])->where('email', $user->email)->whereHas('round', static fn ($round) => $round->where('status', 'out'))->limit(8)->get();
        foreach ($own as $signer) {
            $mine[] = ['what' => 'Sign', 'about' => $signer->round->title, 'where' => $signer->round->file->name, 'href' => '/sign/'.$signer->token(), 'hot' => true];
        }

        foreach (array_slice(self::tasks($user, $files, $agendas), 0, 6) as ['task' => $task, 'left' => $left]) {
            $mine[] = ['what' => $task->title, 'about' => $left < 0 ? 'late' : 'today', 'where' => (string) $names[$task->deal_file_id], 'href' => "/files/{$files->firstWhere('id', $task->deal_file_id)?->key}?tasks=1#tasks", 'hot' => $left === 0];
        }

        return $mine;
    }

    /**
     * The person's own tasks that are due, the latest first.
     *
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     * @return list<array{task: Task, left: int}>
     */
    private static function tasks(User $user, Collection $files, array $agendas): array
    {
        $byId = $files->keyBy('id');
        $due = [];
        foreach (Task::query()->whereNull('done_at')->where('user_id', $user->id)->whereIn('deal_file_id', $files->modelKeys())->get() as $task) {
            $agenda = $agendas[$byId[$task->deal_file_id]->key];
            $day = $agenda->due($task, $byId[$task->deal_file_id]);
            $left = $day === null ? 1 : $agenda->today->daysUntil($day);
            $left > 0 || $due[] = ['task' => $task, 'left' => $left];
        }
        usort($due, static fn (array $a, array $b) => $a['left'] <=> $b['left']);

        return $due;
    }

    /**
     * @param Collection<int, DealFile> $files
     * @return list<array{seat: Seat|null, who: string, what: string, where: string, href: string}>
     */
    private static function others(User $user, Collection $files): array
    {
        $others = [];
        $signers = Signer::query()->with('round.file')->whereIn('status', ['invited', 'opened', 'consented'])->where(static fn ($any) => $any->whereNull('email')->orWhere('email', '<>', $user->email))
            ->whereHas('round', static fn ($round) => $round->where('status', 'out'))->orderBy('id')->limit(8)->get();
        foreach ($signers as $signer) {
            $others[] = ['seat' => $signer->place(), 'who' => $signer->name, 'what' => $signer->status === 'invited' ? 'has not opened' : 'opened, has not signed', 'where' => $signer->round->file->name, 'href' => "/rounds/{$signer->round->key}"];
        }
        $waiting = Requirement::query()->where('review_state', 'submitted')->whereIn('deal_file_id', $files->pluck('id'))
            ->whereHas('file.members', static fn ($members) => $members->where('user_id', $user->id))->orderBy('submitted_at')->limit(8)->get()->groupBy('deal_file_id');
        foreach ($waiting as $id => $group) {
            $file = $files->firstOrFail('id', $id);
            $others[] = ['seat' => Seat::of('broker.1'), 'who' => 'Review', 'what' => 'of '.($group->count() === 1 ? $group->firstOrFail()->title : $group->count().' papers'), 'where' => $file->name, 'href' => "/files/{$file->key}"];
        }

        return array_slice($others, 0, 8);
    }

    /**
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     * @return array{list<array{day: string, what: string, where: string, href: string, late: bool}>, list<array{what: string, about: string, where: string, href: string, hot: bool}>}
     */
    private static function coming(Collection $files, array $agendas, LocalDate $today): array
    {
        $coming = [];
        $late = [];
        foreach ($files as $file) {
            $agenda = $agendas[$file->key];
            foreach ($agenda->open(7) as $deadline) {
                $left = $today->daysUntil($deadline->due);
                if ($left < 0) {
                    $late[] = ['left' => $left, 'what' => $deadline->label, 'about' => $left === -1 ? '1 day late' : abs($left).' days late', 'where' => $file->name, 'href' => "/files/{$file->key}#deadlines", 'hot' => false];
                } else {
                    $coming[] = ['left' => $left, 'day' => $left === 0 ? 'today' : substr($deadline->due->short(), 0, 6), 'what' => $deadline->label, 'where' => $file->name, 'href' => "/files/{$file->key}", 'late' => false];
                }
            }
            $closing = $agenda->daysToClosing();
            if ($closing !== null && $closing <= 7) {
                $coming[] = ['left' => $closing, 'day' => $closing < 0 ? 'late' : ($closing === 0 ? 'today' : substr($agenda->anchors['closing']['day']->short(), 0, 6)), 'what' => 'Closing', 'where' => $file->name, 'href' => "/files/{$file->key}", 'late' => $closing < 0];
            }
        }
        usort($coming, static fn (array $a, array $b) => $a['left'] <=> $b['left']);
        usort($late, static fn (array $a, array $b) => $b['left'] <=> $a['left']);
        $drop = static function (array $row): array {
            unset($row['left']);

            return $row;
        };

        return [array_map($drop, array_slice($coming, 0, 8)), array_map($drop, array_slice($late, 0, 6))];
    }

    /**
     * @param Collection<int, DealFile> $files
     * @param array<string, Agenda> $agendas
     */
    private static function lanes(Collection $files, array $agendas, LocalDate $today, string $span): Lanes
    {
        $rows = [];
        foreach ($files as $file) {
            $agenda = $agendas[$file->key];
            $percent = $file->required === 0 ? 0 : intdiv($file->settled * 100, $file->required);
            $rows[] = ['key' => $file->key, 'name' => $file->name, 'shape' => $file->side === 'seller' ? 'seller.1' : 'buyer.1', 'percent' => $percent, 'start' => $agenda->anchors['acceptance']['day'] ?? null, 'closing' => $agenda->anchors['closing']['day'] ?? null, 'deadlines' => $agenda->deadlines, 'done' => $agenda->done];
        }
        usort($rows, static fn (array $a, array $b) => ($a['closing']?->iso() ?? '9999') <=> ($b['closing']?->iso() ?? '9999'));

        return Lanes::lay($rows, $today, ['week' => 21, 'month' => 70, 'quarter' => 150][$span] ?? 70);
    }
}
