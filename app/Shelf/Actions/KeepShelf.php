<?php

declare(strict_types=1);

namespace App\Shelf\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\Paper;
use App\Models\ShelfItem;
use App\Models\ShelfVersion;
use App\Models\User;
use App\Papers\Actions\BringIn;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\MadeBy;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\Brought;
use Unanimus\Review\ReviewState;
use Unanimus\Shelf\ShelfEntry;
use Unanimus\Shelf\ShelfKind;
use Unanimus\Shelf\ShelfRefusal;
use Unanimus\Steps\StepRefused;

/** What stands on the shelf: put there, renewed, put away; taken into files, and renewed in them. */
final class KeepShelf
{
    public function __construct(private readonly BringIn $bringIn, private readonly Bytes $bytes)
    {
    }

    /**
     * @param array{string, string}|null $document where it lies now, and what it is called
     *
     * @throws StepRefused when it has no title, or is neither a document nor a link
     */
    public function put(User $by, string $title, string $topic, ?Office $office, ?array $document, string $url): ShelfItem
    {
        [$title, $topic] = ShelfEntry::named($title, $topic);
        $brought = $document === null ? null : $this->bringIn->convert($document[0]);
        $url = $brought === null ? ($url === '' ? throw ShelfRefusal::NoDocument->because() : ShelfEntry::link($url)) : null;
        DB::table('users')->where('id', $by->id)->lockForUpdate()->value('id');
        $same = ShelfItem::query()->where(['title' => $title, 'topic' => $topic])->where('created_at', '>', now()->subMinute())->first();
        if ($same !== null) {
            return $same;
        }
        $item = ShelfItem::create([
            'brokerage_id' => $by->brokerage_id,
            'office_id' => $office?->id,
            'kind' => $brought === null ? ShelfKind::Link : ShelfKind::Document,
            'title' => $title,
            'topic' => $topic,
            'url' => $url,
        ]);
        $this->version($item, $brought, $document, '', $by);
        History::ofBrokerage($item->brokerage_id, 'Put on the shelf', ['title' => $title], $office?->id);

        return $item;
    }

    /**
     * A newer version of a document.
     *
     * @param array{string, string} $document
     * @param int $seen the version that stood on the page
     *
     * @throws StepRefused when there is a newer one meanwhile
     */
    public function renew(ShelfItem $item, array $document, string $note, int $seen, User $by): void
    {
        $brought = $this->bringIn->convert($document[0]);
        DB::table('shelf_items')->where('id', $item->id)->lockForUpdate()->value('id');
        $item->refresh();
        $standing = ShelfVersion::query()->where(['shelf_item_id' => $item->id, 'version' => $item->version])->firstOrFail();
        // Pressed twice, or the very same document: nothing new.
        if ($standing->came_as === hash_file('sha256', $document[0])) {
            return;
        }
        $seen === $item->version || throw ShelfRefusal::Changed->because();
        $item->update(['version' => $item->version + 1]);
        $this->version($item, $brought, $document, $note, $by);
        History::ofBrokerage($item->brokerage_id, 'Renewed on the shelf', ['title' => $item->title, 'version' => $item->version], $item
            ->office_id);
    }

    public function putAway(ShelfItem $item, bool $away): void
    {
        if (($item->put_away_at !== null) === $away) {
            return;
        }
        $item->update(['put_away_at' => $away ? now() : null]);
        History::ofBrokerage($item->brokerage_id, $away ? 'Put away from the shelf' : 'Back on the shelf', ['title' => $item->title],
            $item->office_id);
    }

    /** Somebody has seen it as it stands now. */
    public function look(ShelfItem $item, User $user): void
    {
        DB::statement(
            'INSERT INTO shelf_looks (shelf_item_id, brokerage_id, user_id, version) VALUES (?, ?, ?, ?)
                ON CONFLICT (shelf_item_id, user_id) DO UPDATE SET version = excluded.version',
            [$item->id, $item->brokerage_id, $user->id, $item->version],
        );
    }

    /**
     * Into a file, as one of its papers: from there it is sent for signature, attached, submitted as any.
     *
     * @throws StepRefused when it was put away, or is a link
     */
    public function take(ShelfItem $item, DealFile $file): Paper
    {
        // What goes out says what is so today.
        $item->kind === ShelfKind::Sheet && app(KeepSheet::class)->renew($item);
        $item->put_away_at === null && $item->kind->isPaper() || throw ShelfRefusal::PutAway->because(title: $item->title);
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $there = $file->papers()->where(['shelf_item_id' => $item->id, 'shelf_version' => $item->version])->where('state', '<>', 'void')
            ->first();
        if ($there !== null) {
            return $there;
        }
        $version = ShelfVersion::query()->where(['shelf_item_id' => $item->id, 'version' => $item->version])->firstOrFail();
        $paper = $this->bringIn->ownPaper($file, $item->title, 'contract');
        $paper->update(['shelf_item_id' => $item->id, 'shelf_version' => $item->version, 'title' => $item->title]);
        $paper->addVersion((string) $version->sha256, $version->pages, MadeBy::Uploaded, 'from the shelf');
        History::add($file->brokerage_id, $file->id, 'Paper brought in', [
            'paper' => $item->title,
            'file' => 'the shelf',
            'pages' => $version->pages,
            'sha256' => $version->sha256,
        ], new SeenBy($paper->side, $paper->staff_only));

        return $paper;
    }

    /**
     * The newer version into every file of the person's that has an older one and may still change it.
     *
     * @return int how many
     */
    public function renewInFiles(ShelfItem $item, User $by, ?DealFile $only = null): int
    {
        $version = ShelfVersion::query()->where(['shelf_item_id' => $item->id, 'version' => $item->version])->firstOrFail();
        $count = 0;
        foreach (self::older($item) as $paper) {
            if ($only !== null && $paper->deal_file_id !== $only->id) {
                continue;
            }
            if (Gate::forUser($by)->denies('work-on', $paper->file)) {
                continue;
            }
            DB::table('papers')->where('id', $paper->id)->lockForUpdate()->value('id');
            $paper->refresh();
            if (! self::renews($paper, $item)) {
                continue;
            }
            $paper->addVersion((string) $version->sha256, $version->pages, MadeBy::Uploaded, 'renewed from the shelf');
            $paper->update(['shelf_version' => $item->version]);
            History::add($paper->brokerage_id, $paper->deal_file_id, 'Paper renewed from the shelf', [
                'paper' => $paper->title,
                'version' => $item->version,
            ], new SeenBy($paper->side, $paper->staff_only));
            $count++;
        }

        return $count;
    }

    /** @return list<Paper> papers of open files in sight that have an older version and may be renewed */
    public static function older(ShelfItem $item): array
    {
        $papers = Paper::query()->with(['file.members', 'file.office', 'requirement'])->where('shelf_item_id', $item->id)
            ->where('shelf_version', '<', $item->version)->orderBy('id')->limit(1000)->get();

        return array_values($papers->filter(static fn (Paper $paper) => $paper->file->status->isOpen() && self::renews($paper, $item))
            ->all());
    }

    private static function renews(Paper $paper, ShelfItem $item): bool
    {
        $review = $paper->requirement?->review_state;

        return ShelfEntry::renews(
            $paper->state,
            (int) $paper->shelf_version,
            $item->version,
            in_array($review, [ReviewState::Submitted, ReviewState::Accepted], true),
        );
    }

    /**
     * A version that was made here.
     *
     * @param string $pdf its bytes
     */
    public function made(ShelfItem $item, string $pdf, string $note, User $by): void
    {
        ShelfVersion::query()->insert([
            'shelf_item_id' => $item->id,
            'brokerage_id' => $item->brokerage_id,
            'version' => $item->version,
            'sha256' => $this->bytes->keep($item->brokerage_id, $pdf),
            'pages' => 1,
            'name' => "{$item->title}.pdf",
            'note' => mb_substr($note, 0, 300),
            'made_by' => $by->id,
            'made_at' => now(),
        ]);
    }

    /** @param  array{string, string}|null  $document */
    private function version(ShelfItem $item, ?Brought $brought, ?array $document, string $note, User $by): void
    {
        ShelfVersion::query()->insert([
            'shelf_item_id' => $item->id,
            'brokerage_id' => $item->brokerage_id,
            'version' => $item->version,
            'sha256' => $brought === null ? null : $this->bytes->keep($item->brokerage_id, $brought->pdf),
            'pages' => $brought->pages ?? 0,
            'came_as' => $document === null ? null : hash_file('sha256', $document[0]),
            'name' => mb_substr($document[1] ?? '', 0, 200),
            'url' => $item->url,
            'note' => mb_substr(trim($note), 0, 300),
            'made_by' => $by->id,
            'made_at' => now(),
        ]);
    }
}
