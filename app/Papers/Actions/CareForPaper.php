<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\Role;
use App\Models\User;
use App\Papers\Jobs\ReadUpload;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Library;
use Unanimus\Forms\PaperReading;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Brought;
use Unanimus\Intake\Converter;
use Unanimus\Intake\StackPart;
use Unanimus\Parties\Side;
use Unanimus\Requirements\Stage;
use Unanimus\Steps\StepRefused;

/** What happens to a paper besides filling and signing: its name and stage, a newer version, its end, a copy elsewhere. */
final class CareForPaper
{
    public function __construct(
        private readonly Converter $converter,
        private readonly Bytes $bytes,
        private readonly Library $library,
        private readonly BringIn $bringIn,
    ) {
    }

    /** @throws StepRefused when the name is empty or the stage none */
    public function name(Paper $paper, string $title, string $stage): void
    {
        $title = mb_strimwidth(trim((string) preg_replace('/\s+/u', ' ', $title)), 0, 120, '…');
        if ($title === '' || ! in_array($stage, Stage::keys(), true)) {
            throw PaperRefusal::NoName->because();
        }
        if ($title === $paper->title && $stage === $paper->stage) {
            return;
        }
        $before = "{$paper->title}, {$paper->stage}";
        $place = $stage === $paper->stage ? $paper->position : ((int) array_search($stage, Stage::keys(), true) + 1) * 1000 + 900;
        $paper->update(['title' => $title, 'stage' => $stage, 'position' => $place]);
        $paper->requirement()->update(['title' => $title, 'stage' => $stage, 'position' => $place]);
        $this->tell($paper, 'Paper renamed', ['before' => $before, 'after' => "{$title}, {$stage}"]);
    }

    /**
     * Puts a newer version over a paper; the earlier ones stay. Over a form of ours it is the copy that was signed on paper.
     *
     * @return list<string> what had to be done to the file, in words
     *
     * @throws BringRefused when the file cannot be taken
     * @throws StepRefused when the paper is out for signature or void
     */
    public function replace(Paper $paper, string $path, string $name): array
    {
        $paper->state->mustBeInHand($paper->title);
        $brought = $this->converter->toPdf($path);
        [$read, $again] = $this->over($paper, $brought, $name);
        $parts = array_map(static fn (StackPart $part) => $part->readable(), $this->bringIn->stack($brought));

        return [
            ...$brought->notes,
            ...$read->lacks,
            ...$again ? ['The broker saw the earlier version: submit this one again.'] : [],
            ...$parts === [] ? [] : ['It seems to hold several papers: '.implode(', ', $parts).'. Upload the others at their own rows.'],
        ];
    }

    /**
     * Lays what came over a paper as its newer version.
     *
     * @throws StepRefused when it is out or void
     */
    public function lay(Paper $paper, Brought $brought, string $name): Paper
    {
        $paper->state->mustBeInHand($paper->title);
        $this->over($paper, $brought, $name);

        return $paper;
    }

    /** @return array{PaperReading, bool} what its pages say, and whether it has to be submitted again */
    private function over(Paper $paper, Brought $brought, string $name): array
    {
        $sha256 = $this->bytes->keep($paper->brokerage_id, $brought->pdf);
        $version = $paper->addVersion(
            $sha256,
            $brought->pages,
            MadeBy::Uploaded,
            $paper->form_number === null ? $name : "signed on paper: {$name}",
            (int) Auth::id() ?: null,
            1,
            $read = PaperReading::of($this->bytes->path($sha256), $this->library, $paper->file->office->today()),
            $brought->original === null ? null : $this->bytes->keep($paper->brokerage_id, $brought->original),
            $brought->isFromPhoto(),
        );
        $paper->moveTo($paper->form_number === null ? PaperState::Ready : PaperState::Signed);
        $this->tell($paper, $paper->form_number === null ? 'Newer version brought in' : 'Signed on paper', [
            'file' => $name,
            'pages' => $brought->pages,
            'sha256' => $sha256,
        ]);

        ReadUpload::begin($paper->brokerage_id, $version->id);

        return [$read, $this->wake($paper)];
    }

    /** Takes back that it was submitted or accepted: nobody has looked at this version. */
    public function wake(Paper $paper): bool
    {
        $requirement = $paper->requirement()->lockForUpdate()->first();
        if ($requirement === null || $requirement->review_state === $requirement->review_state->changed()) {
            return false;
        }
        $was = $requirement->review_state->label();
        $requirement->update(['review_state' => $requirement->review_state->changed()]);
        $this->tell($paper, 'To be submitted again', ['was' => mb_strtolower($was)]);
        $requirement->file->countSettled();

        return true;
    }

    /** @throws StepRefused when there is no reason, or the paper is out for signature or called for and still a draft */
    public function void(Paper $paper, string $reason): void
    {
        $paper->state->mustBeInHand($paper->title);
        $reason = mb_substr(trim($reason), 0, 300);
        if ($reason === '') {
            throw PaperRefusal::NoReason->because();
        }
        if ($paper->called_by === 'rule' && in_array($paper->state, [PaperState::Draft, PaperState::Expected], true)) {
            throw PaperRefusal::CalledFor->because(title: $paper->title, reason: $paper->reason);
        }
        $paper->moveTo(PaperState::Void, ['reason' => "void: {$reason}"]);
        $this->tell($paper, 'Paper void', ['why' => $reason]);
    }

    /**
     * A copy in another file: a draft with its own entries, anything else with its latest version. Where both sides are in
     * that file, it is the copying one's own.
     *
     * @throws StepRefused when there is nothing to copy yet, or the other file has ended
     */
    public function copy(Paper $paper, DealFile $to, User $by): Paper
    {
        if (! $to->status->isOpen()) {
            throw FileRefusal::OtherHasEnded->because(name: $to->name);
        }
        $paper->file->practice === $to->practice || throw FileRefusal::PracticeStays->because();
        $version = $paper->latest;
        if (! $paper->isDraft() && $version === null) {
            throw PaperRefusal::NothingToCopy->because(title: $paper->title);
        }
        $place = ((int) array_search($paper->stage, Stage::keys(), true) + 1) * 1000 + 950;
        $draft = $paper->isDraft();
        $copy = $to
            ->papers()
            ->create([
                'brokerage_id' => $to->brokerage_id,
                'title' => $paper->title,
                'form_number' => $draft ? $paper->form_number : null,
                'form_revision' => $draft ? $paper->form_revision : null,
                'stage' => $paper->stage,
                'state' => $draft ? PaperState::Draft : PaperState::Ready,
                'position' => $place,
                'reason' => "copied from {$paper->file->name}",
                'side' => $to->represents->isBoth() ? $paper->side ?? $to->sideOf($by) : null,
            ]);
        foreach ($draft ? $paper->entries() : [] as $blank => $value) {
            $copy->keepEntry((string) $blank, $value, "copy:{$paper->key}:{$blank}", (int) Auth::id() ?: null);
        }
        if (! $draft && $version !== null) {
            $copy->addVersion(
                $version->sha256,
                $version->pages,
                $version->made_by === MadeBy::Signed ? MadeBy::Signed : MadeBy::Uploaded,
                "copied from {$paper->file->name}",
                (int) Auth::id() ?: null,
                $version->first_page,
                $version->read(),
            );
        }
        PaperPiece::copyOver($paper, $copy);
        $this->tell($paper, 'Paper copied', ['to' => $to->name]);
        $this->tell($copy->setRelation('file', $to), 'Paper copied here', ['from' => $paper->file->name]);

        return $copy;
    }

    /** Whose a paper is that someone takes or brings into a file of both sides: their own side's, until they show the other. */
    public static function ownSide(DealFile $file): ?Side
    {
        $user = Auth::user();

        return $file->represents->isBoth() && $user instanceof User ? $file->loadMissing('members')->sideOf($user) : null;
    }

    /** Whether someone decides for the office alone about a paper of that file: those who answer for it, and its coordinator. */
    public static function isStaff(User $user, DealFile $file): bool
    {
        return in_array($file->office_id, $user->officesInSight(), true) ||
            $file->members->contains(static fn ($member) => $member->user_id === $user->id && $member->role === Role::Coordinator);
    }

    /**
     * Says who sees a paper.
     *
     * @throws StepRefused when it is not theirs to say, or the paper is out for signature or void
     */
    public function show(Paper $paper, SeenBy $wanted, User $by): void
    {
        $file = $paper->file;
        $before = $paper->seenBy();
        $after = $before->to($wanted, SeenBy::sides($file->kind, $file->represents), $file->sideOf($by), self::isStaff($by, $file));
        $paper->state->mustBeInHand($paper->title);
        if ($after->is($before)) {
            return;
        }
        $paper->update(['side' => $after->side, 'staff_only' => $after->staffOnly]);
        $paper->requirement()->update(['side' => $after->side, 'staff_only' => $after->staffOnly]);
        $this->tell($paper, 'Who sees a paper', ['before' => $before->readable(), 'after' => $after->readable()]);
    }

    /** @param  array<string, string|int>  $data */
    private function tell(Paper $paper, string $what, array $data): void
    {
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            $what,
            ['paper' => $paper->title, ...$data],
            new SeenBy($paper->side, $paper->staff_only),
        );
        SearchRow::keep($paper->file->load(['knownFacts', 'parties', 'papers']));
    }
}
