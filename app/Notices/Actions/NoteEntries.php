<?php

declare(strict_types=1);

namespace App\Notices\Actions;

use App\History\Sentence;
use App\Mail\Notices;
use App\Mail\Wording;
use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\Member;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Notices\NoticeKind;

/** Tells people of what was done in their files since it was looked last; who did it themselves is not told. */
final class NoteEntries
{
    /** Entries behind the last one that are looked at again: they may have been written later than they were numbered. */
    private const BACK = 200;

    private const AT_ONCE = 1000;

    public function __invoke(int $brokerageId): void
    {
        $brokerage = Brokerage::query()->whereKey($brokerageId)->lockForUpdate()->firstOrFail();
        $last = (int) DB::table('history')->max('id');
        if ($brokerage->noticed_id === null) {
            $brokerage->update(['noticed_id' => $last]);

            return;
        }
        if ($last <= $brokerage->noticed_id) {
            return;
        }
        $entries = DB::table('history')
            ->where('id', '>', $brokerage->noticed_id - self::BACK)
            ->where('at', '>', now()->subDays(2))
            ->orderBy('id')
            ->limit(self::BACK + self::AT_ONCE)
            ->get(['id', 'deal_file_id', 'seq', 'user_id', 'who', 'what', 'data', 'side', 'staff_only']);
        $wanted = $entries->filter(static fn (object $entry) => NoticeKind::ofEntry($entry->what) !== null);
        $files = DealFile::query()->with(['members.user.officeRoles.office', 'office'])->whereIn('id', $wanted->pluck('deal_file_id')
            ->unique())
            ->where(['practice' => false, 'guest' => false])->get()->keyBy('id');
        foreach ($wanted as $entry) {
            $file = $files[$entry->deal_file_id] ?? null;
            $file === null || $this->tell($file, $entry);
        }
        $entries->isEmpty() || $brokerage->update(['noticed_id' => max($brokerage->noticed_id, (int) $entries->last()->id)]);
    }

    private function tell(DealFile $file, object $entry): void
    {
        $kind = NoticeKind::ofEntry($entry->what) ?? throw new \LogicException('Only entries that are told are looked at.');
        $data = (array) json_decode((string) $entry->data, true);
        $says = Sentence::of($entry->what, $data);
        foreach ($this->readers($file, $kind, $entry, $data) as $user) {
            Notices::note(
                $user,
                $kind,
                $file->id,
                Wording::said("{$file->name}: {$says}", "{$entry->who}: {$says}.", 'Open the file'),
                "/files/{$file->key}",
                "entry:{$file->key}:{$entry->seq}",
                hasLetter: false,
            );
        }
    }

    /**
     * @param array<string, mixed> $data
     * @return Collection<int, User>
     */
    private function readers(DealFile $file, NoticeKind $kind, object $entry, array $data): Collection
    {
        $readers = $kind === NoticeKind::Submitted
            ? User::inOffice($file->office, Role::Broker)->toBase()
            : $file->members
                ->filter(static fn (Member $one) => ($entry->side === null || $one->side === null || $one->side->value === $entry->side)
                    && (! $entry->staff_only || $one->role === Role::Coordinator))
                ->map(static fn (Member $one) => $one->user)
                ->toBase();

        return $readers
            ->filter(static fn (User $user) => $user->active && ! $user->guest && $user->id !== $entry->user_id
                && ($kind !== NoticeKind::Task || $user->name === ($data['to'] ?? null)))
            ->unique('id')
            ->values();
    }
}
