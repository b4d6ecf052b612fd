<?php

declare(strict_types=1);

namespace App\Assembly\Actions;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\User;
use App\Papers\Actions\NoteDelivery;
use App\Papers\Deliveries;
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
     * Pressed twice, the second time nothing is missing.
     *
     * @return array{list<string>, list<string>} to whom something was sent; to whom not, and why
     */
    public function __invoke(DealFile $file, User $by): array
    {
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
                'These papers are signed by everyone. Keep a copy of them.',
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
    public function note(DealFile $file, Party $party, array $keys, DeliveryHow $how, \Unanimus\Dates\LocalDate $on, User $by): int
    {
        $new = 0;
        foreach (Deliveries::of($file)->missingFor($party) as $paper) {
            $new += in_array($paper->key, $keys, true) && ($this->delivery)($paper, $party, $how, $on, by: $by->id) ? 1 : 0;
        }

        return $new;
    }
}
