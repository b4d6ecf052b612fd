<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

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
     * Pressed twice, also at the same moment, the second time nothing is missing.
     *
     * @return array{list<string>, list<string>} to whom something was sent; to whom not, and why
     */
    public function __invoke(DealFile $file, User $by): array
    {
        // Whoever presses meanwhile waits here, and then reads what was sent.
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $deliveries = Deliveries::of($file);
        [$sent, $left, $sets] = [[], [], []];
        $today = $file->office->today();
        foreach ($deliveries->parties as $party) {
            $papers = $deliveries->missingFor($party);
            if ($papers === []) {
                continue;
            }
            if (($party->email ?? '') === '') {
                $left[] = "{$party->name} has no email address";

                continue;
            }
            $which = implode(' ', array_map(static fn (Paper $paper) => $paper->key, $papers));
            $set = $sets[$which] ??= $this->sets->begin($file, $papers, new SetOptions(), $by);
            if (! $set->isReady()) {
                $left[] = "the papers for {$party->name} are still put together";

                continue;
            }
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
            $sent[] = $party->name;
        }

        return [$sent, $left];
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
