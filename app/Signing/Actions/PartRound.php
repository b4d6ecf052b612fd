<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\Round;
use App\Models\RoundPaper;
use App\Models\Signer;
use App\Signing\RoundCopy;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\SmallRounds;
use Unanimus\Steps\StepRefused;

/** Parts a large round into small ones: places, people and words go along; each waits for the one before. */
final class PartRound
{
    /**
     * @param string $when "signed": each goes out once everyone has signed the one before; "sent": all go out together
     * @return list<Round> in the order in which they go out
     *
     * @throws StepRefused when it went out, or all its papers belong together
     */
    public function __invoke(Round $round, string $when): array
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        $round->load(['papers.paper', 'signers', 'marks', 'file.office', 'file.parties.contact', 'file.members']);
        $parts = self::parts($round);
        $parts !== [] || throw SigningRefusal::NothingToPart->because();
        $rounds = [$round];
        foreach (array_slice($parts, 1) as $keys) {
            $rounds[] = $this->apart($round, $keys, $rounds[count($rounds) - 1], $when);
        }
        $round->load(['papers.paper', 'marks', 'signers']);
        $this->withoutIdle($round);
        $this->askOnce($rounds);
        $round->update(['title' => ComposeRound::title(self::papers($round))]);
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            'Round parted',
            ['rounds' => implode('; ', array_map(static fn (Round $one) => $one->title, $rounds))],
            SeenBy::side($round->side),
        );

        return $rounds;
    }

    /**
     * @param Round $round with its papers
     * @return array<string, list<string>> keys of papers by the name of the part
     */
    public static function parts(Round $round): array
    {
        return SmallRounds::of(
            array_values(
                $round->papers
                    ->map(static fn (RoundPaper $sent) => [
                        'key' => $sent->paper->key,
                        'title' => $sent->title,
                        'stage' => $sent->paper->stage,
                    ])
                    ->all(),
            ),
        );
    }

    /** @param  list<string>  $keys  of its papers */
    private function apart(Round $round, array $keys, Round $after, string $when): Round
    {
        $moved = $round->papers->filter(static fn (RoundPaper $sent) => in_array($sent->paper->key, $keys, true));
        $new = Round::create([
            ...$round->only(['side', 'brokerage_id', 'deal_file_id', 'user_id', 'message', 'attach', 'copies', 'last_day', 'last_time']),
            'title' => ComposeRound::title(array_values($moved->map(static fn (RoundPaper $sent) => $sent->paper)->all())),
            'after_id' => $after->id,
            'after_when' => $when,
        ]);
        RoundCopy::into($round, $new->setRelation('file', $round->file), $moved);
        $this->withoutIdle($new->load(['signers', 'marks']));
        $round->marks()->whereIn('round_paper_id', $moved->pluck('id'))->delete();
        $round->papers()->whereIn('id', $moved->pluck('id'))->delete();

        return $new;
    }

    /** Nobody is asked in a part in which they have nothing to sign; who looks first looks at the first. */
    private function withoutIdle(Round $round): void
    {
        $round->signers
            ->filter(
                static fn (Signer $signer) => ! $round->marks->contains('seat', $signer->seat) &&
                    ($signer->part === Part::Signs || $round->after_id !== null),
            )
            ->each(static fn (Signer $signer) => $signer->delete());
    }

    /**
     * Papers asked of someone are asked for in the first part that they sign in.
     *
     * @param list<Round> $rounds
     */
    private function askOnce(array $rounds): void
    {
        $asked = [];
        foreach ($rounds as $one) {
            foreach ($one->signers()->get() as $signer) {
                isset($asked[$signer->seat]) && $signer->update(['asks' => []]);
                $asked[$signer->seat] = true;
            }
        }
    }

    /** @return list<Paper> */
    private static function papers(Round $round): array
    {
        return array_values($round->papers->map(static fn (RoundPaper $sent) => $sent->paper)->all());
    }
}
