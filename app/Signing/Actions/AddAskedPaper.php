<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Models\Paper;
use App\Models\Signer;
use App\Papers\Actions\BringIn;
use App\Papers\Actions\CareForPaper;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\BroughtKind;
use Unanimus\Pages\PlainText;
use Unanimus\Signing\AskedPaper;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundState;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * A signer adds a paper they are asked for: it comes to its place in the file at once, and the round knows of it. Added again, it
 * lies over the first one as a newer version.
 */
final class AddAskedPaper
{
    public function __construct(
        private readonly RecordEvent $record,
        private readonly BringIn $bringIn,
        private readonly CareForPaper $care,
    ) {
    }

    /**
     * @param string $once given by the browser, the same for every try
     * @param array{address?: string|null, device?: string|null} $from
     *
     * @throws BringRefused when the file cannot be taken
     * @throws StepRefused when it is not asked of them, or not now
     */
    public function __invoke(Signer $signer, string $key, string $path, string $name, string $once, array $from): RoundState
    {
        $round = $signer->round;
        DB::table('rounds')->where('id', $round->id)->lockForUpdate()->first();
        $round->refresh()->load(['events', 'signers', 'marks']);
        $once = "added:{$signer->once()}:{$key}:{$once}";
        if ($round->events->contains('once_key', $once)) {
            return $round->state();
        }
        $ask = collect($signer->asks())->first(static fn (AskedPaper $one) => $one->key === $key) ??
            throw SigningRefusal::NotTheirs->because();
        $name = mb_strimwidth(PlainText::of($name), 0, 200, '…') ?: 'file';
        BroughtKind::of($path)?->isSlow() !== true || throw SigningRefusal::AskedAsPdf->because();
        $event = new RoundEvent(EventKind::Added, $signer->seat, [
            'ask' => $key,
            'name' => $name,
            'where' => $ask->title,
            'sha256' => (string) hash_file('sha256', $path),
        ]);
        // Whether it may happen now is decided before anything comes into the file.
        $round->state()->after($event);
        $round->rehearsal || $this->into($signer, $ask, $path, $name);

        return ($this->record)($round, $event, $once, $from);
    }

    private function into(Signer $signer, AskedPaper $ask, string $path, string $name): void
    {
        $file = $signer->round->file;
        $place = $ask->place === null ? null : Paper::query()->where('deal_file_id', $file->id)->find($ask->place);
        match ($place?->state) {
            PaperState::Ready => $this->care->replace($place, $path, $name),
            PaperState::Expected => ($this->bringIn)($file, $path, $name, $place),
            // Its place is gone, or holds something signed by now: it comes in by itself, under what it was asked for as.
            default => ($this->bringIn)($file, $path, "{$ask->title}.".pathinfo($name, PATHINFO_EXTENSION)),
        };
    }
}
