<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Messages\Actions\SendMessage;
use App\Messages\Actions\WriteMessage;
use App\Messages\Conversation;
use App\Messages\Http\Requests\KeepMessageRequest;
use App\Messages\MessageFacts;
use App\Models\DealFile;
use App\Models\FormLetter;
use App\Models\InboundItem;
use App\Models\Message;
use App\Models\Party;
use App\Models\ShelfItem;
use App\Models\User;
use App\Shelf\Actions\KeepShelf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Messages\MergedText;
use Unanimus\Messages\MergeFields;
use Unanimus\Messages\MessagePlan;
use Unanimus\Messages\Recipient;

/** The conversation of a file: read, written, answered. */
final class MessageController
{
    public function index(Request $request, DealFile $file): View
    {
        Gate::authorize('see', $file);
        $words = mb_substr((string) $request->query('q', ''), 0, 80);
        $user = User::signedIn($request);
        $conversation = Conversation::of($file->load(['office', 'parties']), $user, $words);
        $subjects = array_map(fn (Message $draft) => $this->filled($file, $draft, $user)['filledSubject']->shown(), $conversation->drafts);

        return view('messages.index', [
            'file' => $file,
            'conversation' => $conversation,
            'subjects' => $subjects,
            'letters' => FormLetter::inUse($user),
            'q' => $words,
        ]);
    }

    /** How many letters one has not read, for the file's own page: asked once it stands. */
    public function unread(Request $request, DealFile $file): Response
    {
        Gate::authorize('see', $file);
        $count = Conversation::unread($file->load('members'), User::signedIn($request));

        return new Response($count === 0 ? '' : "<span class=\"tag-chip\">{$count} new</span>");
    }

    public function store(Request $request, DealFile $file, WriteMessage $write): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'to' => 'nullable|string|max:40',
            'letter' => 'nullable|string|size:26',
            'answers' => 'nullable|string|size:26',
        ]);
        $user = User::signedIn($request);
        $file->load(['office', 'parties']);
        if (($given['answers'] ?? '') !== '') {
            $item = InboundItem::query()->where(['key' => $given['answers'], 'filed_into' => $file->id])->firstOrFail();
            abort_unless($file->isOwnAffair($item->filed_side), 404);

            return to_route('messages.show', [$file, $write->answer($file, $item, $user)]);
        }
        $to = array_filter(self::people($file), static fn (Recipient $one) => $one->seat === ($given['to'] ?? ''));
        $letter = ($given['letter'] ?? '') === '' ? null : FormLetter::inUse($user)->firstWhere('key', $given['letter']);

        return to_route('messages.show', [$file, $write->begin($file, $user, array_values($to), $letter)]);
    }

    public function note(Request $request, DealFile $file, WriteMessage $write): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['note' => 'nullable|string|max:8000']);
        $write->note($file, User::signedIn($request), (string) ($given['note'] ?? ''));

        return to_route('messages', $file)->with('told', 'Your note was saved.');
    }

    public function show(Request $request, DealFile $file, Message $message, WriteMessage $write): View
    {
        Gate::authorize('see', $file);
        self::mustBeOf($message, $file);
        $user = User::signedIn($request);
        if ($message->isDraft()) {
            abort_unless($message->user_id === $user->id, 404);
            $write->open($message);

            return $this->desk($file, $message, $user);
        }
        Conversation::look($file, $user, "message:{$message->id}");

        return view('messages.show', [
            'file' => $file->load('office'),
            'message' => $message->load(['writer', 'letters', 'answered']),
            'readBy' => Conversation::readers($file, "message:{$message->id}"),
        ]);
    }

    public function update(KeepMessageRequest $request, DealFile $file, Message $message, WriteMessage $write,
        KeepShelf $shelf): View|Response|RedirectResponse
    {
        Gate::authorize('work-on', $file);
        self::mustBeOf($message, $file);
        $user = User::signedIn($request);
        abort_unless($message->user_id === $user->id, 404);
        $write->keep($message, $request->typed(self::people($file)), (string) $request->validated('window'));
        $letter = $request->letter();
        $item = $request->shelf($user);
        $letter === null || $write->take($message, $letter, $user);
        $item === null || $write->enclose($message, $shelf->take($item, $file));
        if ($letter !== null || $item !== null) {
            // The page is built anew around it.
            return $request->header('HX-Request') === null
                ? to_route('messages.show', [$file, $message])
                : new Response('', 204, ['HX-Redirect' => route('messages.show', [$file, $message])]);
        }
        if ($request->header('HX-Request') !== null) {
            return view('messages.preview', ['message' => $message, ...$this->filled($file, $message, $user)]);
        }

        return to_route('messages.show', [$file, $message]);
    }

    public function send(KeepMessageRequest $request, DealFile $file, Message $message, WriteMessage $write,
        SendMessage $send): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        self::mustBeOf($message, $file);
        $user = User::signedIn($request);
        abort_unless($message->user_id === $user->id, 404);
        // What stands on the page goes, also where its last letters were not kept yet.
        $message->isDraft() && $request->has('body') && $write->keep($message, $request->typed(self::people($file)), (string) $request
            ->validated('window'));
        $at = $request->at($file->office);
        $send($message, $user, $at);

        return to_route('messages', $file)->with('told',
            $at === null ? 'Your message is on its way.' : 'Your message goes out at that time.');
    }

    public function stop(Request $request, DealFile $file, Message $message, SendMessage $send): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        self::mustBeOf($message, $file);
        abort_unless($message->user_id === User::signedIn($request)->id, 404);
        $send->stop($message);

        return to_route('messages.show', [$file, $message])->with('told', 'It was not sent. It is a draft again.');
    }

    public function destroy(Request $request, DealFile $file, Message $message, WriteMessage $write): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        self::mustBeOf($message, $file);
        abort_unless($message->user_id === User::signedIn($request)->id, 404);
        $write->drop($message);

        return to_route('messages', $file)->with('told', 'The draft was deleted.');
    }

    private function desk(DealFile $file, Message $message, User $user): View
    {
        $file->load(['office', 'parties', 'papers.latest']);

        return view('messages.write', [
            'file' => $file,
            'message' => $message,
            'people' => self::people($file),
            'letters' => FormLetter::inUse($user),
            'shelf' => ShelfItem::forFiles($user),
            'fields' => MergeFields::all(),
            'papers' => $file->papers->filter(static fn ($paper) => $paper->isDraft() || $paper->latest !== null)->values(),
            ...$this->filled($file, $message, $user),
        ]);
    }

    /** @return array{filledSubject: MergedText, filledBody: MergedText} the letter as the first of its readers gets it */
    private function filled(DealFile $file, Message $message, User $user): array
    {
        $to = $message->to();
        $about = $to === [] ? [] : MessagePlan::about($message->apart ? [$to[0]] : $to);
        $own = [...MessageFacts::sender($file, $user), ...$about];
        $facts = MessageFacts::of($file);

        return [
            'filledSubject' => MergeFields::fill($message->subject, $facts, $own),
            'filledBody' => MergeFields::fill($message->body, $facts, $own),
        ];
    }

    /** @return list<Recipient> people of the file, each on their seat */
    public static function people(DealFile $file): array
    {
        return array_values($file->parties
            ->map(static fn (Party $party) => new Recipient($party->name, (string) $party->email, (string) $party->seat()))
            ->all());
    }

    private static function mustBeOf(Message $message, DealFile $file): void
    {
        abort_unless($message->deal_file_id === $file->id && $file->isOwnAffair($message->side), 404);
    }
}
