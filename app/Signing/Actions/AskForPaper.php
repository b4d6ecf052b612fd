<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Signer;
use App\Papers\Actions\CareForPaper;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Requirements\Stage;
use Unanimus\Signing\AskedPaper;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Asks someone who signs in a round for a paper: a place is kept for it in the file, and they add it on their page. */
final class AskForPaper
{
    /** Papers that one person is asked for in a round. */
    private const MOST = 12;

    /** @throws StepRefused when it went out, they do not sign or are the other side's, or it has no name */
    public function __invoke(Round $round, string $signer, string $title, bool $isRequired, ?Paper $place): AskedPaper
    {
        $asked = $this->draft($round, $signer);
        $key = strtoupper((string) Str::ulid());
        $ask = AskedPaper::of($key, $place->title ?? $title, $isRequired, $place?->id);
        foreach ($asked->asks() as $known) {
            // Pressed twice, or asked for once more in other words of the same case.
            if (mb_strtolower($known->title) === mb_strtolower($ask->title)) {
                return $known;
            }
        }
        count($asked->asks) < self::MOST || throw SigningRefusal::TooManyPapersAsked->because(most: self::MOST);
        $place ??= $this->place($round, $asked, $ask->title);
        $ask = AskedPaper::of($key, $ask->title, $isRequired, $place->id);
        $asked->update(['asks' => [...$asked->asks, $ask->toArray()]]);
        $this->tell($round, $asked, 'Paper asked for', $ask->title);

        return $ask;
    }

    /** @throws StepRefused when it went out */
    public function withdraw(Round $round, string $signer, string $key): void
    {
        $asked = $this->draft($round, $signer);
        $gone = collect($asked->asks())->first(static fn (AskedPaper $ask) => $ask->key === $key);
        if ($gone === null) {
            return;
        }
        $asked->update(['asks' => array_values(array_filter($asked->asks, static fn (array $ask) => $ask['key'] !== $key))]);
        $this->tell($round, $asked, 'Paper not asked for any more', $gone->title);
    }

    private function draft(Round $round, string $signer): Signer
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        $asked = $round->signers()->where('key', $signer)->first();
        if ($asked === null || $asked->part !== Part::Signs) {
            throw SigningRefusal::AskedOnlyOfSigners->because();
        }
        $round->file->isOwnAffair($asked->seatOf()->side()) ||
            throw SigningRefusal::NotAskedByUs->because(seat: $asked->seatOf()->label());

        return $asked;
    }

    /** The paper of that name that the file waits for, or a new one. */
    private function place(Round $round, Signer $signer, string $title): Paper
    {
        $file = $round->file;
        $stage = $round->papers->first()?->paper->stage ?? 'contract';

        return $file
            ->papers()
            ->where('state', PaperState::Expected)
            ->whereRaw('lower(title) = lower(?)', [$title])
            ->first() ??
            $file->papers()->create([
                'brokerage_id' => $file->brokerage_id,
                'title' => $title,
                'stage' => $stage,
                'state' => PaperState::Expected,
                'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900,
                'reason' => "asked of {$signer->name}",
                'side' => $round->side ?? CareForPaper::ownSide($file),
            ]);
    }

    private function tell(Round $round, Signer $signer, string $what, string $title): void
    {
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            $what,
            ['round' => $round->title, 'person' => $signer->name, 'paper' => $title],
            SeenBy::side($round->side),
        );
    }
}
