<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\History\History;
use App\Models\Office;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Roster\RosterKind;
use Unanimus\Roster\RosterKit;
use Unanimus\Roster\RosterRefusal;
use Unanimus\Steps\StepRefused;

/** What an office does when somebody comes or goes. What is under way already stays as it was begun. */
final class KeepRosterKit
{
    /** @return array{RosterKit, int} and its version; 0: as it comes */
    public static function of(Office $office, RosterKind $kind): array
    {
        $row = DB::table('roster_kits')->where(['office_id' => $office->id, 'kind' => $kind->value])->first();

        return $row === null ? [RosterKit::usual($kind), 0] : [
            RosterKit::kept($kind, (array) json_decode((string) $row->steps, true), (array) json_decode((string) $row->documents, true)),
            (int) $row->version,
        ];
    }

    /**
     * @param int $seen the version that stood on the page
     *
     * @throws StepRefused when they do not run that office, or it was changed meanwhile
     */
    public function keep(Office $office, RosterKit $kit, int $seen, User $by): void
    {
        $by->runs($office) || throw RosterRefusal::NotTheirs->because(office: $office->name);
        DB::table('offices')->where('id', $office->id)->lockForUpdate()->value('id');
        [$before, $version] = self::of($office, $kit->kind);
        if ($before->steps === $kit->steps && $before->documents === $kit->documents) {
            return;
        }
        $seen === $version || throw RosterRefusal::KitChanged->because();
        DB::table('roster_kits')->upsert([[
            'brokerage_id' => $office->brokerage_id,
            'office_id' => $office->id,
            'kind' => $kit->kind->value,
            'version' => $version + 1,
            'steps' => json_encode($kit->steps, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'documents' => json_encode($kit->documents, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        ]], ['office_id', 'kind'], ['version', 'steps', 'documents']);
        History::ofBrokerage($office->brokerage_id, 'Roster steps changed', [
            'office' => $office->name,
            'kind' => $kit->kind->value,
            'steps' => count($kit->steps),
        ], $office->id);
    }
}
