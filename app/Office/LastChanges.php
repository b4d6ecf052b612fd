<?php

declare(strict_types=1);

namespace App\Office;

use App\History\Sentence;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** Who changed what last of a place in the office, for those who read its history. */
final class LastChanges
{
    private const SHOWN = 3;

    /** What is changed in which place, as the history calls it. */
    private const OF = [
        'people' => ['Person invited', 'Invitation accepted', 'Role given', 'Role taken away', 'Access opened', 'Access closed',
            'Looked as'],
        'roster' => ['Joining begun', 'Leaving begun', 'Last or first day moved', 'Left the brokerage', 'Credential noted', 'Files shared',
            'Files not shared any more', 'Roster steps changed', 'Coordinator of new files'],
        'offices' => ['Office opened', 'Holidays added', 'Holidays removed', 'Look of dates set', 'Reminders set', 'Review plan set'],
        'permissions' => ['Permissions changed', 'Two-step sign-in required', 'Company sign-in set', 'Company sign-in turned off'],
        'contacts' => ['Standing contacts changed', 'Standing contact removed'],
        'shelf' => ['Put on the shelf', 'Renewed on the shelf', 'Put away from the shelf', 'Back on the shelf'],
        'library' => ['Form preferred', 'Form no longer preferred'],
        'kits' => ['Kit made', 'Kit changed', 'Kit retired'],
        'rules' => ['Rule added', 'Rule changed', 'Rule removed', 'Rule turned off', 'Rule turned on', 'Office rules made our own'],
        'letters' => ['Form letter saved', 'Form letter put away', 'Form letter brought back', 'Letter rule set', 'Letter rule turned on',
            'Letter rule turned off', 'Letter rule removed'],
        'inbox' => ['Who sorts the mail'],
        'plans' => ['Plan set', 'Debt entered', 'Debt settled'],
        'fees' => ['Office fees set'],
        'wording' => ['Wording of authorizations set', 'Signature picture set', 'Signature picture removed'],
        'archive' => ['Retention periods changed', 'File purged'],
        'connections' => ['Access token made', 'Access token revoked', 'Webhook set up', 'Webhook turned off', 'Webhook turned on'],
    ];

    /** @return list<array{at: Carbon, who: string, says: string}> the newest first; empty where nothing is known, or not for them */
    public static function of(string $place, ?User $user): array
    {
        $names = self::OF[$place] ?? [];
        if ($user === null || $names === [] || Gate::forUser($user)->denies('run-office')) {
            return [];
        }

        return array_values(DB::table('brokerage_history')
            ->where('brokerage_id', $user->brokerage_id)
            ->whereIn('what', $names)
            ->orderByDesc('seq')
            ->limit(self::SHOWN)
            ->get(['what', 'data', 'who', 'at'])
            ->map(static fn (object $entry) => [
                'at' => Carbon::parse($entry->at),
                'who' => (string) $entry->who,
                'says' => Sentence::of($entry->what, (array) json_decode((string) $entry->data, true)),
            ])
            ->all());
    }
}
