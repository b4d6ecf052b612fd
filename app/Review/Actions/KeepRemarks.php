<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Remark;
use App\Models\Requirement;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Review\ReviewFinding;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Steps\StepRefused;

/** What a reviewer remarks: noted, sent with the paper, answered by whoever mends it, resolved, opened again. */
final class KeepRemarks
{
    /** Notes a remark: it goes out when the paper is sent back. @throws StepRefused when it says nothing */
    public function note(Requirement $requirement, User $by, string $text, ?int $page = null, ?Rect $place = null): Remark
    {
        trim($text) !== '' || throw ReviewRefusal::NoRemark->because();
        // A button pressed twice: the same words at the same place, not sent yet, are one remark.
        DB::table('requirements')->where('id', $requirement->id)->lockForUpdate()->value('id');
        $same = $requirement->remarks()->whereNull('sent_at')->where(['text' => trim($text), 'page' => $page, 'user_id' => $by->id])->get()
            ->first(static fn (Remark $one) => (float) $one->x === (float) $place?->x && (float) $one->y === (float) $place?->y);

        return $same ?? $requirement->remarks()->create([
            'brokerage_id' => $requirement->brokerage_id,
            'deal_file_id' => $requirement->deal_file_id,
            'page' => $page,
            'x' => $place?->x,
            'y' => $place?->y,
            'text' => trim($text),
            'user_id' => $by->id,
            'at' => now(),
        ]);
    }

    /** Confirms what the machine found as a remark at its place; it is found no more. */
    public function confirm(Requirement $requirement, User $by, ReviewFinding $finding): Remark
    {
        $this->setAside($requirement, $by, $finding);
        $place = $finding->place;
        $pin = $place === null ? null : new Rect($place->x + $place->width / 2, $place->y + $place->height / 2, 1, 1);

        return $this->note($requirement, $by, $finding->text, $finding->page, $pin);
    }

    /** It is nothing: set aside for this version of the paper. */
    public function setAside(Requirement $requirement, User $by, ReviewFinding $finding): void
    {
        $version = $requirement->paper?->latest_version_id;
        $version === null || DB::table('findings_set_aside')->insertOrIgnore([
            'requirement_id' => $requirement->id,
            'brokerage_id' => $requirement->brokerage_id,
            'paper_version_id' => $version,
            'finding' => $finding->id(),
            'user_id' => $by->id,
        ]);
    }

    /** @throws StepRefused when it was sent already */
    public function drop(Remark $remark): void
    {
        $remark->sent_at === null || throw ReviewRefusal::RemarkSent->because();
        $remark->delete();
    }

    /** @throws StepRefused when the answer says nothing */
    public function answer(Remark $remark, User $by, string $answer): void
    {
        trim($answer) !== '' || throw ReviewRefusal::NoAnswer->because();
        $answer = mb_substr(trim($answer), 0, 1000);
        if ($remark->answered_at !== null && $remark->answer === $answer) {
            return;
        }
        $remark->update(['answer' => $answer, 'answered_at' => now(), 'answered_by' => $by->id]);
        $this->tell($remark, 'Remark answered', ['answer' => $remark->answer]);
    }

    public function resolve(Remark $remark): void
    {
        $remark->resolved_at === null && $remark->update(['resolved_at' => now()]);
    }

    /** It is asked again: as if it had been sent just now. */
    public function openAgain(Remark $remark): void
    {
        if ($remark->resolved_at === null && $remark->answered_at === null) {
            return;
        }
        $remark->update(['resolved_at' => null, 'answered_at' => null, 'answered_by' => null]);
        $this->tell($remark, 'Remark opened again', ['text' => $remark->text]);
    }

    /** Writes to whoever submitted it what is to be mended. */
    public function write(Requirement $requirement, User $by): void
    {
        $to = User::query()->find($requirement->submitted_by);
        $file = $requirement->file;
        if ($to === null || $to->id === $by->id || $file->practice) {
            return;
        }
        $open = $requirement->load('remarks')->openRemarks();
        Post::ofFile(
            $file,
            "sent-back:{$requirement->key}:{$requirement->times_sent_back}",
            Addressee::user($to),
            Wording::of('sent_back', [
                'by' => $by->name,
                'paper' => $requirement->title,
                'file' => $file->name,
                'remarks' => $open->map(static fn (Remark $one) => ($one->page === null ? '– ' : "– Page {$one->page}: ").$one->text)
                    ->implode("\n"),
            ]),
            $requirement->paper === null ? "/files/{$file->key}" : "/papers/{$requirement->paper->key}",
        );
    }

    /** @param  array<string, string>  $data */
    private function tell(Remark $remark, string $what, array $data): void
    {
        $requirement = $remark->requirement;
        History::add(
            $remark->brokerage_id,
            $remark->deal_file_id,
            $what,
            ['requirement' => $requirement->title, ...$data],
            new SeenBy($requirement->side, $requirement->staff_only),
        );
    }
}
