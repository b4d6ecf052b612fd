<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Requirement;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Steps\StepRefused;

/** Whether a requirement applies at all: asked by whoever works on the file, answered by the reviewer. */
final class AskOff
{
    /** Asked twice it is asked once, with the latest reason. @throws StepRefused when it is submitted or settled, or no reason is given */
    public function ask(Requirement $requirement, User $by, string $why): void
    {
        $requirement = self::locked($requirement);
        $requirement->review_state->mayAskOff($why);
        $why = mb_substr(trim($why), 0, 500);
        if ($requirement->off_asked_at !== null && $requirement->off_asked_why === $why) {
            return;
        }
        $requirement->update(['off_asked_at' => now(), 'off_asked_by' => $by->id, 'off_asked_why' => $why]);
        self::tell($requirement, 'Asked whether it applies', $why);
    }

    /** It applies after all; asked for no more. */
    public function takeBack(Requirement $requirement): void
    {
        $requirement = self::locked($requirement);
        if ($requirement->off_asked_at !== null) {
            $requirement->update(['off_asked_at' => null]);
            self::tell($requirement, 'Asked no more whether it applies', '');
        }
    }

    /**
     * It does apply; whoever asked reads why.
     *
     * @throws StepRefused when nobody asks any more, or no reason is given
     */
    public function refuse(Requirement $requirement, User $by, string $why): void
    {
        $requirement = self::locked($requirement);
        $requirement->off_asked_at !== null || throw ReviewRefusal::NotAsked->because(title: $requirement->title);
        trim($why) !== '' || throw ReviewRefusal::NoReason->because();
        $why = mb_substr(trim($why), 0, 500);
        $asked = $requirement->off_asked_at->getTimestamp();
        $requirement->update(['off_asked_at' => null, 'note' => $why]);
        $to = User::query()->find($requirement->off_asked_by);
        $to === null || $to->id === $by->id || $requirement->file->practice || Post::ofFile(
            $requirement->file,
            "applies:{$requirement->key}:{$asked}",
            Addressee::user($to),
            Wording::of('applies', [
                'by' => $by->name,
                'paper' => $requirement->title,
                'file' => $requirement->file->name,
                'why' => $why,
            ]),
            "/files/{$requirement->file->key}",
        );
        self::tell($requirement, 'Applies after all', $why);
    }

    private static function tell(Requirement $requirement, string $what, string $why): void
    {
        History::add(
            $requirement->brokerage_id,
            $requirement->deal_file_id,
            $what,
            array_filter(['requirement' => $requirement->title, 'why' => trim($why)]),
            new SeenBy($requirement->side, $requirement->staff_only),
        );
    }

    private static function locked(Requirement $requirement): Requirement
    {
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->first();

        return $requirement->refresh();
    }
}
