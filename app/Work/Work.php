<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Sight;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\DiskFull;

/**
 * Slow work on one thing. However often it is asked for there is one job for it; when it fails, the row of the work says why
 * and when it is tried next; killed half-way it is found and begun again.
 */
abstract class Work implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** What the thing is; also names the queue, so that one kind of work never waits for another. */
    public const KIND = '';

    /** The outside service it needs, in the words people read; none when it needs none. */
    protected const SERVICE = null;

    /** Seconds to the next try, by how often it was tried. */
    protected const PAUSES = [2, 10, 30, 60, 120, 300, 600];

    /** Minutes for which it may take to be begun, and after which what is under way is taken to be killed. */
    private const CLAIM = 10;

    /** The same from when it was begun, where its worker is stopped sooner. */
    protected const RUNS = self::CLAIM;

    /** The row says when it is tried next, not the queue. */
    public int $tries = 0;

    public int $backoff = 5;

    /** @param  int  $ticket  the job counts while this is the ticket in the row; one begun later takes its place */
    final public function __construct(protected readonly int $brokerageId, protected readonly int $thing, private readonly int $ticket)
    {
        $this->onQueue(static::KIND);
    }

    /** What is done; called again it finds what is done already. */
    abstract protected function work(): void;

    /**
     * Has it done, in the transaction of whatever asks for it; while it is under way or waiting for its next try, nothing more is begun.
     */
    final public static function begin(int $brokerageId, int $thing): void
    {
        $claimed = DB::selectOne(
            "INSERT INTO pending_work (kind, thing, brokerage_id, job, claimed_until)
                VALUES (?, ?, ?, ?, clock_timestamp() + ? * interval '1 minute')
                ON CONFLICT (kind, thing) DO UPDATE SET claimed_until = excluded.claimed_until, ticket = pending_work.ticket + 1
                    WHERE NOT pending_work.stopped AND pending_work.claimed_until < clock_timestamp()
                RETURNING ticket",
            [static::KIND, $thing, $brokerageId, static::class, self::CLAIM],
        );
        $claimed === null || static::dispatch($brokerageId, $thing, (int) $claimed->ticket);
    }

    /** Tries it now, because a person asks for it; a job that waits for its next try is no longer wanted. */
    final public static function again(int $brokerageId, int $thing): void
    {
        static::SERVICE === null || Breaker::letTry(static::SERVICE);
        $row = DB::selectOne(
            "UPDATE pending_work SET stopped = false, next_try_at = NULL,
                claimed_until = clock_timestamp() + ? * interval '1 minute', ticket = ticket + 1
                WHERE kind = ? AND thing = ? RETURNING ticket",
            [self::CLAIM, static::KIND, $thing],
        );
        $row === null || static::dispatch($brokerageId, $thing, (int) $row->ticket);
    }

    /** Why it waits and until when; null when nothing waits. */
    final public static function waiting(int $thing): ?Waiting
    {
        $row = DB::table('pending_work')
            ->where(['kind' => static::KIND, 'thing' => $thing])
            ->whereNotNull('fault')
            ->first();

        return $row === null
            ? null
            : new Waiting(
                (string) $row->fault,
                (int) $row->tries,
                $row->next_try_at === null ? null : Carbon::parse($row->next_try_at),
                (bool) $row->stopped,
            );
    }

    /** Begins again what was killed half-way, of every kind. @return int how much of it there was */
    final public static function sweep(int $brokerageId): int
    {
        $left = Sight::within(
            $brokerageId,
            static fn () => DB::table('pending_work')
                ->where('brokerage_id', $brokerageId)
                ->where('stopped', false)
                ->where('claimed_until', '<', now())
                ->limit(500)
                ->get(['job', 'thing'])
                ->all(),
        );
        foreach ($left as $row) {
            is_subclass_of($row->job, self::class) &&
                Sight::within($brokerageId, static fn () => $row->job::begin($brokerageId, (int) $row->thing));
        }

        return count($left);
    }

    final public function handle(): void
    {
        if (! $this->isWanted()) {
            return;
        }
        static::RUNS === self::CLAIM || $this->update(['claimed_until' => now()->addMinutes(static::RUNS)]);
        $open = static::SERVICE === null ? null : Breaker::openUntil(static::SERVICE);
        if ($open !== null) {
            $this->postpone('waits for '.static::SERVICE, $open->addSeconds(random_int(0, 5)), false);

            return;
        }
        try {
            $this->work();
        } catch (ServiceDown $down) {
            Breaker::failed(static::SERVICE ?? $down->getMessage(), $down->getPrevious()?->getMessage() ?? $down->getMessage());
            $this->postpone('waits for '.(static::SERVICE ?? $down->getMessage()));

            return;
        } catch (WorkStopped $stopped) {
            $this->update(['stopped' => true, 'fault' => $stopped->getMessage(), 'next_try_at' => null]);
            report($stopped);

            return;
        } catch (DiskFull $full) {
            report($full);
            $this->postpone('waits for disk space on the server');

            return;
        } catch (\Throwable $failed) {
            report($failed);
            $this->postpone('did not work');

            return;
        }
        static::SERVICE === null || Breaker::answered(static::SERVICE);
        Sight::within(
            $this->brokerageId,
            fn () => DB::table('pending_work')
                ->where(['kind' => static::KIND, 'thing' => $this->thing])
                ->delete(),
        );
    }

    /** Says that it is still at it: what takes longer than a claim lasts is not taken to be killed. */
    final protected function holdOn(): void
    {
        $this->update(['claimed_until' => now()->addMinutes(static::RUNS)]);
    }

    /** Whether the row still asks for this job; another may have done the work, or have been begun in its place. */
    private function isWanted(): bool
    {
        $wanted = ['kind' => static::KIND, 'thing' => $this->thing, 'stopped' => false, 'ticket' => $this->ticket];

        return Sight::within($this->brokerageId, static fn () => DB::table('pending_work')->where($wanted)->exists());
    }

    private function postpone(string $fault, ?Carbon $until = null, bool $counts = true): void
    {
        $row = Sight::within($this->brokerageId, function () use ($fault, $until, $counts): ?object {
            $mine = ['kind' => static::KIND, 'thing' => $this->thing, 'ticket' => $this->ticket];
            $tries = (int) DB::table('pending_work')->where($mine)->lockForUpdate()->value('tries');
            $next = $until ?? now()->addSeconds(static::PAUSES[min($tries, count(static::PAUSES) - 1)]);

            return DB::selectOne(
                'UPDATE pending_work SET tries = ?, fault = ?, next_try_at = ?, claimed_until = ?, ticket = ticket + 1 WHERE kind = ? AND '.
                    'thing = ? AND ticket = ? RETURNING ticket, next_try_at',
                [$tries + ($counts ? 1 : 0), $fault, $next, $next->copy()->addMinutes(self::CLAIM), ...array_values($mine)],
            );
        });
        // Someone asked for another try while this one failed: that one goes on.
        $row === null || static::dispatch($this->brokerageId, $this->thing, (int) $row->ticket)->delay(Carbon::parse($row->next_try_at));
    }

    /** @param  array<string, mixed>  $values */
    private function update(array $values): void
    {
        Sight::within(
            $this->brokerageId,
            fn () => DB::table('pending_work')
                ->where(['kind' => static::KIND, 'thing' => $this->thing])
                ->update($values),
        );
    }
}
