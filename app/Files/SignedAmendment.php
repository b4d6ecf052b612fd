<?php

declare(strict_types=1);

namespace App\Files;

use App\Files\Actions\MoveDates;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Forms\Amendment;
use Unanimus\Forms\ContractForms;
use Unanimus\Signing\RoundStatus;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;
use Unanimus\Terms\Term;

/** An amendment that everyone has signed and that the file does not follow yet: what it changes, and what moves with that. */
final readonly class SignedAmendment
{
    /**
     * @param list<array{label: string, from: string, to: string}> $changes as read
     * @param list<string> $moves dates that move with them, as read
     * @param LocalDate|null $possession where closing moves and possession stands on a later day: that day, moved as far
     */
    private function __construct(
        public Paper $paper,
        public Amendment $amendment,
        public array $changes,
        public array $moves,
        public ?LocalDate $possession,
    ) {
    }

    /** The fact that remembers that it was applied, or left. */
    public static function mark(Paper $paper): string
    {
        return "amendment.{$paper->key}";
    }

    /**
     * @param DealFile $file with its papers, parties, and rounds with their signers and papers
     * @return list<self> that wait to be applied
     */
    public static function waiting(DealFile $file, Facts $facts): array
    {
        $waiting = [];
        foreach ($file->papers as $paper) {
            $isSigned = Amendment::has($paper->form_number) && $paper->state === PaperState::Signed;
            if (! $isSigned || $facts->value(self::mark($paper)) !== null) {
                continue;
            }
            $one = self::isByAll($file, $paper) ? self::of($file, $paper, $facts) : null;
            $one === null || ($waiting[] = $one);
        }

        return $waiting;
    }

    /** What it changes; null when nothing that the file keeps. */
    public static function of(DealFile $file, Paper $paper, Facts $facts): ?self
    {
        $form = $paper->form();
        $amendment = $form === null ? null : Amendment::of($form, $paper->answers());
        if ($amendment?->changesAnything() !== true) {
            return null;
        }
        $agenda = Agenda::of($file);
        $year = $agenda->today->year();
        $changes = [];
        foreach ($amendment->terms as $name => $value) {
            $term = Term::from($name);
            $stands = $facts->value($name);
            $read = static fn (string $kept) => $term->kind() === Kind::Date
                ? LocalDate::of($kept)->short($year)
                : $term->kind()->inSentence($kept);
            $stands === $value ||
                ($changes[] = ['label' => $term->label(), 'from' => $stands === null ? 'not set' : $read($stands), 'to' => $read($value)]);
        }
        foreach ($amendment->deadlines as $name => $day) {
            $deadline = $agenda->deadline($name);
            $deadline === null ||
                $deadline->due->iso() === $day ||
                ($changes[] = [
                    'label' => $deadline->label,
                    'from' => $deadline->due->short($year),
                    'to' => LocalDate::of($day)->short($year),
                ]);
        }

        return $changes === []
            ? null
            : new self($paper, $amendment, $changes, self::moves($file, $amendment, $year), self::possession($agenda, $amendment));
    }

    /** Whether all who have to sign have: here, or on a copy that came back. */
    private static function isByAll(DealFile $file, Paper $paper): bool
    {
        if ($paper->latest?->made_by === MadeBy::Uploaded) {
            return true;
        }
        $round = $file->rounds->first(
            static fn (Round $round) => $round->status === RoundStatus::Complete && $round->papers->contains('paper_id', $paper->id),
        );
        $form = $paper->form();
        $seated = $file->parties->map(static fn (Party $party) => (string) $party->seat())->all();

        return $form !== null &&
            $round !== null &&
            ContractForms::unsigned($form, $file->kind, $seated, $round->signers->pluck('seat')->values()->all()) === [];
    }

    /** @return list<string> */
    private static function moves(DealFile $file, Amendment $amendment, int $year): array
    {
        $moves = [];
        foreach (array_intersect_key($amendment->terms, ['closing' => true, 'possession' => true]) as $name => $day) {
            foreach (MoveDates::preview($file, $name, LocalDate::of($day))->moves as $move) {
                $moves[] = $move['label'].' to '.($move['to']?->short($year) ?? 'none');
            }
        }

        return array_values(array_unique($moves));
    }

    private static function possession(Agenda $agenda, Amendment $amendment): ?LocalDate
    {
        $closing = $agenda->anchors['closing']['day'] ?? null;
        $possession = $agenda->anchors['possession']['day'] ?? null;
        $new = $amendment->terms['closing'] ?? null;

        return $new === null || $closing === null || $possession === null || isset($amendment->terms['possession'])
            ? null
            : $possession->plusDays($closing->daysUntil(LocalDate::of($new)));
    }
}
