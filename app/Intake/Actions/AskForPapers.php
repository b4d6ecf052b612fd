<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\PaperRequest;
use App\Models\User;
use App\Papers\Actions\CareForPaper;
use App\Terms\ClientDay;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Pages\SetRefusal;
use Unanimus\Parties\Language;
use Unanimus\Requirements\Stage;
use Unanimus\Steps\StepRefused;

/** Asks somebody for papers by a link, reminds them, and ends it. */
final class AskForPapers
{
    private const FARTHEST = 366;

    /**
     * @param list<Paper> $papers rows that wait for a paper
     * @param list<string> $others papers asked for by name that have no row yet; they get one
     *
     * @throws StepRefused when nobody is named, nothing is asked for, or the last day is past or too far
     */
    public function ask(
        DealFile $file,
        array $papers,
        array $others,
        string $name,
        string $email,
        LocalDate $lastDay,
        string $message,
        User $by,
        Language $language = Language::English,
    ): PaperRequest {
        $today = $file->office->today();
        $others = array_values(array_filter(array_map(trim(...), $others)));
        match (true) {
            trim($name) === '' => throw IntakeRefusal::NobodyAsked->because(),
            $papers === [] && $others === [] => throw IntakeRefusal::NothingAsked->because(),
            $lastDay->isBefore($today) => throw SetRefusal::LastDayPassed->because(day: $lastDay->short($today->year())),
            $today->plusDays(self::FARTHEST)->isBefore($lastDay) => throw SetRefusal::LastDayTooFar->because(),
            default => null,
        };
        DB::select('SELECT pg_advisory_xact_lock(2, ?)', [$file->id % 2147483647]);
        $known = $this->same($file, $papers, $others, $name, $email, $lastDay);
        if ($known !== null) {
            return $known;
        }
        $request = PaperRequest::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'side' => CareForPaper::ownSide($file),
            'name' => mb_substr(trim($name), 0, 120),
            'email' => trim($email),
            'message' => mb_substr(trim($message), 0, 2000),
            'language' => $language,
            'last_day' => $lastDay->iso(),
            'user_id' => $by->id,
        ]);
        foreach ([...$papers, ...array_map(fn (string $title) => $this->row($file, $title), $others)] as $paper) {
            $request->asked()->create(['brokerage_id' => $file->brokerage_id, 'paper_id' => $paper->id, 'title' => $paper->title]);
        }
        $request->setRelation('file', $file)->setRelation('asker', $by)->load('asked');
        $titles = $request->asked->pluck('title')->implode(', ');
        $told = ['to' => $request->name, 'papers' => $titles, 'until' => $lastDay->iso()];
        History::add($file->brokerage_id, $file->id, 'Papers asked for', $told, new SeenBy($request->side, false));
        $this->write($request, "bring:{$request->key}", 'bring');

        return $request;
    }

    /** @throws StepRefused when it is over, or everything has come */
    public function remind(PaperRequest $request): void
    {
        DB::table('paper_requests')->where('id', $request->id)->lockForUpdate()->value('id');
        $request->refresh()->load(['asked', 'file.office', 'asker']);
        $today = $request->file->office->today();
        match (true) {
            ! $request->isOpen() || ! $request->isWaiting() => throw IntakeRefusal::NothingToRemind->because(name: $request->name),
            $request->email === '' => throw IntakeRefusal::NoAddressToRemind->because(name: $request->name),
            default => null,
        };
        // Once a day, whoever presses and however often.
        if ($request->reminded_on?->iso() === $today->iso()) {
            return;
        }
        $request->update(['reminded_on' => $today->iso()]);
        $this->write($request, "bring:{$request->key}:{$today->iso()}", 'bring_again');
    }

    /** They looked at their page. */
    public function noteOpened(PaperRequest $request): void
    {
        $request->opened_at === null && $request->update(['opened_at' => now()]);
    }

    public function end(PaperRequest $request): void
    {
        // Pressed twice it ends once.
        if (PaperRequest::query()->whereKey($request->id)->whereNull('ended_at')->update(['ended_at' => now()]) === 0) {
            return;
        }
        $told = ['to' => $request->name];
        History::add($request->brokerage_id, $request->deal_file_id, 'Asking for papers ended', $told, new SeenBy($request->side, false));
    }

    /**
     * The same asked of the same person a moment ago: a button pressed twice.
     *
     * @param list<Paper> $papers
     * @param list<string> $others
     */
    private function same(DealFile $file, array $papers, array $others, string $name, string $email, LocalDate $lastDay): ?PaperRequest
    {
        $wanted = [...array_map(static fn (Paper $paper) => $paper->title, $papers), ...$others];
        $latest = PaperRequest::query()
            ->with(['asked', 'file.office'])
            ->where(['deal_file_id' => $file->id, 'name' => mb_substr(trim($name), 0, 120), 'email' => trim($email)])
            ->where('created_at', '>', now()->subMinutes(2))
            ->whereNull('ended_at')
            ->orderByDesc('id')
            ->first();
        $isSame = $latest !== null && $latest->last_day->iso() === $lastDay->iso() && $latest->asked->pluck('title')->all() === $wanted;

        return $isSame ? $latest : null;
    }

    /** A row that waits for a paper of that name. */
    private function row(DealFile $file, string $title): Paper
    {
        $stage = 'contract';

        return $file->papers()->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => mb_strimwidth($title, 0, 120, '…'),
            'stage' => $stage,
            'state' => 'expected',
            'position' => (int) array_search($stage, Stage::keys(), true) * 1000 + 1900,
            'reason' => 'asked for',
            'side' => CareForPaper::ownSide($file),
        ]);
    }

    private function write(PaperRequest $request, string $once, string $letter): void
    {
        if ($request->email === '') {
            return;
        }
        $open = $request->asked->filter(static fn ($one) => $one->brought === [])->pluck('title');
        Post::ofFile(
            $request->file,
            $once,
            new Addressee($request->name, $request->email),
            Wording::of(
                $letter,
                [
                    'sender' => $request->asker->name,
                    'file' => $request->file->name,
                    'papers' => $open->map(static fn (string $title) => "– {$title}")->implode("\n"),
                    'day' => ClientDay::long($request->last_day, $request->language),
                    'message' => $request->message,
                ],
                $open->count(),
                $request->language,
            ),
            "bring {$request->key}",
        );
    }
}
