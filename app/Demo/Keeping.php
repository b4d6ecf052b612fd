<?php

declare(strict_types=1);

namespace App\Demo;

use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\History\History;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Retention\Actions\KeepRetention;
use App\Retention\Actions\PurgeFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Retention\RetentionRules;
use Unanimus\Signing\Seat;

/** Old files: one that will be purged soon, one on hold, one that was purged and left its certificate. */
final class Keeping
{
    private const PURGED = '2 Lime Kiln Lane';

    public function __construct(
        private readonly Story $story,
        private readonly KeepRetention $keep,
        private readonly PurgeFile $purge,
        private readonly OpenFile $open,
        private readonly SetFact $setFact,
        private readonly SetParty $setParty,
    ) {
    }

    /** @param  array<string, User>  $people  How long the offices keep what ended. */
    public function rules(array $people): void
    {
        $this->story->at(-300, '9:00');
        Auth::setUser($people['ines']);
        foreach (Office::query()->orderBy('name')->get() as $office) {
            $this->keep->setRules(
                $office,
                RetentionRules::typed(['any-any' => '3', 'sale-closed' => '7', 'lease-closed' => '5'], '180'),
                $people['ines'],
            );
        }
        $this->story->now();
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $ends = $this->story->today()->plusMonths(-84);
        $soon = $this->closed($people, '31 Cooperage Hill', $ends->plusDays(20), 'Ottoline Fairbairn');
        $this->announced($soon, 40);
        $held = $this->closed($people, '6 Withy Bottom', $ends->plusDays(-12), 'Barnaby Sallow-Finch');
        $this->story->at(-90, '10:20');
        Auth::setUser($people['ines']);
        $this->keep->hold($held->load('office'), 'A claim about the well; counsel asks us to keep everything', $people['ines']);
        $this->story->now();
        $this->announced($this->closed($people, self::PURGED, $ends->plusDays(-30), 'Philippa Underhay'), 65);
        Auth::logout();
    }

    /** @param  array<string, User>  $people  What was purged today. */
    public function purged(array $people): void
    {
        $gone = DealFile::query()->where('name', 'like', self::PURGED.'%')->sole();
        Auth::setUser($people['ines']);
        $certificate = $this->purge->rows($gone->id);
        while ($this->purge->nextBytes($certificate)) {
            // One at a time.
        }
        Auth::logout();
    }

    /** @param  array<string, User>  $people */
    private function closed(array $people, string $street, LocalDate $on, string $buyer): DealFile
    {
        $this->story->at(-$on->plusDays(-45)->daysUntil($this->story->today()), '11:30');
        Auth::setUser($people['priya']);
        $file = ($this->open)($people['priya'], Representation::Buyer);
        $this->open->join($file, $people['wendell'], Role::Coordinator);
        $this->setFact->many($file, [
            'property.street' => $street,
            'property.city' => 'Pellingford',
            'property.state' => 'MW',
            'property.year_built' => '1988',
            'price' => '236,000',
            'closing' => $on->iso(),
        ]);
        ($this->setParty)($file, Seat::of('buyer.1'), new PartyDetails(name: $buyer));
        $this->story->at(-$on->daysUntil($this->story->today()), '15:00');
        $file->refresh()->update(['status' => 'closed', 'closed_on' => $on->iso(), 'ended_on' => $on->iso(), 'archived_at' => now()]);
        History::add($file->brokerage_id, $file->id, 'Closed', ['on' => $on->iso(), 'before' => 'under contract'], SeenBy::everyone());
        $this->story->now();

        return $file->load(['office', 'members']);
    }

    private function announced(DealFile $file, int $daysAgo): void
    {
        $day = $this->story->today()->plusDays(-$daysAgo);
        DB::table('purge_notices')->insert([
            'deal_file_id' => $file->id,
            'brokerage_id' => $file->brokerage_id,
            'announced_on' => $day->iso(),
            'purged_on' => $day->plusDays(60)->iso(),
            'by_rule' => 'sale, closed: 7 years',
        ]);
    }
}
