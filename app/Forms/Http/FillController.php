<?php

declare(strict_types=1);

namespace App\Forms\Http;

use App\Forms\Actions\AnswerFillRequest;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Papers\Actions\EntryMet;
use App\Papers\PageStore;
use App\Papers\PaperView;
use App\Terms\ChooseLanguage;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Unanimus\Forms\Filled;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Questions;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;

/** The client's pages of a fill request: no account, one link, question by question or on the page. */
final class FillController
{
    public function __construct(private readonly AnswerFillRequest $answer)
    {
    }

    public function show(Request $request, string $token): View
    {
        $fill = $this->fill($request);
        $all = $this->questions($fill);

        return view('forms.fill', [
            'fill' => $fill,
            'token' => $token,
            'questions' => $all,
            'next' => $this->next($all, 0, true) ?? 1,
            'answered' => count(array_filter($all, static fn (array $one) => $one['answered'])),
            'left' => AnswerFillRequest::left($fill),
        ]);
    }

    /** A person has moved, touched or typed on the page. */
    public function opened(Request $request): Response
    {
        $this->answer->opened($this->fill($request));

        return new Response('', 204);
    }

    public function question(Request $request, string $token, int $number): View
    {
        $fill = $this->fill($request);
        $all = $this->questions($fill);
        abort_if(! isset($all[$number - 1]), 404);

        return view('forms.question', [
            'fill' => $fill,
            'token' => $token,
            'number' => $number,
            'count' => count($all),
            'asked' => $all[$number - 1],
            'key' => strtolower((string) Str::ulid()),
        ]);
    }

    public function answerQuestion(Request $request, string $token, int $number): RedirectResponse
    {
        $fill = $this->fill($request);
        $all = $this->questions($fill);
        $asked = $all[$number - 1] ?? abort(404);
        $given = $request->validate([
            'key' => 'required|string|min:8|max:60|regex:/^[\w-]+$/',
            'value' => 'nullable|string|max:8000',
            'choice' => 'nullable|string|max:60',
            'seen' => 'nullable|string|max:8000',
            'go' => 'required|in:next,back,rest',
        ]);
        try {
            foreach (
                Questions::entries(
                    $asked['question'],
                    (string) ($given['choice'] ?? ''),
                    (string) ($given['value'] ?? ''),
                ) as $blank => $value
            ) {
                $this->answer->enter(
                    $fill,
                    $asked['paper'],
                    $blank,
                    $value,
                    "{$given['key']}:{$blank}",
                    count($asked['question']) === 1 && array_key_exists('seen', $given) ? (string) $given['seen'] : null,
                );
            }
        } catch (EntryMet $met) {
            return to_route('fill.questions.show', [$token, $number])
                ->withErrors(['value' => "{$met->getMessage()} To replace it with yours, send your answer again."])
                ->withInput();
        } catch (EntryUnreadable $unreadable) {
            return to_route('fill.questions.show', [$token, $number])
                ->withErrors(['value' => "{$unreadable->getMessage()} What you entered before is saved."])
                ->withInput();
        }
        $to = match ($given['go']) {
            'back' => max(1, $number - 1),
            'next' => $this->next($this->questions($this->reload($fill)), $number, false),
            default => null,
        };

        return redirect($to === null ? "/fill/{$token}" : "/fill/{$token}/questions/{$to}");
    }

    public function paper(Request $request, string $token, string $paperkey): View
    {
        $fill = $this->fill($request);
        $one = $this->paperOf($fill, $paperkey);

        return view('forms.fill-page', [
            'fill' => $fill,
            'token' => $token,
            'paper' => $one,
            'asked' => FillRequest::asked($one),
            'view' => PaperView::of($one),
        ]);
    }

    public function entry(Request $request, string $token, string $paperkey): JsonResponse
    {
        $fill = $this->fill($request);
        $one = $this->paperOf($fill, $paperkey);
        $given = $request->validate([
            'blank' => 'required|string|max:60',
            'value' => 'present|nullable|string|max:8000',
            'key' => 'required|string|min:8|max:60|regex:/^[\w:-]+$/',
            'seen' => 'nullable|string|max:8000',
        ]);
        try {
            $this->answer->enter(
                $fill,
                $one,
                $given['blank'],
                (string) $given['value'],
                $given['key'],
                array_key_exists('seen', $given) ? (string) $given['seen'] : null,
            );
        } catch (EntryMet $met) {
            return new JsonResponse(['message' => $met->getMessage(), 'theirs' => $met->theirs, 'who' => $met->who], 409);
        } catch (EntryUnreadable|StepRefused $refused) {
            return new JsonResponse(['message' => $refused->getMessage()], 422);
        }

        return new JsonResponse([...PaperView::of($one->load('values'), false)->changes($given['blank']), 'ask' => null]);
    }

    public function image(Request $request, string $token, string $paperkey, int $page): Response
    {
        $form = $this->paperOf($this->fill($request), $paperkey)->form() ?? abort(404);

        return PageStore::ofForm($form, $page);
    }

    /** The client chooses in which language they are asked; what they answered stays. */
    public function language(Request $request, string $token, ChooseLanguage $choose): RedirectResponse
    {
        $choose($this->fill($request), ChooseLanguage::asked($request));

        return to_route('fill', $token);
    }

    public function finish(Request $request, string $token): RedirectResponse
    {
        $fill = $this->fill($request);
        $this->answer->finish($fill);
        $signer = $fill->refresh()->toSign();
        if ($signer !== null) {
            return to_route('sign', $signer->token());
        }

        return to_route('fill', $token);
    }

    /** Someone whose link is dead asks for another. */
    public function another(Request $request, string $token): RedirectResponse
    {
        $fill = $this->fill($request);
        Post::ofFile(
            $fill->file,
            "fill-another:{$fill->key}:{$fill->link_version}:".now()->format('Ymd'),
            Addressee::user($fill->asker),
            Wording::of('fill_another', [
                'who' => $fill->name,
                'papers' => $fill->papers->pluck('title')->implode(', '),
                'file' => $fill->file->name,
            ]),
            "/files/{$fill->file->key}/fill-requests",
        );

        return to_route('fill', $token)->with('told', __('client.fill.another_told', ['name' => $fill->asker->name]));
    }

    /** @return list<array{paper: Paper, question: non-empty-list<Filled>, answered: bool, rests: bool}> */
    private function questions(FillRequest $fill): array
    {
        $facts = FactBook::of($fill->file);
        $all = [];
        foreach ($fill->papers as $paper) {
            $filling = Filling::of($paper->form() ?? abort(404), $paper->entries(), $facts);
            foreach (Questions::of($filling, FillRequest::asked($paper)) as $question) {
                $all[] = [
                    'paper' => $paper,
                    'question' => $question,
                    'answered' => Questions::isAnswered($question),
                    'rests' => Questions::rests($question, $filling),
                ];
            }
        }

        return $all;
    }

    /** @param  list<array{paper: Paper, question: non-empty-list<Filled>, answered: bool, rests: bool}>  $all */
    private function next(array $all, int $after, bool $open): ?int
    {
        foreach (array_slice($all, $after, null, true) as $index => $one) {
            if (! $one['rests'] && ! ($open && $one['answered'])) {
                return $index + 1;
            }
        }

        return null;
    }

    private function reload(FillRequest $fill): FillRequest
    {
        $fill->file->unsetRelation('knownFacts')->load('knownFacts');

        return $fill->load('papers.values');
    }

    private function paperOf(FillRequest $fill, string $key): Paper
    {
        $paper = $fill->papers->firstWhere('key', $key) ?? abort(404);

        return $paper->setRelation('file', $fill->file);
    }

    private function fill(Request $request): FillRequest
    {
        $fill = $request->attributes->get('fill');

        return $fill instanceof FillRequest ? $fill : abort(404);
    }
}
