<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Actions\SetFact;
use App\History\History;
use App\Models\Paper;
use App\Terms\FactBook;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Filling;
use Unanimus\Forms\FormRefusal;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;

/** Stores one entry on a paper, as its own event. The same entry sent twice, after a lost answer, is stored once. */
final class StoreEntry
{
    public function __construct(private readonly SetFact $setFact)
    {
    }

    /**
     * @param string $clientKey made on the device for this entry
     * @param 'here'|'paper'|'term'|'follow' $scope here, and for the whole file where nobody has entered it yet; only on this paper, as
     *                                              a client's answer; the term itself; or follow the term again
     * @param string|null $seen what the device last saw in the blank; null: it does not say
     * @param Facts|null $facts of the file, where they are at hand
     * @param string|null $source what it is carried over from, in words; null: it is entered
     * @return string the value as kept
     *
     * @throws EntryUnreadable when it cannot be read as what the blank holds
     * @throws StepRefused when the paper takes no entries any more
     * @throws EntryMet when someone has entered something else there that the device has not seen
     */
    public function __invoke(
        Paper $paper,
        string $blankName,
        string $typed,
        string $clientKey,
        string $scope = 'here',
        ?string $seen = null,
        ?Facts $facts = null,
        ?string $source = null,
    ): string {
        $form = $paper->form();
        $blank = $form?->blank($blankName) ?? throw FormRefusal::NoSuchBlank->because();
        // The key first, for every scope: what was stored already is told as stored, whatever has happened to the paper or the term since.
        try {
            $paper->lockForChange();
        } catch (StepRefused $refused) {
            return $paper->hasEntry($clientKey) ? $this->standing($paper, $blankName) : throw $refused;
        }
        if ($paper->hasEntry($clientKey)) {
            return $this->standing($paper, $blankName);
        }
        if ($scope === 'follow') {
            $paper->keepEntry($blankName, null, $clientKey, (int) Auth::id() ?: null);

            return '';
        }
        $possession = Term::tryFrom((string) $blank->binding);
        if ($scope !== 'paper' && $possession !== null && SameAs::read($possession, $typed) !== null) {
            ($this->setFact)($paper->file, $possession->value, $typed);
            $paper->keepEntry($blankName, null, $clientKey, (int) Auth::id() ?: null);

            return FactBook::of($paper->file->load('knownFacts'))->value($possession->value) ?? '';
        }
        $value = $blank->parse($typed, $paper->file->office->today());
        // What nobody has entered yet is entered for the whole file: every paper that asks for it follows.
        if ($scope === 'here' && $value !== '' && $this->fillsEmptyTerm($paper, $blank, $typed, $facts)) {
            $scope = 'term';
        }
        if ($scope === 'term' && $blank->binding !== null && ! str_contains($blank->binding, '?')) {
            $this->setTerm($paper, $blank, $typed, $value, $seen, $source ?? 'entered');
            $paper->keepEntry($blankName, null, $clientKey, (int) Auth::id() ?: null);

            return $value;
        }
        // Read only now that nobody else changes the paper.
        $before = $paper->load('values')->entries()[$blankName] ?? '';
        if ($seen !== null && $before !== '' && $before !== $value && ! $this->knows($paper, $blank, $seen, $before)) {
            throw EntryMet::at($paper, $blank, $before);
        }
        $follows = $blank->binding !== null && ($facts ?? FactBook::of($paper->file))->value($blank->binding) === $value;
        $paper->keepEntry($blankName, $follows ? null : $value, $clientKey, (int) Auth::id() ?: null, $source);
        if ($blank->kind === Kind::Tick && $blank->group !== null && $value !== '') {
            $this->clearGroup($paper, $form, $blank->group, $blankName, $clientKey);
        }
        if ($before !== $value) {
            History::add(
                $paper->brokerage_id,
                $paper->deal_file_id,
                'Entry',
                array_filter(
                    ['paper' => $paper->title, 'blank' => $blank->label, 'before' => $before, 'after' => $value, 'from' => $source],
                    static fn (?string $said) => $said !== null,
                ),
                new SeenBy($paper->side, $paper->staff_only),
            );
        }

        return $value;
    }

    private function fillsEmptyTerm(Paper $paper, Blank $blank, string $typed, ?Facts $facts): bool
    {
        $term = $blank->binding === null ? null : Term::tryFrom($blank->binding) ?? PropertyFact::tryFrom($blank->binding);

        if (
            $term === null ||
            $term === Term::Acceptance ||
            ($paper->load('values')->entries()[$blank->name] ?? '') !== '' ||
            ($facts ?? FactBook::of($paper->file))->value($term->value) !== null
        ) {
            return false;
        }
        try {
            return SetFact::read($paper->file, $term->value, $typed) !== '';
        } catch (EntryUnreadable) {
            // The blank takes what the term does not: it is kept on this paper.
            return false;
        }
    }

    private function standing(Paper $paper, string $blank): string
    {
        return $paper->load('values')->entries()[$blank] ?? '';
    }

    /** @throws EntryMet when the term has become something else than the device was shown */
    private function setTerm(Paper $paper, Blank $blank, string $typed, string $value, ?string $seen, string $source): void
    {
        DB::table('deal_files')->where('id', $paper->deal_file_id)->lockForUpdate()->value('id');
        $now = (string) DB::table('facts')->where('deal_file_id', $paper->deal_file_id)->where('name', $blank->binding)->value('value');
        $now = $now === SameAs::CLOSING ? FactBook::of($paper->file)->value((string) $blank->binding) ?? '' : $now;
        if ($seen !== null && $now !== '' && $now !== $value && ! $this->knows($paper, $blank, $seen, $now)) {
            throw EntryMet::atTerm($paper, $blank, $now);
        }
        ($this->setFact)($paper->file, (string) $blank->binding, $typed, $source);
    }

    /** Whether a device that last saw that has seen what is stored: "450k", typed and sent without waiting for the answer, is 450,000. */
    private function knows(Paper $paper, Blank $blank, string $seen, string $stored): bool
    {
        try {
            return $blank->parse($seen, $paper->file->office->today()) === $stored;
        } catch (EntryUnreadable) {
            // What it saw last was refused here and never stood on the paper.
            return true;
        }
    }

    private function clearGroup(Paper $paper, \Unanimus\Forms\Form $form, string $group, string $keep, string $clientKey): void
    {
        $filling = Filling::of($form, $paper->entries(), FactBook::of($paper->file));
        foreach ($form->blanks as $other) {
            if ($other->group === $group && $other->name !== $keep && $filling->value($other->name) !== '') {
                $paper->keepEntry($other->name, '', "{$clientKey}:{$other->name}", (int) Auth::id() ?: null);
            }
        }
    }
}
