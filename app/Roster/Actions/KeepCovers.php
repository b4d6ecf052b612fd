<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Cover;
use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Roster\CoverPeriod;
use Unanimus\Roster\RosterRefusal;
use Unanimus\Steps\StepRefused;

/** Who works on whose files: from a day on they are in each of them, also in new ones, and on the last day they are out again. */
final class KeepCovers
{
    /** @throws StepRefused when it is nobody's to say, the days do not go together, or they work for them already */
    public function add(User $for, User $helper, string $kind, LocalDate $from, ?LocalDate $until, User $by): Cover
    {
        self::maySay($for, $by);
        $helper->id !== $for->id && $helper->active && ! $helper->guest || throw RosterRefusal::NoAgent->because();
        CoverPeriod::of($from, $until, self::today($for));
        DB::table('users')->where('id', $for->id)->lockForUpdate()->value('id');
        $same = Cover::query()->where(['user_id' => $for->id, 'helper_id' => $helper->id])->whereNull('ended_at')->exists();
        $same && throw RosterRefusal::Already->because(name: $for->name);
        $cover = Cover::create([
            'brokerage_id' => $for->brokerage_id,
            'user_id' => $for->id,
            'helper_id' => $helper->id,
            'kind' => $kind,
            'from_on' => $from->iso(),
            'until_on' => $until?->iso(),
            'created_by' => $by->id,
        ]);
        History::ofBrokerage($for->brokerage_id, 'Files shared', [
            'of' => $for->name,
            'with' => $helper->name,
            'from' => $from->iso(),
            'until' => $until?->iso(),
        ]);
        Post::toColleague(
            $for->brokerage_id,
            "cover:{$cover->key}",
            Addressee::user($helper),
            Wording::of('cover', [
                'of' => $for->name,
                'from' => $from->long(),
                'until' => $until === null ? '' : " until {$until->long()}",
            ]),
            '/files',
        );
        $this->settle($cover);

        return $cover->refresh();
    }

    /** @throws StepRefused when it is nobody's to say */
    public function end(Cover $cover, User $by): void
    {
        $cover->helper_id === $by->id || self::maySay($cover->user, $by);
        $this->stop($cover, $by->name);
    }

    /** What the day brings: it begins, or is over. */
    public function settle(Cover $cover): void
    {
        DB::table('covers')->where('id', $cover->id)->lockForUpdate()->value('id');
        $cover->refresh();
        $today = self::today($cover->user);
        if ($cover->ended_at !== null) {
            return;
        }
        if ($cover->until_on !== null && $today->isAfter($cover->until_on)) {
            $this->stop($cover, 'Unanimus');

            return;
        }
        if ($cover->began_at === null && ! $today->isBefore($cover->from_on)) {
            $cover->update(['began_at' => now()]);
            DB::select('SELECT let_helper_in(?)', [$cover->id]);
            $this->tellFiles($cover, 'Joined the file', static fn () => ['who' => $cover->helper->name, 'as' => Cover::KINDS[$cover
                ->kind]]);
        }
    }

    private function stop(Cover $cover, string $by): void
    {
        DB::table('covers')->where('id', $cover->id)->lockForUpdate()->value('id');
        $cover->refresh();
        if ($cover->ended_at !== null) {
            return;
        }
        $this->tellFiles($cover, 'Left the file', static fn () => ['who' => $cover->helper->name]);
        DB::select('SELECT let_helper_go(?)', [$cover->id]);
        $cover->update(['ended_at' => now()]);
        History::ofBrokerage($cover->brokerage_id, 'Files not shared any more', [
            'of' => $cover->user->name,
            'with' => $cover->helper->name,
            'by' => $by,
        ]);
    }

    /** @param  callable(): array<string, string>  $data */
    private function tellFiles(Cover $cover, string $what, callable $data): void
    {
        foreach (DB::table('file_members')->where('through', $cover->id)->get(['deal_file_id']) as $row) {
            History::add($cover->brokerage_id, (int) $row->deal_file_id, $what, $data(), SeenBy::everyone());
        }
    }

    private static function maySay(User $for, User $by): void
    {
        if ($by->id === $for->id || $for->officeRoles->contains(static fn (OfficeRole $one) => $by->runs($one->office))) {
            return;
        }
        throw RosterRefusal::NotTheirs->because(office: $for->officeRoles->first()->office->name ?? 'their office');
    }

    private static function today(User $user): LocalDate
    {
        $office = $user->officeRoles->first()?->office;

        return $office instanceof Office ? $office->today() : LocalDate::at(now(), new \DateTimeZone('UTC'));
    }
}
