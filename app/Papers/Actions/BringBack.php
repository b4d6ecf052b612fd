<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\Paper;
use App\Papers\PaperLog;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;

/** Has an earlier state of a draft again. What stood there in between stays in the log and can be had again as well. */
final class BringBack
{
    /**
     * @param string|null $blank only this one
     * @return int how many blanks changed
     *
     * @throws StepRefused when the paper takes no entries any more or has no such state
     */
    public function __invoke(Paper $paper, int $state, string $key, ?string $blank = null): int
    {
        $paper->lockForChange();
        if (! $paper->isDraft()) {
            throw PaperRefusal::VersionsStay->because();
        }
        $log = PaperLog::of($paper);
        if ($state < 0 || $state > $log->count()) {
            throw PaperRefusal::NoSuchState->because();
        }
        $values = $log->bringingBack($state, $blank === null ? null : [$blank]);
        $changed = 0;
        foreach ($values as $name => $value) {
            $changed += (int) $paper->keepEntry($name, $value, "back:{$key}:{$name}", (int) Auth::id() ?: null);
        }
        $changed > 0 &&
            History::add(
                $paper->brokerage_id,
                $paper->deal_file_id,
                'Earlier entries brought back',
                ['paper' => $paper->title, 'blanks' => $changed, 'as after entry' => $state],
                new SeenBy($paper->side, $paper->staff_only),
            );

        return $changed;
    }
}
