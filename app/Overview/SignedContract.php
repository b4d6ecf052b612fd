<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use Carbon\CarbonInterface;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Forms\ContractForms;
use Unanimus\Signing\RoundStatus;

/** Whether a file's contract is signed, and since when. */
final readonly class SignedContract
{
    /**
     * @param LocalDate|null $on the day the last one signed it here; null: not everyone has
     * @param string|null $at that hour, as kept, in the office's zone
     * @param bool $isUnsigned whether no contract in the file is signed by everyone, here or as it came in
     * @param bool $isUploaded whether it came in signed, from the other side or on paper
     */
    private function __construct(public ?LocalDate $on, public ?string $at, public bool $isUnsigned, public bool $isUploaded)
    {
    }

    /** @param  DealFile  $file  with its papers, parties, and rounds with their signers and papers */
    public static function of(DealFile $file): self
    {
        $contracts = $file->papers->filter(
            static fn (Paper $paper) => $paper->state !== PaperState::Void &&
                (ContractForms::has($paper->form_number) || ContractForms::isCalled($paper->title)),
        );
        $cameIn = $contracts->filter(static fn (Paper $paper) => $paper->latest?->made_by === MadeBy::Uploaded);
        // A scan over a form of ours is that form signed; what else comes in may be one that is still to be signed.
        $uploaded = $cameIn->contains(static fn (Paper $paper) => ContractForms::has($paper->form_number));
        $last = $contracts
            ->map(static fn (Paper $paper) => self::signedHere($file, $paper))
            ->filter()
            ->sortBy(static fn (CarbonInterface $at) => $at->getTimestamp())
            ->last();

        return new self(
            $last === null ? null : LocalDate::at($last->toImmutable(), $file->office->timeZone()),
            $last?->copy()->setTimezone($file->office->timeZone())->format('H:i'),
            $last === null && $cameIn->isEmpty(),
            $uploaded,
        );
    }

    /** When the last of those it binds signed it here, in one round or several; null: somebody has not. */
    private static function signedHere(DealFile $file, Paper $paper): ?CarbonInterface
    {
        if ($paper->state !== PaperState::Signed) {
            return null;
        }
        $rounds = $file->rounds->filter(
            static fn (Round $round) => $round->status === RoundStatus::Complete && $round->papers->contains('paper_id', $paper->id),
        );
        $seated = $file->parties->map(static fn (Party $party) => (string) $party->seat())->all();
        $signed = $rounds->flatMap(static fn (Round $round) => $round->signers->pluck('seat'))->all();

        $open = ContractForms::unsigned($paper->form(), $file->kind, array_values($seated), array_values($signed));

        return $open === [] ? $rounds->max('over_at') : null;
    }
}
