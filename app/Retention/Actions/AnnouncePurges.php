<?php

declare(strict_types=1);

namespace App\Retention\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Retention\FileClock;
use App\Retention\FilesToKeep;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Retention\RetentionStage;

/**
 * Archives what has been ended long enough, gives notice of what will be purged, and takes notices back that do not hold any
 * more. One email an office and day: how many, from which day; the names stand on the list it leads to, not in the email.
 */
final class AnnouncePurges
{
    public function __construct(private readonly KeepRetention $keep, private readonly FilesToKeep $files)
    {
    }

    public function __invoke(Office $office): void
    {
        $this->archive($office);
        $first = null;
        $count = 0;
        foreach ($this->files->ending($office) as [$file, $clock]) {
            if ($clock->clock->stage === RetentionStage::ToAnnounce) {
                $this->announce($file, $clock);
                $count++;
                $first = $first === null || $clock->clock->purgedOn?->isBefore($first) ? $clock->clock->purgedOn : $first;
            } elseif (! in_array($clock->clock->stage, [RetentionStage::Announced, RetentionStage::Due], true)) {
                DB::table('purge_notices')->where('deal_file_id', $file->id)->delete();
            }
        }
        $first === null || $this->tell($office, $count, $first->long());
    }

    private function archive(Office $office): void
    {
        $after = $office->retentionRules()->archiveAfter;
        if ($after === null) {
            return;
        }
        DealFile::query()
            ->where('office_id', $office->id)
            ->whereNull('archived_at')
            ->where('practice', false)
            ->whereRaw('coalesce(closed_on, ended_on) <= ?', [$office->today()->plusDays(-$after)->iso()])
            ->orderBy('id')
            ->limit(500)
            ->get()
            ->each(fn (DealFile $file) => $this->keep->archive($file, true));
    }

    private function announce(DealFile $file, FileClock $clock): void
    {
        DB::table('purge_notices')->insertOrIgnore([
            'deal_file_id' => $file->id,
            'brokerage_id' => $file->brokerage_id,
            'announced_on' => $clock->today->iso(),
            'purged_on' => $clock->clock->purgedOn?->iso(),
            'by_rule' => $clock->byRule(),
        ]);
        History::add($file->brokerage_id, $file->id, 'Purge announced', [
            'on' => $clock->clock->purgedOn?->iso(),
            'by' => $clock->byRule(),
        ], new SeenBy(null, true));
    }

    private function tell(Office $office, int $count, string $first): void
    {
        $people = User::inOffice($office, Role::Broker)->merge(User::inOffice($office, Role::Administrator))->unique('id');
        foreach ($people as $person) {
            Post::toColleague(
                $office->brokerage_id,
                "purges:{$office->key}:{$person->key}:{$office->today()->iso()}",
                Addressee::user($person),
                Wording::of('purges', ['office' => $office->name, 'count' => $count, 'first' => $first], $count),
                '/office/archive',
            );
        }
    }
}
