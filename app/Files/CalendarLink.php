<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\AppKeys;
use App\Models\DealFile;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\CalendarFeed;

/** The secret addresses of calendars, and what stands behind them. An address is dead once its version has moved on. */
final class CalendarLink
{
    public static function ofFile(DealFile $file): string
    {
        return url("/calendar/file/{$file->key}/".self::proof("file:{$file->key}:{$file->calendar_version}").'.ics');
    }

    public static function ofPerson(User $user): string
    {
        return url("/calendar/person/{$user->key}/".self::proof("person:{$user->key}:{$user->calendar_version}").'.ics');
    }

    /** The file's calendar when the address holds, else null. */
    public static function openFile(string $key, string $proof): ?string
    {
        return DB::transaction(static function () use ($key, $proof): ?string {
            $row = DB::selectOne('SELECT * FROM file_by_key(?)', [$key]);
            if ($row === null || ! self::holds("file:{$key}:{$row->calendar_version}", $proof)) {
                return null;
            }
            Sight::ofFile((int) $row->brokerage_id, (int) $row->file_id);
            $file = DealFile::query()
                ->with(['office', 'knownFacts', 'kits'])
                ->findOrFail($row->file_id);

            return self::of($file);
        });
    }

    /** The person's calendar when the address holds, else null. */
    public static function openPerson(string $key, string $proof): ?string
    {
        return DB::transaction(static function () use ($key, $proof): ?string {
            $user = User::hydrate(DB::select('SELECT * FROM user_by_key(?)', [$key]))->first();
            if (! ($user instanceof User) || ! self::holds("person:{$key}:{$user->calendar_version}", $proof)) {
                return null;
            }
            DB::select("SELECT set_config('unanimus.brokerage', ?, true)", [(string) $user->brokerage_id]);
            Sight::ofPerson($user);
            $files = DealFile::query()
                ->with(['office', 'knownFacts', 'kits'])
                ->whereIn('status', ['preparing', 'active', 'under_contract'])
                ->whereHas('members', static fn ($members) => $members->where('user_id', $user->id))
                ->where('practice', false)
                ->orderBy('id')
                ->limit(500)
                ->get();
            $feed = new CalendarFeed("Unanimus, {$user->name}");
            foreach ($files as $file) {
                self::add($feed, $file);
            }

            return $feed->render();
        });
    }

    /** A file's dates as a calendar, for whoever keeps the file. */
    public static function of(DealFile $file): string
    {
        $feed = new CalendarFeed($file->name);
        self::add($feed, $file->loadMissing(['office', 'knownFacts', 'kits']));

        return $feed->render();
    }

    private static function add(CalendarFeed $feed, DealFile $file): void
    {
        $agenda = Agenda::of($file);
        // The history only grows, so its last number tells a calendar which of two readings is the later one.
        $last = DB::table('history')
            ->where('deal_file_id', $file->id)
            ->orderByDesc('seq')
            ->first(['seq', 'at']);
        [$sequence, $changed] = [(int) ($last->seq ?? 0), Carbon::parse($last->at ?? $file->created_at)];
        $url = url("/files/{$file->key}");
        foreach ($agenda->anchors as $name => $anchor) {
            $feed->add(
                "anchor-{$name}-{$file->key}@unanimus",
                $anchor['day'],
                null,
                $file->office->timeZone(),
                "{$anchor['label']}: {$file->name}",
                $file->sides(),
                $url,
                $sequence,
                $changed,
            );
        }
        foreach ($agenda->deadlines as $deadline) {
            $feed->add(
                "deadline-{$deadline->name}-{$file->key}@unanimus",
                $deadline->due,
                $deadline->cutOff,
                $file->office->timeZone(),
                "{$deadline->label}: {$file->name}",
                $deadline->because,
                $url,
                $sequence,
                $changed,
                in_array($deadline->name, $agenda->done, true),
            );
        }
    }

    private static function proof(string $what): string
    {
        return substr(AppKeys::proof("calendar:{$what}"), 0, 40);
    }

    private static function holds(string $what, string $proof): bool
    {
        return AppKeys::holds("calendar:{$what}", $proof, static fn (string $whole) => substr(bin2hex($whole), 0, 40));
    }
}
