<?php

declare(strict_types=1);

namespace App\Forms\Actions;

use App\Forms\FillFinished;
use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Papers\Actions\StoreEntry;
use App\Terms\FactBook;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Blank;
use Unanimus\Forms\Filling;
use Unanimus\Forms\FillRefusal;
use Unanimus\Forms\FillStatus;
use Unanimus\Steps\StepRefused;

/** What a client enters on their link, and their finishing. */
final class AnswerFillRequest
{
    public function __construct(private readonly StoreEntry $store, private readonly KeepFillRequest $keep)
    {
    }

    /** Notes that a person, not a mail scanner, has opened it. */
    public function opened(FillRequest $fill): void
    {
        $fill->opened_at ?? $fill->update(['opened_at' => now()]);
    }

    /**
     * Stores one entry as the client's; the same key again changes nothing.
     *
     * @param string|null $seen what the device last saw in the blank; null: it does not say
     *
     * @throws StepRefused when the link takes nothing any more, or the blank is not theirs
     * @throws \Unanimus\Terms\EntryUnreadable when it cannot be read as what the blank holds
     * @throws \App\Papers\Actions\EntryMet when someone has entered something else there that the device has not seen
     */
    public function enter(FillRequest $request, Paper $paper, string $blank, string $typed, string $key, ?string $seen = null): void
    {
        if ($paper->hasEntry("fill:{$key}")) {
            return;
        }
        $this->keep->mustTake($request);
        if (! in_array($blank, FillRequest::asked($paper), true)) {
            throw FillRefusal::NotTheirBlank->because();
        }
        ($this->store)($paper->setRelation('file', $request->file), $blank, $typed, "fill:{$key}", 'paper', $seen);
    }

    /**
     * The client is done. Doing it twice tells the agent once.
     *
     * @throws StepRefused when something required of theirs is empty, or the link takes nothing any more
     */
    public function finish(FillRequest $request): void
    {
        $locked = FillRequest::query()->whereKey($request->id)->lockForUpdate()->firstOrFail();
        if ($locked->status === FillStatus::Finished) {
            return;
        }
        $this->keep->mustTake($request);
        $left = self::left($request);
        if ($left !== []) {
            $labels = implode(', ', array_map(static fn (array $one) => $one[1]->label, array_slice($left, 0, 6)));
            $labels .= count($left) > 6 ? ' …' : '.';
            throw count($left) === 1
                ? FillRefusal::AnswerMissing->because(labels: $labels)
                : FillRefusal::AnswersMissing->because(count: count($left), labels: $labels);
        }
        $locked->update(['status' => FillStatus::Finished, 'finished_at' => now()]);
        History::add(
            $request->brokerage_id,
            $request->deal_file_id,
            'Filled by the client',
            ['who' => $request->name, 'papers' => $request->papers->pluck('title')->implode(', ')],
            SeenBy::side($request->side),
        );
        Post::ofFile(
            $request->file,
            "filled:{$request->key}:{$request->link_version}",
            Addressee::user($request->asker),
            Wording::of('filled', [
                'who' => $request->name,
                'papers' => $request->papers->pluck('title')->implode(', '),
                'file' => $request->file->name,
            ]),
            "/files/{$request->file->key}",
        );
        event(new FillFinished($locked));
    }

    /** @return list<array{Paper, Blank}> what is required of the client and still empty */
    public static function left(FillRequest $request): array
    {
        $facts = FactBook::of($request->file);
        $left = [];
        foreach ($request->papers as $paper) {
            $form = $paper->form();
            $asked = FillRequest::asked($paper);
            foreach ($form === null ? [] : Filling::of($form, $paper->load('values')->entries(), $facts)->missing() as $blank) {
                in_array($blank->name, $asked, true) && ($left[] = [$paper, $blank]);
            }
        }

        return $left;
    }
}
