<?php

declare(strict_types=1);

namespace App\Notices\Actions;

use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Notice;
use App\Models\Sight;
use App\Models\User;
use App\Overview\Today;
use App\Overview\TodayRow;
use Illuminate\Support\Facades\DB;
use Unanimus\Notices\NoticeChoice;

/** Mails what is to be mailed by itself, and each person's digest at its hour; a letter for a thing and a day once. */
final class MailNotices
{
    /** Lines of a digest of one sort; more are counted. */
    private const LINES = 12;

    /** One that was to be mailed later. */
    public function one(Notice $notice): void
    {
        DB::table('notices')->where('id', $notice->id)->lockForUpdate()->value('id');
        $notice->refresh();
        if ($notice->mailed_at !== null || ! $notice->user->active) {
            return;
        }
        Post::toColleague(
            $notice->brokerage_id,
            "notice:{$notice->key}",
            Addressee::user($notice->user),
            Wording::said($notice->subject, $notice->body, $notice->label),
            $notice->action ?? '/notices',
        );
        $notice->update(['mailed_at' => now()]);
    }

    /** What has come together for a person since their last digest, what burns first. Nothing new and nothing late: no letter. */
    public function digest(User $user): void
    {
        DB::table('users')->where('id', $user->id)->lockForUpdate()->value('id');
        $user->refresh();
        $now = now()->toImmutable()->setTimezone(new \DateTimeZone($user->zone()));
        if (! $user->noticeSettings()->digestIsDue($now, $user->digest_at?->toImmutable())) {
            return;
        }
        $news = Notice::query()->with('file')->where('user_id', $user->id)->where('choice', NoticeChoice::Digest)->whereNull('mailed_at')
            ->orderBy('id')->limit(500)->get();
        $late = $this->late($user);
        // From here on the application itself goes on.
        Sight::ofBrokerage($user->brokerage_id);
        DB::table('users')->where('id', $user->id)->update(['digest_at' => now()]);
        if ($news->isEmpty() && $late === []) {
            return;
        }
        $lines = array_values($news->sortBy([
            static fn (Notice $a, Notice $b) => $a->kind->urgency() <=> $b->kind->urgency(),
            static fn (Notice $a, Notice $b) => $a->id <=> $b->id,
        ])->map(static fn (Notice $one) => "- {$one->line()}")->all());
        $parts = array_filter([
            $late === [] ? '' : "Late, and waiting on you:\n".self::cut($late),
            $lines === [] ? '' : "New:\n".self::cut($lines),
        ]);
        Post::toColleague(
            $user->brokerage_id,
            "digest:{$user->key}:{$now->format('Y-m-d')}",
            Addressee::user($user),
            Wording::of('digest', ['late' => count($late), 'new' => count($lines), 'what' => implode("\n\n", $parts)], count($late)),
            '/',
        );
        $news->isEmpty() || Notice::query()->whereIn('id', $news->modelKeys())->update(['mailed_at' => now()]);
    }

    /** @return list<string> what waits on them and is late, as Today has it */
    private function late(User $user): array
    {
        Sight::ofPerson($user);
        $rows = array_filter(Today::of($user, 'month')->mine, static fn (TodayRow $row) => $row->left < 0);

        return array_values(array_map(static fn (TodayRow $row) => "- {$row->where}: {$row->what}".($row->day === '' ? ''
            : " ({$row->day})"), $rows));
    }

    /** @param  list<string>  $lines */
    private static function cut(array $lines): string
    {
        $more = count($lines) - self::LINES;

        return implode("\n", array_slice($lines, 0, self::LINES)).($more > 0 ? "\nand {$more} more" : '');
    }
}
