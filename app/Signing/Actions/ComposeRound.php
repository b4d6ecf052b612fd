<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Sight;
use App\Models\User;
use App\Terms\FactBook;
use Unanimus\Files\SeenBy;
use Unanimus\Files\StepRefused;
use Unanimus\Forms\Filling;
use Unanimus\Forms\MarkPlace;
use Unanimus\Signing\Seat;

/** Lays out a round from papers of the file: who signs follows from the forms' marks and who sits in the file. */
final class ComposeRound
{
    /**
     * @param list<Paper> $papers
     *
     * @throws StepRefused when a paper cannot go out
     */
    public function __invoke(DealFile $file, array $papers, User $by): Round
    {
        if ($papers === []) {
            throw new StepRefused('Select at least one paper to send for signature.');
        }
        foreach ($papers as $paper) {
            if (! $paper->state->isOpen()) {
                throw new StepRefused("“{$paper->title}” is {$paper->state->readable()} and cannot go out for signature.");
            }
        }
        $side = array_values(array_filter(array_map(static fn (Paper $paper) => $paper->side, $papers)))[0] ?? null;
        $round = Round::create([
            'side' => $side,
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'title' => $this->title($papers),
            'user_id' => $by->id,
            'last_day' => $file->office->today()->plusDays(5)->iso(),
        ]);
        $base = ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id];
        // Of the other side's clients their own agent keeps the address; a round asks them there all the same.
        $parties = Sight::asTheFile(
            $file->id,
            static fn () => $file->parties()->with('contact')->get()->keyBy(static fn (Party $party) => (string) $party->seat()),
        );
        $asked = Seat::askedBy($file->side);
        $seats = [];
        $position = 0;
        foreach ($papers as $index => $paper) {
            /** @var RoundPaper $sent */
            $sent = $round
                ->papers()
                ->create([
                    ...$base,
                    'paper_id' => $paper->id,
                    'position' => $index,
                    'title' => $paper->title,
                    'pages' => count($paper->form()->pages ?? []) ?: $paper->latest->pages ?? 0,
                ]);
            foreach ($paper->form()->marks ?? [] as $mark) {
                $seat = (string) $mark->seat;
                if ($parties->has($seat) && in_array($mark->seat->role, $asked, true)) {
                    $seats[$seat] = $mark->seat;
                    $round->marks()->create([...$base, 'round_paper_id' => $sent->id, ...self::mark($mark), 'position' => $position++]);
                }
            }
        }
        uasort($seats, static fn ($a, $b) => $a->order() <=> $b->order());
        foreach ($seats as $key => $seat) {
            $party = $parties[$key];
            $round
                ->signers()
                ->create([
                    ...$base,
                    'party_id' => $party->id,
                    'seat' => $key,
                    'name' => $party->signing_name ?: $party->name,
                    'initials' => $party->initials,
                    'email' => $party->email,
                    'turn' => $seat->role === 'agent' ? 2 : 1,
                ]);
        }

        History::add($file->brokerage_id, $file->id, 'Round drafted', ['round' => $round->title], SeenBy::side($side));

        return $round;
    }

    /**
     * What keeps the round from being sent, in words, with where it is mended.
     *
     * @return list<array{text: string, signer: string|null, paper: string|null}>
     */
    public static function faults(Round $round): array
    {
        $faults = [];
        $facts = FactBook::of($round->file);
        foreach ($round->signers as $signer) {
            if (($signer->email ?? '') === '') {
                $own = $round->file->isOwnAffair($signer->place()->side());
                $faults[] = [
                    'text' => $own
                        ? "{$signer->name} has no email address."
                        : "{$signer->name} has no email address. Their own agent adds it in the file.",
                    'signer' => $signer->key,
                    'paper' => null,
                ];
            }
        }
        if ($round->signers->isEmpty()) {
            $faults[] = [
                'text' => 'No one signs: none of these papers has a place to sign for anyone in the file.',
                'signer' => null,
                'paper' => null,
            ];
        }
        foreach ($round->papers as $sent) {
            if (! $round->marks->contains('round_paper_id', $sent->id)) {
                $faults[] = ['text' => "No one signs “{$sent->title}”.", 'signer' => null, 'paper' => $sent->paper->key];
            }
            $form = $sent->paper->form();
            $missing = $form === null ? [] : Filling::of($form, $sent->paper->entries(), $facts)->missing();
            if ($missing !== []) {
                $count = count($missing);
                $faults[] = [
                    'text' => "“{$sent->title}” has ".
                        ($count === 1 ? 'a required blank' : "{$count} required blanks").
                        " empty: {$missing[0]->label}".
                        ($count > 1 ? ' …' : '').
                        '.',
                    'signer' => null,
                    'paper' => $sent->paper->key,
                ];
            }
            if (! $sent->paper->state->isOpen()) {
                $faults[] = [
                    'text' => "“{$sent->title}” is {$sent->paper->state->readable()}.",
                    'signer' => null,
                    'paper' => $sent->paper->key,
                ];
            }
        }

        return $faults;
    }

    /** @return array<string, mixed> */
    private static function mark(MarkPlace $mark): array
    {
        return [
            'seat' => (string) $mark->seat,
            'kind' => $mark->kind,
            'page' => $mark->page,
            'x' => $mark->place->x,
            'y' => $mark->place->y,
            'width' => $mark->place->width,
            'height' => $mark->place->height,
        ];
    }

    /** @param  non-empty-list<Paper>  $papers */
    private function title(array $papers): string
    {
        $more = count($papers) - 1;

        return $papers[0]->title.($more === 0 ? '' : ' and '.([1 => 'one', 2 => 'two', 3 => 'three'][$more] ?? $more).' more');
    }
}
