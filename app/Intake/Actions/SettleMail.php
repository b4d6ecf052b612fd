<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Files\Actions\OpenFile;
use App\History\History;
use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Upload;
use App\Models\User;
use App\Papers\Actions\TakeUpload;
use App\Storage\Bytes;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Steps\StepRefused;

/** What becomes of a letter in the inbox: its papers go into a file, or it is put away; either can be taken back to it. */
final class SettleMail
{
    /** Days for which what was put away can be brought back. */
    public const DAYS = 90;

    public function __construct(
        private readonly TakeUpload $take,
        private readonly Bytes $bytes,
        private readonly OpenFile $open,
    ) {
    }

    /**
     * Files a letter, and its papers as if they had been dropped there; pressed twice, they are there once.
     *
     * @return list<Upload> what became of each
     *
     * @throws StepRefused when it was put away or filed elsewhere meanwhile
     */
    public function file(InboundItem $item, DealFile $to, User $by): array
    {
        $item = $this->locked($item);
        $item->settled_at === null || $item->filed_into === $to->id || throw IntakeRefusal::SettledMeanwhile->because();
        $to->status->mustBeOpen();
        $papers = $item->papers();
        $uploads = [];
        foreach ($papers as $index => $paper) {
            $uploads[] = ($this->take)($to, $this->bytes->path($paper['sha256']), $paper['name'], "mail-{$item->key}-{$index}", $by);
        }
        $item->settled_at === null && $this->settle($item, $to, $by, array_column($papers, 'name'));

        return $uploads;
    }

    /**
     * Its papers were sorted on the table.
     *
     * @param Collection<int, InboundItem> $items
     * @param list<string> $titles of the papers that were made of them
     */
    public function sorted(Collection $items, DealFile $to, User $by, array $titles): void
    {
        foreach ($items as $item) {
            $item = $this->locked($item);
            $item->settled_at === null && $this->settle($item, $to, $by, $titles);
        }
    }

    /**
     * Opens a file with what came.
     *
     * @throws StepRefused when the person may not open files, or it was settled meanwhile
     */
    public function open(InboundItem $item, User $by, Representation $represents, DealKind $kind): DealFile
    {
        $item = $this->locked($item);
        $item->settled_at === null || throw IntakeRefusal::SettledMeanwhile->because();
        $file = ($this->open)($by, $represents, $kind);
        // Settled before its papers are taken, also where none came along: pressed twice it opens one file.
        $item->papers() === []
            ? $this->settle($item, $file, $by, [])
            : $this->file($item, $file->load('office'), $by);

        return $file;
    }

    /**
     * Says which roles sort the mail that came to nobody's own address.
     *
     * @param list<string> $roles
     */
    public function sortedBy(int $brokerageId, array $roles): void
    {
        $brokerage = Brokerage::query()->lockForUpdate()->findOrFail($brokerageId);
        if ($brokerage->sorts_mail === $roles) {
            return;
        }
        $brokerage->update(['sorts_mail' => $roles]);
        History::ofBrokerage($brokerageId, 'Who sorts the mail', ['roles' => implode(', ', $roles)]);
    }

    /** It is nothing for a file. @throws StepRefused when it was filed meanwhile */
    public function putAway(InboundItem $item, User $by): void
    {
        $item = $this->locked($item);
        $item->filed_into === null || throw IntakeRefusal::SettledMeanwhile->because();
        $item->settled_at === null && $item->update(['settled_at' => now(), 'settled_by' => $by->id]);
    }

    /** Back into the inbox, from where it was put away. */
    public function bringBack(InboundItem $item): void
    {
        $item = $this->locked($item);
        $item->filed_into === null && $item->update(['settled_at' => null, 'settled_by' => null]);
    }

    /** @param  list<string>  $names  of the papers that came along */
    private function settle(InboundItem $item, DealFile $to, User $by, array $names): void
    {
        $side = $to->represents->isBoth() ? $to->loadMissing('members')->sideOf($by) : null;
        $item->update(['filed_into' => $to->id, 'filed_side' => $item->filed_side ?? $side, 'settled_at' => now(), 'settled_by' => $by
            ->id]);
        $told = ['from' => $item->sender, 'subject' => $item->subject, 'papers' => implode(', ', $names), 'sha256' => $item->sha256];
        History::add($to->brokerage_id, $to->id, 'Mail filed', $told, SeenBy::side($side));
    }

    private function locked(InboundItem $item): InboundItem
    {
        DB::table('inbound_items')->where('id', $item->id)->lockForUpdate()->value('id');

        return $item->refresh();
    }
}
