<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Mail\LettersOnHold;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\Round;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Models\User;
use App\Papers\PageStore;
use App\Papers\PdfAnswer;
use App\Papers\SelectedPapers;
use App\Signing\Actions\AskToLook;
use App\Signing\Actions\ChangeRound;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\RecordEvent;
use App\Signing\Actions\Rehearse;
use App\Signing\Actions\RemindSigner;
use App\Signing\Actions\RevealEntry;
use App\Signing\Actions\SendLater;
use App\Signing\Actions\SendRound;
use App\Signing\Actions\TakeDeskStep;
use App\Signing\Http\Requests\ChangeRoundRequest;
use App\Signing\Jobs\SealRound;
use App\Signing\PenScan;
use App\Signing\RoundDesk;
use App\Signing\RoundView;
use App\Storage\Bytes;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\Part;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SigningRefusal;

/** Rounds, for those who send and watch them. */
final class RoundController
{
    public function store(Request $request, DealFile $file, ComposeRound $compose): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['papers' => 'required|array|max:60', 'papers.*' => 'string|max:26'],
            ['papers.required' => 'Select at least one paper first.'],
        );
        $user = $request->user();
        $round = $compose($file, SelectedPapers::from($file, $given['papers']), $user instanceof User ? $user : abort(403));

        return to_route('rounds.show', $round);
    }

    public function show(Round $round): View
    {
        RoundView::load($round);
        Gate::authorize('see', $round->file);

        $facts = FactBook::of($round->file);
        $view = RoundView::of($round, $facts);
        $isDraft = $round->status === RoundStatus::Drafting;

        return view('signing.round', [
            'own' => self::own($round),
            'round' => $round,
            'file' => $round->file,
            'view' => $view,
            'desk' => $isDraft ? RoundDesk::of($round, User::signedIn(request())) : [],
            'faults' => $isDraft && ! $view->isLong() ? ComposeRound::faults($round, $facts) : [],
            'unchecked' => $isDraft ? ComposeRound::unchecked($round) : [],
        ]);
    }

    /** What stands on the pages of a draft that its page came without, and what is wrong with it: it is opened before that is known. */
    public function drawn(Round $round): JsonResponse
    {
        Gate::authorize('see', $round->loadMissing('file.members')->file);
        abort_if($round->status !== RoundStatus::Drafting, 404);

        RoundView::load($round);

        return new JsonResponse([
            'pages' => (object) RoundView::rest($round),
            'faults' => view('signing.faults', ['round' => $round, 'faults' => ComposeRound::faults($round)])->render(),
        ]);
    }

    /** The part of whoever looks, where it is their turn to sign: they go on from here. */
    private static function own(Round $round): ?Signer
    {
        $mine = $round->file->parties->where('user_id', Auth::id())->pluck('id')->all();

        return Auth::id() === null || $round->status !== RoundStatus::Out
            ? null
            : $round->signers->first(
                static fn (Signer $signer) => $signer->status->isAsked() && in_array($signer->party_id, $mine, true),
            );
    }

    /** Tries again to seal, or to send its emails, because a person asks for it. */
    public function tryAgain(Round $round): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $letters = LettersOnHold::of($round);
        $letters?->tryAgain();
        if ($round->status === RoundStatus::Complete && $round->sealedSet === null) {
            SealRound::again($round->brokerage_id, $round->id);
        } elseif ($letters === null) {
            throw SigningRefusal::NothingToSeal->because();
        }

        return to_route('rounds.show', $round)->with('told', 'Trying again now.');
    }

    /** How it stands, for a page that watches. */
    public function standing(Round $round): Response
    {
        $round->load(['file.office', 'file.members', 'papers', 'signers.party', 'marks', 'events', 'sealedSet', 'sender']);
        Gate::authorize('see', $round->file);

        $isBeingSealed = $round->status === RoundStatus::Complete && $round->sealedSet === null && ! $round->rehearsal;
        $watches = $round->status === RoundStatus::Out || $isBeingSealed;

        // Once it is over there is more to see than who has signed: the page is loaded as a whole.
        return response()
            ->view('signing.standing', ['round' => $round, 'file' => $round->file])
            ->withHeaders($watches ? [] : ['HX-Refresh' => 'true']);
    }

    public function update(
        ChangeRoundRequest $request,
        Round $round,
        ChangeRound $change,
        TakeDeskStep $steps,
        SendRound $send,
        SendLater $later,
    ): RedirectResponse|Response {
        $office = $round->file->office;
        $steps->take($round, TakeDeskStep::word(), User::signedIn($request), static fn () => $change($round, $request->change($round)));
        if ($request->expectsJson()) {
            return new Response('', 204);
        }
        if ($request->boolean('send')) {
            return $this->send($round->refresh(), $send);
        }
        if ($request->validated('do') === 'later') {
            $later->set($round->refresh(), $request->sendAt($office));

            return to_route('rounds.show', $round)->with('told', 'It will go out by itself. You can still change it until then.');
        }
        $request->validated('do') === 'stop' && $later->stop($round->refresh());

        return to_route('rounds.show', $round)->with('told', 'Saved.');
    }

    public function send(Round $round, SendRound $send): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $send($round);

        return to_route('rounds.show', $round)->with(
            'told',
            $round->file->practice
                ? 'Sent, for practice. Sign as each of them below.'
                : 'Sent for signature. The first signers have an email.',
        );
    }

    /** Someone of the file reads or approves before the others sign. */
    public function askToLook(Request $request, Round $round, AskToLook $ask): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['seat' => 'required|string|max:20', 'part' => 'required|in:reads,approves']);
        $party = $round->file->parties->first(static fn (Party $one) => (string) $one->seat() === $given['seat']) ?? abort(404);
        $ask($round, $party, Part::from($given['part']));

        return to_route('rounds.show', $round)->with('told', "{$party->name} comes first now.");
    }

    /** The same with all letters to oneself, before it goes out. */
    public function rehearse(Request $request, Round $round, Rehearse $rehearse): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $rehearsal = $rehearse($round, User::signedIn($request));

        return to_route('rounds.show', $rehearsal)->with('told', 'This is a rehearsal. All its emails are on their way to you.');
    }

    /** What a signer entered for whoever sent the round, and their broker, to read: on a page of its own, kept in no session. */
    public function reveal(Round $round, string $key, RevealEntry $reveal): View
    {
        Gate::authorize('see', $round->file);
        Gate::authorize('read-private', $round);
        $mark = $round->load(['events', 'signers', 'marks', 'file.office'])->marks->firstWhere('key', $key);
        abort_unless($mark instanceof SigningMark && $mark->terms()->isPrivate, 404);

        return view('signing.private', [
            'round' => $round,
            'what' => $mark->terms()->hint ?: 'Private entry',
            'value' => $reveal($round, $mark),
            'who' => $round->signers->firstWhere('seat', $mark->seat)->name ?? $mark->seatOf()->label(),
        ]);
    }

    public function discard(Round $round, ChangeRound $change): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $change->discard($round);

        return to_route('files.show', $round->file)->with('told', 'Draft discarded. Its documents are as they were.');
    }

    public function recall(Request $request, Round $round, RecordEvent $record): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['reason' => 'nullable|string|max:500']);
        $record($round, new RoundEvent(EventKind::Recalled, null, ['reason' => (string) ($given['reason'] ?? '')]), 'recalled');

        return to_route('rounds.show', $round)->with('told', 'Recalled. The papers are drafts again.');
    }

    public function remind(Round $round, Signer $signer, RemindSigner $remind): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $told = $remind($round, $signer) ? "Reminder sent to {$signer->name}." : "{$signer->name} was reminded a few minutes ago.";

        return to_route('rounds.show', $round)->with('told', $told);
    }

    /** Everyone whose turn it is. */
    public function remindAll(Round $round, RemindSigner $remind): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $asked = $round->signers->filter(static fn (Signer $signer) => $signer->status->isAsked());
        $asked->isNotEmpty() || throw SigningRefusal::NobodyAsked->because();
        $names = $asked->filter(static fn (Signer $signer) => $remind($round, $signer))->pluck('name');

        return to_route('rounds.show', $round)->with(
            'told',
            $names->isEmpty() ? 'They were all reminded a few minutes ago.' : 'Reminder sent to '.$names->join(', ', ' and ').'.',
        );
    }

    public function image(Round $round, int $position, int $page, Bytes $bytes): Response
    {
        Gate::authorize('see', $round->file);
        $sent = $round->papers->firstWhere('position', $position);
        abort_if($sent === null || $sent->sha256 === null || $page < 1 || $page > $sent->pages, 404);

        $scan = PenScan::of($round);
        $sha256 = $scan->sha256 ?? $sent->sha256;

        return PageStore::send($bytes->path($sha256), $sha256, $scan?->page($sent, $page) ?? $page);
    }

    public function set(Round $round, Bytes $bytes): Response
    {
        Gate::authorize('see', $round->file);
        $set = $round->sealedSet ?? throw SigningRefusal::NotSealedYet->because();

        return PdfAnswer::of($bytes->read($set->sha256), "Signed {$round->title}");
    }
}
