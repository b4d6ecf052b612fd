<?php

declare(strict_types=1);

namespace App\Review;

use App\Models\Paper;
use App\Models\Party;
use App\Models\Requirement;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Papers\PaperCheck;
use App\Terms\FactBook;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Forms\ContractForms;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\UnwrittenPlaces;
use Unanimus\Review\PaperFindings;
use Unanimus\Review\ReviewFinding;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SeenPlace;
use Unanimus\Terms\Term;

/** What the machine found on the paper of a requirement, but for what a reviewer has set aside for its version. */
final readonly class ReviewFindings
{
    /**
     * @return list<ReviewFinding>
     */
    public static function of(Requirement $requirement): array
    {
        $paper = $requirement->paper;
        $version = $paper?->latest;
        if ($paper === null || $version === null || $paper->isDraft()) {
            return [];
        }
        $aside = DB::table('findings_set_aside')
            ->where(['requirement_id' => $requirement->id, 'paper_version_id' => $version->id])
            ->pluck('finding')
            ->all();
        $found = [];
        foreach (self::all($paper) as $one) {
            // The same said of the same place by two of them is said once.
            in_array($one->id(), $aside, true) || ($found[$one->id()] ??= $one);
        }

        return array_values($found);
    }

    /** @return list<ReviewFinding> */
    private static function all(Paper $paper): array
    {
        $facts = FactBook::of($paper->file);
        $people = $paper->file->parties
            ->mapWithKeys(static fn (Party $party) => [
                "{$party->role->value}.{$party->number}" => (string) ($party->signing_name ?: $party->name),
            ])
            ->filter()
            ->all();
        $found = PaperFindings::compared(PaperCheck::findings($paper, $facts));
        $text = DB::table('version_texts')->where('paper_version_id', $paper->latest?->id)->first(['unwritten', 'places']);
        $kept = json_decode((string) ($text->unwritten ?? 'null'), true);
        $places = UnwrittenPlaces::fromArray(is_array($kept) ? $kept : null);
        $seen = array_map(
            static fn (mixed $one) => SeenPlace::fromArray((array) $one),
            (array) json_decode((string) ($text->places ?? '[]'), true),
        );
        array_push($found, ...PaperFindings::unwrittenLines(array_values(array_filter($seen)), $people));
        array_push($found, ...self::addenda($paper));
        array_push($found, ...self::onForm($paper, $places, $people));
        array_push($found, ...self::ofRounds($paper, $people, $facts->value(Term::OfferExpiry->value)));

        return $found;
    }

    /** @return list<ReviewFinding> */
    private static function addenda(Paper $paper): array
    {
        $read = $paper->latest?->read()->form;
        if ($read === null || ! ContractForms::has($read->form)) {
            return [];
        }
        try {
            $form = app(Library::class)->form($read->form, $read->revision);
        } catch (FormUnknown) {
            return [];
        }
        $there = $paper->file->papers
            ->filter(static fn (Paper $one) => ! in_array($one->state, [PaperState::Void, PaperState::Expected], true))
            ->map(static fn (Paper $one) => $one->form_number ?? $one->latest?->read()->form->form ?? '');
        $isWhole = $paper->latest?->made_by !== MadeBy::Uploaded;

        return PaperFindings::addenda($form, $read->values, array_values($there->filter()->all()), $isWhole);
    }

    /**
     * @param array<string, string> $people
     * @return list<ReviewFinding>
     */
    private static function onForm(Paper $paper, ?UnwrittenPlaces $places, array $people): array
    {
        $read = $paper->latest?->read()->form;
        $number = $places->form ?? $read->form ?? $paper->form_number ?? '';
        $revision = $places->revision ?? $read->revision ?? '';
        if ($number === '') {
            return [];
        }
        try {
            $library = app(Library::class);
            $old = PaperFindings::revision($revision, $library->form($number));
            // What was signed here was laid out and checked here: no ink is looked for on it.
            $byHand = $places === null || $paper->latest?->made_by === MadeBy::Signed
                ? []
                : PaperFindings::unwritten($places, $library->form($places->form, $places->revision), $people);
        } catch (FormUnknown) {
            return [];
        }

        return [...$old === null ? [] : [$old], ...$byHand];
    }

    /**
     * @param array<string, string> $people
     * @return list<ReviewFinding>
     */
    private static function ofRounds(Paper $paper, array $people, ?string $expiry): array
    {
        $form = $paper->form();
        if ($paper->latest?->made_by !== MadeBy::Signed) {
            return [];
        }
        $rounds = RoundPaper::query()
            ->with(['round.signers', 'round.marks'])
            ->where('paper_id', $paper->id)
            ->whereHas('round', static fn ($round) => $round->where('status', RoundStatus::Complete)->where('rehearsal', false))
            ->get();
        $signed = [];
        foreach ($rounds as $sent) {
            $seats = $sent->round->marks->where('round_paper_id', $sent->id)->pluck('seat')->unique()->all();
            foreach ($sent->round->signers->whereIn('seat', $seats) as $signer) {
                /** @var Signer $signer */
                $signed[$signer->seat] = $signer->name;
            }
        }
        $at = $rounds->map(static fn (RoundPaper $sent) => $sent->round->over_at)->filter()->max();
        $day = $at === null ? null : LocalDate::at($at, new \DateTimeZone($paper->file->office->zone));
        $late = PaperFindings::late($expiry === null || $expiry === '' ? null : LocalDate::of($expiry), $day);

        return [
            ...$form === null ? [] : PaperFindings::unsigned($form, $people, array_keys($signed)),
            ...PaperFindings::names($signed, $people),
            ...PaperFindings::authority(
                $paper->file->parties
                    ->mapWithKeys(static fn (Party $party) => [
                        (string) $party->seat() => [
                            'name' => (string) $party->name,
                            'kind' => $party->kind,
                            'by' => (string) $party->signed_by,
                            'as' => (string) $party->capacity,
                        ],
                    ])
                    ->all(),
                array_keys($signed),
            ),
            ...$late !== null && $form !== null && ContractForms::has($form->number) ? [$late] : [],
        ];
    }
}
