<?php

declare(strict_types=1);

namespace Unanimus\Running;

/** What is well and what is not, from what was measured: the limits stand here, the measuring is elsewhere. */
final class Checks
{
    private const GB = 1024 ** 3;

    private const DAY = 86_400;

    /** Room for documents. @param  int|null  $free  bytes; null: cannot be told */
    public static function disk(?int $free): Finding
    {
        return match (true) {
            $free === null => Finding::broken(
                'disk',
                'The folder of the documents cannot be reached. Check that it is there and may be written to.',
            ),
            $free < self::GB >> 2 => Finding::broken('disk', self::size($free).' free. Nothing can be uploaded soon. Make room now.'),
            $free < 5 * self::GB => Finding::look('disk', self::size($free).' free. Make room, or move the documents to a larger disk.'),
            default => Finding::well('disk', self::size($free).' free.'),
        };
    }

    /** @param  int|null  $age  seconds since the last one; null: there is none */
    public static function backup(?int $age): Finding
    {
        return match (true) {
            $age === null => Finding::look(
                'backup',
                'No backup was taken yet. ./unanimus backup FOLDER takes one; UNANIMUS_BACKUPS has them taken daily.',
            ),
            $age > 3 * self::DAY => Finding::broken(
                'backup',
                'The last backup is '.self::time($age).' old. Find out why none was taken since.',
            ),
            $age > self::DAY + 7200 => Finding::look('backup', 'The last backup is '.self::time($age).' old.'),
            default => Finding::well('backup', 'The last one is '.self::time($age).' old.'),
        };
    }

    /**
     * Whether a copy was made of the backups and read through, as is done each month.
     *
     * @param int|null $age seconds since; null: never
     * @param bool $byThemselves whether backups are taken by themselves
     */
    public static function rehearsal(?int $age, bool $byThemselves): Finding
    {
        return match (true) {
            $age === null && ! $byThemselves => Finding::look(
                'restoring',
                'It was never tried whether a backup can be restored. ./unanimus restore FOLDER into a fresh folder does.',
            ),
            $age === null => Finding::look(
                'restoring',
                'It was not tried yet whether the backups can be restored. ./unanimus rehearse does.',
            ),
            $age > 40 * self::DAY => Finding::broken(
                'restoring',
                'It was last tried '.self::time($age).' ago. Check log/backups.log, then ./unanimus rehearse.',
            ),
            default => Finding::well('restoring', 'A copy made of the backups held '.self::time($age).' ago.'),
        };
    }

    /**
     * Whether all stored documents are what they were.
     *
     * @param int|null $whole seconds since all were read back and whole; null: never
     * @param int|null $broken seconds since some were not; null: never
     */
    public static function bytes(?int $whole, ?int $broken): Finding
    {
        return match (true) {
            $broken !== null && ($whole === null || $broken <= $whole) => Finding::broken(
                'documents',
                'Some are damaged or gone. ./unanimus artisan bytes:verify --anew says which. Take them out of a backup.',
            ),
            $whole === null => Finding::look('documents', 'They were not all read back yet. It is done at night, an hour at a time.'),
            default => Finding::well('documents', 'All were read back and whole '.self::time($whole).' ago.'),
        };
    }

    /**
     * Whether the database's log gets to where backups are kept.
     *
     * @param bool $isOn whether it is kept at all
     * @param bool $fails whether it failed since it last succeeded
     */
    public static function log(bool $isOn, bool $fails, bool $byThemselves): Finding
    {
        return match (true) {
            $byThemselves && ! $isOn => Finding::broken(
                'database log',
                'It is not kept with the backups, though they are set. ./unanimus stop, then ./unanimus start.',
            ),
            $isOn && $fails => Finding::broken(
                'database log',
                'It cannot be put with the backups. Nothing is lost while the disk has room. Check the place of the backups.',
            ),
            $isOn => Finding::well('database log', 'It is kept with the backups as it is written.'),
            default => Finding::look('database log', 'It is not kept: a restored copy is as old as its backup.'),
        };
    }

    /**
     * Work that waits for a worker.
     *
     * @param array<string, int> $oldest seconds that the oldest job of each queue has waited
     */
    public static function queues(array $oldest): Finding
    {
        $late = array_filter($oldest, static fn (int $seconds) => $seconds > 300);
        $told = [];
        foreach ($late as $queue => $seconds) {
            $told[] = "{$queue} for ".self::time($seconds);
        }

        return $late === []
            ? Finding::well('workers', 'Nothing waits longer than five minutes.')
            : Finding::broken(
                'workers',
                'Work waits: '.implode(', ', $told).'. Its worker does not run, or is busy. Check ./unanimus status.',
            );
    }

    /** @param  int|null  $ago  seconds since the scheduler last did something; null: never */
    public static function scheduler(?int $ago): Finding
    {
        return match (true) {
            $ago === null => Finding::look('scheduler', 'It has not run yet. It does within a minute of the start.'),
            $ago <= 300 => Finding::well('scheduler', 'It ran '.self::time($ago).' ago.'),
            default => Finding::broken('scheduler', 'It ran '.self::time($ago).
                ' ago. Reminders, deadlines and notices do not go out. Check ./unanimus status.'),
        };
    }

    /** @param  float  $apart  seconds between the clocks of the application and of the database */
    public static function clock(float $apart): Finding
    {
        $apart = abs($apart);
        $said = sprintf('The clocks of application and database are %.1f seconds apart.', $apart);

        return match (true) {
            $apart > 30 => Finding::broken('clock', "{$said} Signatures would bear a wrong time. Turn on time synchronization."),
            $apart > 2 => Finding::look('clock', "{$said} Turn on time synchronization."),
            default => Finding::well('clock', 'The clocks agree.'),
        };
    }

    /** @param  \DateTimeImmutable|null  $until  null: it cannot be read */
    public static function certificate(string $part, ?\DateTimeImmutable $until, \DateTimeImmutable $now): Finding
    {
        if ($until === null) {
            return Finding::broken($part, 'Its certificate cannot be read.');
        }
        $left = $until->getTimestamp() - $now->getTimestamp();

        return match (true) {
            $left <= 0 => Finding::broken($part, "Its certificate ended on {$until->format('M j, Y')}. Put a new one in place."),
            $left < 30 * self::DAY => Finding::look($part, "Its certificate ends on {$until->format('M j, Y')}. Get a new one."),
            default => Finding::well($part, "Its certificate is good until {$until->format('M j, Y')}."),
        };
    }

    /**
     * Services outside that failed.
     *
     * @param array<string, array{int, string}> $failing how often in a row, and why, by name
     */
    public static function services(array $failing): Finding
    {
        $worst = Level::Well;
        $told = [];
        foreach ($failing as $name => [$fails, $why]) {
            $worst = $worst->worse($fails >= 3 ? Level::Broken : Level::Look);
            $told[] = "{$name} failed {$fails} ".($fails === 1 ? 'time' : 'times')." in a row ({$why})";
        }
        $says = ucfirst(implode('; ', $told)).'. What waits for it is tried again by itself.';

        return match ($worst) {
            Level::Well => Finding::well('services outside', 'All answered when they were asked last.'),
            Level::Look => Finding::look('services outside', $says),
            Level::Broken => Finding::broken('services outside', $says),
        };
    }

    /** @param  int  $late  emails that have waited longer than ten minutes */
    public static function mail(int $late): Finding
    {
        return $late === 0
            ? Finding::well('email', 'Nothing waits.')
            : Finding::broken('email', ($late === 1 ? 'One email has' : number_format($late).' emails have').
                ' waited longer than ten minutes. Check the mail server.');
    }

    /** @param  int  $late  signed rounds that have waited for their seal longer than fifteen minutes */
    public static function seals(int $late): Finding
    {
        return $late === 0
            ? Finding::well('sealing', 'Every signed round is sealed.')
            : Finding::broken('sealing', ($late === 1 ? 'One signed round has' : number_format($late).' signed rounds have').
                ' waited longer than fifteen minutes for the seal. Check the time stamp and the worker “sealing”.');
    }

    /** @param  int  $stopped  things that need somebody before they are tried again */
    public static function stopped(int $stopped): Finding
    {
        return $stopped === 0
            ? Finding::well('stopped work', 'None.')
            : Finding::look('stopped work', ($stopped === 1 ? 'One thing is' : number_format($stopped).' things are').
                ' not tried again by themselves. Office, Running says which and why.');
    }

    /** @param  string  $address  at which it is reached */
    public static function settings(string $address, bool $debug, bool $demo): Finding
    {
        $wrong = array_keys(array_filter([
            'It is reached without encryption.' => ! str_starts_with($address, 'https://') && ! $demo,
            'It tells faults in full to everybody (APP_DEBUG).' => $debug,
        ]));

        return match (true) {
            $wrong !== [] => Finding::look('settings', implode(' ', $wrong)),
            $demo => Finding::well('settings', 'This is the demo: for trying, not for clients.'),
            default => Finding::well('settings', "Reached at {$address}."),
        };
    }

    private static function size(int $bytes): string
    {
        return $bytes >= self::GB ? number_format($bytes / self::GB, 1).' GB' : number_format($bytes / 1024 ** 2).' MB';
    }

    private static function time(int $seconds): string
    {
        [$count, $word] = match (true) {
            $seconds < 120 => [$seconds, 'second'],
            $seconds < 7200 => [intdiv($seconds, 60), 'minute'],
            $seconds < 2 * self::DAY => [intdiv($seconds, 3600), 'hour'],
            default => [intdiv($seconds, self::DAY), 'day'],
        };

        return "{$count} {$word}".($count === 1 ? '' : 's');
    }
}
