<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Papers\PaperPrint;
use App\Signing\RoundCopy;
use App\Signing\ToRead;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundFault;
use Unanimus\Signing\RoundFaultKind;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * Rehearses a round that is still composed: a copy goes out with all letters to whoever rehearses, each page marked. The papers
 * stay as they are in the file, nothing enters its history, and nothing is sealed.
 */
final class Rehearse
{
    /** After which it is forgotten. */
    public const DAYS = 7;

    public function __construct(
        private readonly PaperPrint $print,
        private readonly Bytes $bytes,
        private readonly Press $press,
        private readonly RecordEvent $record,
        private readonly ToRead $toRead,
    ) {
    }

    /** @throws StepRefused when it went out already, or something but an address keeps it from being sent */
    public function __invoke(Round $draft, User $by): Round
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $draft->id)->lockForUpdate()->value('status'))->mustBeDraft();
        // Pressed twice, or in two tabs, it is rehearsed once.
        $begun = $draft->rehearsals()->where('user_id', $by->id)->where('created_at', '>', now()->subMinute())->first();
        if ($begun !== null) {
            return $begun;
        }
        $draft->load(['papers.paper.values', 'papers.paper.latest', 'signers', 'marks', 'file.office', 'file.parties.contact']);
        $faults = array_values(
            array_filter(
                ComposeRound::faults($draft),
                static fn (RoundFault $fault) => $fault->kind->isBlocking() && $fault->kind !== RoundFaultKind::NoAddress,
            ),
        );
        $faults === [] || throw SigningRefusal::RoundHasFaults->because(faults: $faults[0]->text);
        $round = Round::create([
            ...$draft->only(['side', 'brokerage_id', 'deal_file_id', 'title', 'subject', 'message', 'attach', 'last_day', 'last_time']),
            'user_id' => $by->id,
            'rehearsal' => true,
            'rehearsal_of' => $draft->id,
        ]);
        RoundCopy::into($draft, $round);
        $round->signers()->get()->each(static fn (Signer $signer) => $signer->update(['email' => $by->email]));
        foreach ($round->papers()->with(['paper.values', 'paper.latest', 'paper.file'])->get() as $sent) {
            $pdf = $this->marked($this->print->of($sent->paper));
            $sent->update(['sha256' => $this->bytes->keep($round->brokerage_id, $pdf)]);
        }
        $round->update([
            'sent_at' => now(),
            'to_read' => $this->toRead->of($round),
            'date_look' => $round->file->office->date_look,
        ]);
        $digest = $round->load(['papers', 'marks', 'signers'])->sentDigest();
        ($this->record)($round, new RoundEvent(EventKind::Sent, null, ['places' => $digest]), 'sent');

        return $round->refresh();
    }

    /** The word stands on every page, so that none of them is ever taken for the paper. */
    private function marked(string $pdf): string
    {
        $scratch = new Scratch();
        $path = $scratch->put('paper.pdf', $pdf);
        $drawings = [];
        foreach (PdfLook::into($path, gate: false)->pages() as $index => [$width, $height]) {
            $over = (new Drawing($width, $height))->text(24, 16, 8, 'REHEARSAL, nothing is signed here', weight: 'bold', fill: '#8e1f3b');
            $drawings[$index + 1] = $over->piece(
                sprintf(
                    '<text x="%.1f" y="%.1f" text-anchor="middle" font-family="Source Sans 3" font-weight="bold" font-size="%.1f" '.
                        'fill="#8e1f3b" fill-opacity="0.18" transform="rotate(-38 %1$.1f %2$.1f)">rehearsal</text>',
                    $width / 2,
                    $height / 2,
                    min($width, $height) / 6.5,
                ),
            );
        }

        return $this->press->writeOver($path, $drawings);
    }
}
