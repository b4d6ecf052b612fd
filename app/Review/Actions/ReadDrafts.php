<?php

declare(strict_types=1);

namespace App\Review\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\DraftRead;
use App\Models\DraftRemark;
use App\Models\Paper;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Rect;
use Unanimus\Parties\Side;
use Unanimus\Review\ReviewRefusal;
use Unanimus\Steps\StepRefused;

/** A colleague reads drafts and pins remarks; nothing is submitted by it, and nothing is held up. */
final class ReadDrafts
{
    /**
     * Asked twice for the same papers while the first is open, it is asked once.
     *
     * @param list<Paper> $papers
     *
     * @throws StepRefused when they do not see the file, or there is nothing to read
     */
    public function ask(DealFile $file, array $papers, User $reader, string $message, User $by): DraftRead
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $file->colleagues($by)->contains('id', $reader->id) || throw ReviewRefusal::NotTheirFile->because(name: $reader->name);
        $papers !== [] || throw ReviewRefusal::NothingToRead->because();
        $side = Side::common(array_map(static fn (Paper $paper) => $paper->side, $papers));
        $keys = array_map(static fn (Paper $paper) => $paper->key, $papers);
        $there = DraftRead::query()->where(['deal_file_id' => $file->id, 'reader_id' => $reader->id])->whereNull('done_at')->get()
            ->first(static fn (DraftRead $one) => $one->papers === $keys);
        if ($there !== null) {
            return $there;
        }
        $read = DraftRead::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => $side,
            'reader_id' => $reader->id,
            'user_id' => $by->id,
            'message' => mb_substr(trim($message), 0, 1000),
            'papers' => $keys,
        ]);
        $file->has_reads || $file->update(['has_reads' => true]);
        self::tell($read, 'Drafts given to read', ['to' => $reader->name, 'papers' => implode(', ', array_column($papers, 'title'))]);
        $file->practice || Post::ofFile(
            $file,
            "reads:{$read->key}",
            Addressee::user($reader),
            Wording::of('reads', [
                'by' => $by->name,
                'file' => $file->name,
                'papers' => implode("\n", array_map(static fn (Paper $paper) => "– {$paper->title}", $papers)),
                'message' => $read->message,
            ]),
            "/reads/{$read->key}",
        );

        return $read;
    }

    /** Pressed twice with the same words at the same place it is one remark. @throws StepRefused when it says nothing */
    public function note(DraftRead $read, Paper $paper, User $by, string $text, ?int $page, ?Rect $place): DraftRemark
    {
        trim($text) !== '' || throw ReviewRefusal::NoRemark->because();
        DB::table('draft_reads')->where('id', $read->id)->lockForUpdate()->value('id');
        $text = mb_substr(trim($text), 0, 2000);
        $same = $read->remarks()->where(['paper_id' => $paper->id, 'page' => $page, 'text' => $text, 'user_id' => $by->id])->get()
            ->first(static fn (DraftRemark $one) => (float) $one->x === (float) $place?->x && (float) $one->y === (float) $place?->y);

        return $same ?? $read->remarks()->create([
            'brokerage_id' => $read->brokerage_id,
            'paper_id' => $paper->id,
            'page' => $page,
            'x' => $place?->x,
            'y' => $place?->y,
            'text' => $text,
            'user_id' => $by->id,
            'at' => now(),
        ]);
    }

    public function resolve(DraftRemark $remark): void
    {
        $remark->resolved_at === null && $remark->update(['resolved_at' => now()]);
    }

    /** The colleague has read them; whoever asked is told how many remarks there are. */
    public function done(DraftRead $read): void
    {
        DB::table('draft_reads')->where('id', $read->id)->lockForUpdate()->value('id');
        $read->refresh();
        if ($read->done_at !== null) {
            return;
        }
        $read->update(['done_at' => now()]);
        $count = $read->remarks()->count();
        self::tell($read, 'Drafts read', ['by' => $read->reader->name, 'count' => $count]);
        $read->file->practice || Post::ofFile(
            $read->file,
            "reads:{$read->key}:done",
            Addressee::user($read->asker),
            Wording::of('reads_done', ['by' => $read->reader->name, 'file' => $read->file->name, 'count' => $count], count: $count),
            "/reads/{$read->key}",
        );
    }

    /** @param  array<string, string|int>  $data */
    private static function tell(DraftRead $read, string $what, array $data): void
    {
        History::add($read->brokerage_id, $read->deal_file_id, $what, $data, SeenBy::side($read->side));
    }
}
