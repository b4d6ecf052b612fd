<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\Paper;
use App\Models\Party;
use App\Terms\FactBook;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\ReadTerms;
use Unanimus\Parties\PartyDetails;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;

/** Takes what a paper from outside says of the deal into the file, as far as someone chose it and nobody has said otherwise. */
final class TakeTerms
{
    public function __construct(private readonly SetFact $setFact, private readonly SetParty $setParty, private readonly Library $library)
    {
    }

    /** @return list<ReadTerms> what it says that the file does not know */
    public function proposed(Paper $paper): array
    {
        $version = $paper->isDraft() ? null : $paper->latest;
        if ($version === null) {
            return [];
        }
        $seated = $paper->file->parties->map(static fn (Party $party) => "{$party->role->value}.{$party->number}")->values()->all();
        $read = $version->read()->form;
        if ($read === null) {
            return ReadTerms::ofSaid($version->said(), FactBook::of($paper->file), $seated);
        }
        try {
            $form = $this->library->form($read->form, $read->revision);
        } catch (FormUnknown) {
            return [];
        }

        return ReadTerms::of($read, $form, FactBook::of($paper->file), $seated);
    }

    /**
     * @param list<string> $names of facts and seats
     * @return int how many were taken
     *
     * @throws EntryUnreadable|StepRefused when one cannot be read as what it is; none is taken then
     */
    public function __invoke(Paper $paper, array $names): int
    {
        $chosen = array_values(array_filter($this->proposed($paper), static fn (ReadTerms $one) => in_array($one->name, $names, true)));
        $facts = [];
        foreach ($chosen as $one) {
            $one->isPerson || ($facts[$one->name] = $one->typed);
        }
        $this->setFact->many($paper->file, $facts, $paper->title);
        foreach ($chosen as $one) {
            $one->isPerson && ($this->setParty)($paper->file, Seat::of($one->name), new PartyDetails(name: $one->typed));
        }

        return count($chosen);
    }
}
