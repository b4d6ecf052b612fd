<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

use App\Models\AssembledSet;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\User;
use App\Papers\Actions\NoteDelivery;
use App\Papers\Deliveries;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DeliveryHow;
use Unanimus\Pages\SetOptions;

/** Sends everyone what they have not got of the executed papers: one email with one link for each. */
final class SendMissing
{
    /** Days for which the link shows them. */
    private const DAYS = 60;

    public function __construct(
        private readonly KeepSet $sets,
        private readonly KeepReadingCopy $copies,
        private readonly NoteDelivery $delivery,
    ) {
    }

    /**
     * Pressed twice, also at the same moment, the second time nothing is missing. Many pages are put together by the worker and
     * go out when they are.
     *
     * @return array{list<string>, list<string>, list<string>} to whom something was sent; to whom it goes as soon as it is put
     *                                                         together; to whom not, and why
     */
    public function __invoke(DealFile $file, User $by): array
    {
        $this->hold($file->id);
        $deliveries = Deliveries::of($file);
        [$sent, $soon, $left, $sets] = [[], [], [], []];
        AssembledSet::failedToGo($file->id)->each->update(['for_parties' => []]);
        $underWay = AssembledSet::goingOut($file->id);
        foreach ($deliveries->parties as $party) {
            $papers = $deliveries->missingFor($party);
            if ($papers === []) {
                continue;
            }
            if (($party->email ?? '') === '') {
                $left[] = "{$party->name} has no email address";

                continue;
            }
            if ($underWay->contains(static fn (AssembledSet $set) => in_array($party->id, $set->for_parties, true))) {
                $soon[] = $party->name;

                continue;
            }
            $which = implode(' ', array_map(static fn (Paper $paper) => $paper->key, $papers));
            $set = $sets[$which] ??= $this->sets->begin($file, $papers, new SetOptions(), $by);
            if (! $set->isReady()) {
                $set->update(['for_parties' => [...$set->for_parties, $party->id]]);
                $soon[] = $party->name;

                continue;
            }
            $this->give($set, $papers, $party, $by);
            $sent[] = $party->name;
        }

        return [$sent, $soon, $left];
    }

    /** Sends what the worker has put together to whom it is for, once; what came to a paper since is owed as before. */
    public function ready(int $setId): void
    {
        $set = AssembledSet::query()->find($setId);
        if ($set === null || $set->for_parties === []) {
            return;
        }
        $this->hold($set->deal_file_id);
        $set->refresh();
        if (! $set->isReady()) {
            return;
        }
        $deliveries = Deliveries::of($set->file);
        $by = User::query()->findOrFail($set->user_id);
        foreach ($deliveries->parties as $party) {
            if (! in_array($party->id, $set->for_parties, true) || ($party->email ?? '') === '') {
                continue;
            }
            $papers = array_values(array_filter(
                $deliveries->missingFor($party),
                static fn (Paper $paper) => in_array($paper->key, $set->papers, true) && $paper->latest?->made_at <= $set->created_at,
            ));
            $papers === [] || $this->give($set, $papers, $party, $by);
        }
        $set->update(['for_parties' => []]);
    }

    /** Whoever sends for the file meanwhile waits here, and then reads what was sent. */
    private function hold(int $fileId): void
    {
        DB::table('deal_files')->where('id', $fileId)->lockForUpdate()->value('id');
    }

    /** @param  list<Paper>  $papers  what of the set they have not got */
    private function give(AssembledSet $set, array $papers, Party $party, User $by): void
    {
        $today = $set->file->office->today();
        $this->copies->give(
            $set,
            $party->name,
            (string) $party->email,
            $today->plusDays(self::DAYS),
            (string) __('mail.read.executed', [], $party->language->value),
            $by,
            $party->language,
        );
        foreach ($papers as $paper) {
            ($this->delivery)($paper, $party, DeliveryHow::Link, $today, by: $by->id);
        }
    }

    /**
     * Notes by hand that papers reached somebody.
     *
     * @param list<string> $keys of papers
     * @return int how many were new
     */
    public function note(DealFile $file, Party $party, array $keys, DeliveryHow $how, LocalDate $on, User $by): int
    {
        $new = 0;
        foreach (Deliveries::of($file)->missingFor($party) as $paper) {
            $new += in_array($paper->key, $keys, true) && ($this->delivery)($paper, $party, $how, $on, by: $by->id) ? 1 : 0;
        }

        return $new;
    }
}
