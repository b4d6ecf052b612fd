<?php

declare(strict_types=1);

namespace App\Forms\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Models\User;
use App\Terms\ClientDay;
use App\Terms\FactBook;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Afterwards;
use Unanimus\Forms\Filling;
use Unanimus\Forms\FillRefusal;
use Unanimus\Forms\FillStatus;
use Unanimus\Forms\Questions;
use Unanimus\Parties\Language;
use Unanimus\Steps\StepRefused;

/** Asks clients to fill their part of papers; reminds them, takes it back, gives them another link. */
final class KeepFillRequest
{
    /**
     * Asks each client, in a letter of their own.
     *
     * @param list<array{party: \App\Models\Party, email: string, language?: Language}> $clients in the language they read, if none is named
     * @param list<Paper> $papers drafts
     * @param array<string, list<string>> $blanks by paper; a paper that is not named is asked for whatever is open on it
     * @return list<FillRequest>
     *
     * @throws StepRefused when nobody is asked, nothing is to fill, or the last day is past
     */
    public function ask(
        DealFile $file,
        array $clients,
        array $papers,
        array $blanks,
        LocalDate $lastDay,
        string $message,
        User $asker,
        Afterwards $afterwards = Afterwards::Nothing,
    ): array {
        $today = $file->office->today();
        match (true) {
            $clients === [] => throw FillRefusal::NobodyAsked->because(),
            $papers === [] => throw FillRefusal::NoPapers->because(),
            default => FillStatus::mustBeAhead($lastDay, $today),
        };
        $asked = $this->asked($file, $papers, $blanks);
        $requests = [];
        foreach ($clients as $client) {
            ['party' => $party, 'email' => $email] = $client;
            $language = $client['language'] ?? $party->language;
            // What they read the next time, too.
            $language === $party->language || $party->update(['language' => $language]);
            $email === $party->email || $party->reach(['email' => $email]);
            $request = FillRequest::create([
                'brokerage_id' => $file->brokerage_id,
                'deal_file_id' => $file->id,
                'party_id' => $party->id,
                'side' => $file->represents->isBoth() ? $file->sideOf($asker) : null,
                'name' => $party->name,
                'email' => $email,
                'language' => $language,
                'message' => mb_substr(trim($message), 0, 2000),
                'last_day' => $lastDay->iso(),
                'asked_by' => $asker->id,
                'afterwards' => $afterwards,
            ]);
            foreach ($asked as $position => [$paper, $names]) {
                DB::table('fill_request_papers')->insert([
                    'fill_request_id' => $request->id,
                    'brokerage_id' => $file->brokerage_id,
                    'paper_id' => $paper->id,
                    'position' => $position,
                    'blanks' => json_encode($names, JSON_THROW_ON_ERROR),
                ]);
            }
            History::add(
                $file->brokerage_id,
                $file->id,
                'Asked to fill',
                [
                    'who' => $party->name,
                    'papers' => implode(', ', array_map(static fn (array $one) => $one[0]->title, $asked)),
                    'until' => $lastDay->iso(),
                ],
                SeenBy::side($request->side),
            );
            $this->write($request->setRelation('file', $file)->setRelation('asker', $asker), 'first');
            $requests[] = $request;
        }

        return $requests;
    }

    public function remind(FillRequest $request): void
    {
        $this->mustTake($request);
        $request->update(['reminded_on' => $request->file->office->today()->iso()]);
        $this->write($request, 'remind:'.now()->format('YmdHi'));
    }

    /** Whoever asked has seen that it is filled in; Today no longer tells of it. */
    public function putAway(FillRequest $request): void
    {
        $request->status->mustBeFinished($request->name);
        $request->seen_at === null && $request->update(['seen_at' => now()]);
    }

    public function takeBack(FillRequest $request): void
    {
        $request->update(['status' => $request->status->takeBack($request->name)]);
        History::add(
            $request->brokerage_id,
            $request->deal_file_id,
            'Fill request taken back',
            ['who' => $request->name],
            SeenBy::side($request->side),
        );
    }

    /** A new link with a new last day; the old one is dead. */
    public function renew(FillRequest $request, LocalDate $lastDay): void
    {
        FillStatus::mustBeAhead($lastDay, $request->file->office->today());
        $request->update([
            'status' => FillStatus::Out,
            'last_day' => $lastDay->iso(),
            'link_version' => $request->link_version + 1,
            'finished_at' => null,
            'reminded_on' => null,
        ]);
        History::add(
            $request->brokerage_id,
            $request->deal_file_id,
            'Fill request sent anew',
            ['who' => $request->name, 'until' => $lastDay->iso()],
            SeenBy::side($request->side),
        );
        $this->write($request, 'first');
    }

    /** @throws StepRefused when the link takes nothing any more */
    public function mustTake(FillRequest $request): void
    {
        if (! $request->takes()) {
            throw FillRefusal::LinkEnded->because();
        }
    }

    /**
     * @param list<Paper> $papers
     * @param array<string, list<string>> $blanks
     * @return list<array{Paper, list<string>}>
     */
    private function asked(DealFile $file, array $papers, array $blanks): array
    {
        $asked = [];
        $facts = FactBook::of($file);
        foreach ($papers as $paper) {
            $form = $paper->form();
            if ($form === null || ! $paper->isDraft()) {
                throw FillRefusal::NotADraft->because(title: $paper->title);
            }
            $filling = Filling::of($form, $paper->entries(), $facts);
            $names = array_key_exists($paper->key, $blanks)
                ? array_values(array_intersect(array_map(strval(...), array_keys($filling->blanks)), $blanks[$paper->key]))
                : Questions::open($filling);
            $names === [] || ($asked[] = [$paper, $names]);
        }
        if ($asked === []) {
            throw FillRefusal::NothingOpen->because();
        }

        return $asked;
    }

    private function write(FillRequest $request, string $once): void
    {
        Post::ofFile(
            $request->file,
            "fill:{$request->key}:{$request->link_version}:{$once}",
            new Addressee($request->name, $request->email),
            Wording::of(
                'fill',
                [
                    'asker' => $request->asker->name,
                    'papers' => $request->load('papers')->papers->pluck('title')->implode(', '),
                    'file' => $request->file->name,
                    'day' => ClientDay::long($request->last_day, $request->language),
                    'message' => $request->message,
                ],
                language: $request->language,
            ),
            "fill {$request->key}",
        );
    }
}
