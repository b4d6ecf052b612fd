<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Paper;
use App\Papers\Actions\CareForPaper;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Press;
use Unanimus\Pages\SetPart;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/**
 * Begins a change of a paper that is signed: its pages, with the signatures on them, stand beside it as a paper of their own, on which
 * words are struck or put in. It goes out for initials at the changes alone; signed, it is the next version of the paper.
 */
final class ChangeSigned
{
    public function __construct(
        private readonly Press $press,
        private readonly Bytes $bytes,
        private readonly CareForPaper $care,
    ) {
    }

    /** @throws StepRefused when it was not signed here */
    public function __invoke(Paper $signed): Paper
    {
        $signed->file->status->mustBeOpen();
        DB::table('papers')->where('id', $signed->id)->lockForUpdate()->value('id');
        $signed->refresh()->load('latest');
        $latest = $signed->latest;
        if ($signed->state !== PaperState::Signed || $latest === null || $latest->made_by !== MadeBy::Signed) {
            throw SigningRefusal::NotSignedHere->because(title: $signed->title);
        }
        $begun = Paper::query()->where('change_of', $signed->id)->whereIn('state', [PaperState::Ready, PaperState::Out])->first();
        if ($begun !== null) {
            return $begun;
        }
        $only = range($latest->first_page, $latest->first_page + $latest->pages - 1);
        $part = new SetPart($signed->title, $this->bytes->path($latest->sha256), $latest->pages, $only);
        $pages = $this->press->assemble([$part], null, $signed->title);
        $number = 1 + Paper::query()->where('change_of', $signed->id)->count();
        $change = $signed->file->papers()->create([
            'brokerage_id' => $signed->brokerage_id,
            'title' => mb_strimwidth($signed->title, 0, 100, '…').", change {$number}",
            'stage' => $signed->stage,
            'state' => PaperState::Ready,
            'position' => $signed->position,
            'reason' => "change of {$signed->title}",
            'side' => $signed->side,
            'change_of' => $signed->id,
        ]);
        $change->addVersion(
            $this->bytes->keep($signed->brokerage_id, $pages),
            $latest->pages,
            MadeBy::Uploaded,
            "signed pages of {$signed->title}",
            (int) Auth::id() ?: null,
        );
        History::add(
            $signed->brokerage_id,
            $signed->deal_file_id,
            'Change begun',
            ['paper' => $signed->title, 'change' => $change->title],
            new SeenBy($signed->side, $signed->staff_only),
        );

        return $change;
    }

    /**
     * What everybody has initialled is the next version of the paper; the ones before stay under it. Where another one came over the
     * paper meanwhile, the change stays a paper of its own: it is not a change of that one.
     *
     * @param bool $wakes whether it is to be submitted again; the broker's own signature is no reason for that
     */
    public function settle(Paper $change, string $sha256, int $pages, string $round, bool $wakes = true): void
    {
        $signed = Paper::query()->lockForUpdate()->find($change->change_of);
        $begun = (int) $change->versions()->min('id');
        if ($signed === null || $signed->state !== PaperState::Signed || $signed->versions()->where('id', '>', $begun)->exists()) {
            return;
        }
        $signed->addVersion($sha256, $pages, MadeBy::Signed, "{$change->title}, round {$round}");
        $wakes && $this->care->wake($signed);
        $change->moveTo(PaperState::Void, ['reason' => "now the newest version of {$signed->title}"]);
        History::add(
            $signed->brokerage_id,
            $signed->deal_file_id,
            'Change signed',
            ['paper' => $signed->title, 'change' => $change->title],
            new SeenBy($signed->side, $signed->staff_only),
        );
    }
}
