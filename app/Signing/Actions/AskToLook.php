<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Asks someone of the file to read or approve what a round holds, before those who sign it. */
final class AskToLook
{
    /** @throws StepRefused when it went out, or they are the other side's */
    public function __invoke(Round $round, Party $party, Part $part): void
    {
        $round->file->isOwnAffair($party->seat()->side()) ||
            throw SigningRefusal::NotAskedByUs->because(seat: $party->seat()->label());
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        $round->load('signers');
        if ($round->signers->contains('seat', (string) $party->seat())) {
            return;
        }
        // They come first: everyone who would be asked together with them comes one turn later.
        $round->signers->contains(static fn (Signer $one) => $one->part === Part::Signs && $one->turn === 1) &&
            $round->signers
                ->where('part', Part::Signs)
                ->each(static fn (Signer $one) => $one->update(['turn' => min(9, $one->turn + 1)]));
        PlaceMarks::ask($round, $party, 1)->update(['part' => $part]);
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Asked to look first',
            ['round' => $round->title, 'person' => $party->name, 'part' => $part->label()],
            SeenBy::side($round->side),
        );
    }
}
