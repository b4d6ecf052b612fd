<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\Converter;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Takes in the scan of a round's papers that some or all signed with a pen, changes and initials as they are. */
final class AddPenScan
{
    /** How far the shape of a scanned page may be from the one that was sent: edges are cut, feeders are not exact. */
    private const SHAPE = 0.08;

    public function __construct(
        private readonly RecordEvent $record,
        private readonly Converter $converter,
        private readonly Bytes $bytes,
    ) {
    }

    /**
     * @param string $path of the upload, a PDF or a picture
     * @param list<string> $signers keys of those who signed on it
     *
     * @throws BringRefused when the file cannot be taken
     * @throws StepRefused when nobody is named, someone finished otherwise, or the pages are not those that were sent
     */
    public function __invoke(Round $round, string $path, array $signers): void
    {
        $brought = $this->converter->toPdf($path);
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('id');
        $round->load(['signers', 'papers', 'events']);
        $this->compare($round, $brought);
        $sha256 = $this->bytes->keep($round->brokerage_id, $brought->pdf);
        $who = $round->signers->filter(static fn (Signer $signer) => in_array($signer->key, $signers, true));
        $who->isNotEmpty() || throw SigningRefusal::NobodyOnPaper->because();
        ($this->record)(
            $round,
            new RoundEvent(EventKind::SignedOnPaper, null, [
                'seats' => $who->pluck('seat')->all(),
                'where' => $who->pluck('name')->implode(', '),
                'sha256' => $sha256,
            ]),
            'on-paper:'.$who->pluck('seat')->implode(':').":{$sha256}",
        );
    }

    /** Page for page the papers as they were sent, else no place would be where it was. */
    private function compare(Round $round, Brought $brought): void
    {
        $sent = [];
        foreach ($round->papers as $paper) {
            array_push($sent, ...self::shapes($this->bytes->path((string) $paper->sha256)));
        }
        $scratch = new Scratch();
        $scan = self::shapes($scratch->put('scan.pdf', $brought->pdf));
        if (count($scan) !== count($sent)) {
            throw SigningRefusal::ScanOtherPages->because(scan: count($scan), papers: $round->papers->sum(
                static fn (RoundPaper $paper) => $paper->pages,
            ));
        }
        foreach ($sent as $index => $shape) {
            if (abs($scan[$index] / $shape - 1) > self::SHAPE) {
                throw SigningRefusal::ScanOtherShape->because(page: $index + 1);
            }
        }
    }

    /** @return list<float> width to height of each page */
    private static function shapes(string $path): array
    {
        return array_values(array_map(static fn (array $size) => $size[0] / $size[1], PdfLook::into($path, gate: false)->pages()));
    }
}
