<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Upload;
use App\Models\User;
use App\Papers\SelectedPapers;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** What is done to several papers of the board at once: their order, their tags, the rows they belong to. */
final class ArrangePapers
{
    private const MOST_TAGS = 12;

    /**
     * Puts papers of one stage in that order; papers that are not named keep their places.
     *
     * @param list<string> $keys
     *
     * @throws StepRefused when they are not all of one stage
     */
    public function order(DealFile $file, array $keys): void
    {
        $papers = SelectedPapers::from($file, $keys);
        $stages = array_unique(array_map(static fn (Paper $paper) => $paper->stage, $papers));
        if (count($stages) !== 1) {
            throw PaperRefusal::SeveralStages->because();
        }
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $places = array_map(static fn (Paper $paper) => $paper->position, $papers);
        sort($places);
        // Papers that stood at one place get places of their own.
        foreach ($places as $index => $place) {
            $places[$index] = $index === 0 ? $place : max($place, $places[$index - 1] + 1);
        }
        $moved = false;
        foreach ($papers as $index => $paper) {
            if ($paper->position !== $places[$index]) {
                $paper->update(['position' => $places[$index]]);
                $paper->requirement()->update(['position' => $places[$index]]);
                $moved = true;
            }
        }
        $moved &&
            History::add(
                $file->brokerage_id,
                $file->id,
                'Papers put in order',
                ['papers' => implode(', ', array_map(static fn (Paper $paper) => $paper->title, $papers))],
                SeenBy::side(self::commonSide($papers)),
            );
    }

    /**
     * Adds tags to papers.
     *
     * @param list<string> $keys
     * @return int how many papers changed
     *
     * @throws StepRefused when no tag is given
     */
    public function tag(DealFile $file, array $keys, string $typed): int
    {
        $tags = array_filter(
            array_map(static fn (string $tag) => mb_substr(trim((string) preg_replace('/\s+/u', ' ', $tag)), 0, 40), explode(',', $typed)),
            static fn (string $tag) => $tag !== '',
        );
        if ($tags === []) {
            throw PaperRefusal::NoTag->because();
        }

        return $this->keepTags(
            $file,
            $keys,
            static fn (array $had) => array_slice(array_values(array_unique([...$had, ...$tags])), 0, self::MOST_TAGS),
        );
    }

    /**
     * Takes all tags off papers.
     *
     * @param list<string> $keys
     * @return int how many papers changed
     */
    public function untag(DealFile $file, array $keys): int
    {
        return $this->keepTags($file, $keys, static fn () => []);
    }

    /**
     * @param list<string> $keys
     * @param callable(list<string>): list<string> $change
     */
    private function keepTags(DealFile $file, array $keys, callable $change): int
    {
        $changed = 0;
        foreach (SelectedPapers::from($file, $keys) as $paper) {
            $now = $change($paper->tags);
            if ($now === $paper->tags) {
                continue;
            }
            $before = implode(', ', $paper->tags);
            $paper->update(['tags' => $now]);
            $changed++;
            History::add(
                $file->brokerage_id,
                $file->id,
                'Paper tagged',
                ['paper' => $paper->title, 'before' => $before, 'after' => implode(', ', $now)],
                new SeenBy($paper->side, $paper->staff_only),
            );
        }

        return $changed;
    }

    /**
     * Asks where papers belong that came in as papers of their own, or stand at the wrong row.
     *
     * @param list<string> $keys
     * @return list<string> why some of them cannot be asked about
     */
    public function assign(DealFile $file, array $keys, User $by): array
    {
        $why = [];
        foreach (SelectedPapers::from($file, $keys) as $paper) {
            $upload = Upload::query()->where('paper_id', $paper->id)->where('version_id', $paper->latest_version_id)->first();
            if ($upload === null) {
                $why[] = "“{$paper->title}” was not uploaded, so it stays at its row.";
            } elseif ($paper->state === PaperState::Out || ($paper->requirement?->review_state->isWithReviewer() ?? false)) {
                $why[] = "“{$paper->title}” is out for signature or with the reviewer, so it stays at its row.";
            } else {
                $upload->update(['is_question' => true, 'user_id' => $by->id]);
            }
        }

        return $why;
    }

    /** @param  list<Paper>  $papers */
    private static function commonSide(array $papers): ?Side
    {
        return Side::common(array_map(static fn (Paper $paper) => $paper->side, $papers));
    }
}
