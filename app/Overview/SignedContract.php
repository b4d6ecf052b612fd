<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
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
     * @param bool $isUploaded whether it came in signed, from the other side or on paper
     * @param bool $isUnsigned whether there is a contract form in the file and none of them is signed
     */
    private function __construct(public ?LocalDate $on, public ?string $at, public bool $isUnsigned, public bool $isUploaded)
    {
    }

    /** @param  DealFile  $file  with its papers, parties, and rounds with their signers and papers */
    public static function of(DealFile $file): self
    {
        $contracts = $file->papers->filter(
            static fn (Paper $paper) => ContractForms::has($paper->form_number) && $paper->state !== PaperState::Void,
        );
        $signed = $contracts->filter(static fn (Paper $paper) => $paper->state === PaperState::Signed);
        $scanned = $contracts->contains(static fn (Paper $paper) => $paper->latest?->made_by === MadeBy::Uploaded);
        $seated = $file->parties->map(static fn (Party $party) => (string) $party->seat())->all();
        [$on, $at] = [null, null];
        foreach ($signed as $paper) {
            $round = $file->rounds->first(
                static fn ($round) => $round->status === RoundStatus::Complete && $round->papers->contains('paper_id', $paper->id),
            );
            $form = $paper->form();
            if (
                $form !== null &&
                $round?->over_at !== null &&
                ContractForms::unsigned($form, $seated, $round->signers->pluck('seat')->values()->all()) === []
            ) {
                $on = LocalDate::at($round->over_at, $file->office->timeZone());
                $at = $round->over_at->copy()->setTimezone($file->office->timeZone())->format('H:i');
            }
        }

        return new self($on, $at, $contracts->isNotEmpty() && $signed->isEmpty() && ! $scanned, $scanned);
    }
}
