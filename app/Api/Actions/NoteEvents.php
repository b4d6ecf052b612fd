<?php

declare(strict_types=1);

namespace App\Api\Actions;

use App\Api\FileRecord;
use App\Models\DealFile;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\Sight;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Api\HookEvent;

/**
 * What has happened since a webhook looked last, as its owner sees it. Each entry of a history is told once, however often it is
 * looked at; entries that are numbered before others and stand there only later are found all the same.
 */
final class NoteEvents
{
    /** Entries behind the last one that are looked at again. */
    private const BACK = 500;

    private const AT_ONCE = 500;

    public function __invoke(Hook $hook): void
    {
        if (! $hook->owner->active) {
            $hook->update(['off_at' => now(), 'off_because' => "{$hook->owner->name} no longer works here."]);

            return;
        }
        Sight::ofPerson($hook->owner);
        $entries = DB::table('history')
            ->where('id', '>', max($hook->from_id, $hook->seen_id - self::BACK))
            ->orderBy('id')
            ->limit(self::BACK + self::AT_ONCE)
            ->get(['id', 'deal_file_id', 'seq', 'at', 'who', 'what', 'data']);
        $files = DealFile::query()->with(['office', 'knownFacts', 'members.user'])
            ->whereIn('id', $entries->pluck('deal_file_id')->unique())->where('practice', false)->get()->keyBy('id');
        foreach ($entries as $entry) {
            $event = HookEvent::of($entry->what);
            $file = $files[$entry->deal_file_id] ?? null;
            if ($event === null || $file === null || ! in_array($event->value, $hook->events, true)) {
                continue;
            }
            $money = in_array($event, [HookEvent::CommissionAuthorized, HookEvent::CommissionWithdrawn, HookEvent::Paid], true);
            if ($money && Gate::forUser($hook->owner)->denies('see-commission', $file)) {
                continue;
            }
            $this->note($hook, $event, $file, $entry);
        }
        $entries->isEmpty() || $hook->update(['seen_id' => max($hook->seen_id, (int) $entries->last()->id)]);
    }

    private function note(Hook $hook, HookEvent $event, DealFile $file, object $entry): void
    {
        $told = HookCall::query()->where(['hook_id' => $hook->id, 'deal_file_id' => $file->id, 'seq' => $entry->seq])->exists();
        $told || HookCall::create([
            'brokerage_id' => $hook->brokerage_id,
            'hook_id' => $hook->id,
            'deal_file_id' => $file->id,
            'seq' => (int) $entry->seq,
            'event' => $event->value,
            'next_at' => now(),
            'body' => json_encode([
                'event' => $event->value,
                'at' => (new \DateTimeImmutable((string) $entry->at))->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'),
                'by' => $entry->who,
                'what' => $entry->what,
                'data' => json_decode((string) $entry->data),
                'file' => FileRecord::short($file),
                'entry' => "{$file->key}.{$entry->seq}",
            ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        ]);
    }
}
