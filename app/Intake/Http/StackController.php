<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Files\CalledFile;
use App\Intake\Actions\FileStack;
use App\Intake\Actions\LayOut;
use App\Intake\Actions\SortStack;
use App\Intake\StackPlan;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Stack;
use App\Models\Upload;
use App\Models\User;
use App\Papers\PageStore;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Steps\StepRefused;

/** The sorting table. */
final class StackController
{
    public function fromUpload(Request $request, DealFile $file, string $key, LayOut $lay): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $upload = Upload::query()->with('paper')->where('deal_file_id', $file->id)->where('key', $key)->firstOrFail();

        return to_route('stacks.show', $lay->upload($upload, User::signedIn($request)));
    }

    public function fromPaper(Request $request, Paper $paper, LayOut $lay): RedirectResponse
    {
        Gate::authorize('work-on', $paper->file);

        return to_route('stacks.show', $lay->paper($paper->load('latest'), User::signedIn($request)));
    }

    /** What came with one email or several, on one table. */
    public function fromMail(Request $request, LayOut $lay): RedirectResponse
    {
        Gate::authorize('inbox');
        $keys = $request->validate(
            ['items' => 'required|array|max:100', 'items.*' => 'string|max:26'],
            ['items.required' => 'Select at least one email first.'],
        )['items'];
        $items = InboundItem::query()->whereIn('key', $keys)->orderBy('id')->get();
        abort_if($items->isEmpty(), 404);
        $items->each(static fn (InboundItem $item) => Gate::authorize('sort-item', $item));

        return to_route('stacks.show', $lay->mail($items, User::signedIn($request)));
    }

    public function show(Stack $stack): View
    {
        $this->authorize($stack);

        return view('intake.stack', [
            'plan' => StackPlan::of($stack),
            'files' => DealFile::query()->whereIn('status', DealStatus::open())->orderByDesc('id')->limit(80)->pluck('name'),
        ]);
    }

    /** How the pages lie now: asked again while they are being read. */
    public function table(Stack $stack): View
    {
        $this->authorize($stack);

        return view('intake.table', ['plan' => StackPlan::of($stack)]);
    }

    /** A step of sorting; the answer is the table after it. */
    public function sort(Request $request, Stack $stack, SortStack $sort): Response
    {
        $this->authorize($stack);
        $given = $request->validate([
            'seen' => 'required|integer|min:0',
            'do' => 'required|in:cut,join,move,turn,straighten,aside,back,name,row,file,take,leave,take-sure,undo,redo',
            'pages' => 'nullable|array|max:2000',
            'pages.*' => 'string|max:12',
            'to' => 'nullable|string|max:40',
            'degrees' => 'nullable|integer|in:-90,90,180,270',
            'value' => 'nullable|string|max:200',
        ]);
        $told = '';
        try {
            if ($given['do'] === 'file') {
                $given['value'] = $this->fileOf((string) ($given['value'] ?? ''))->key ?? '';
            }
            $sort($stack, User::signedIn($request), (int) $given['seen'], $given);
        } catch (StepRefused $refused) {
            $told = $refused->getMessage();
        }
        $stack->refresh();

        return new Response(
            view('intake.table', ['plan' => StackPlan::of($stack), 'refused' => $told])->render(),
            $told === '' ? 200 : 409,
        );
    }

    public function file(Request $request, Stack $stack, FileStack $file): RedirectResponse
    {
        $this->authorize($stack);
        $given = $request->validate(['seen' => 'required|integer|min:0']);
        // Pressed twice, or gone back to: what was filed is shown, nothing is filed again.
        if ($stack->settled_at === null) {
            $plan = StackPlan::of($stack);
            foreach ($plan->table->parts as $part) {
                $to = $plan->file($part);
                $to === null || Gate::allows('work-on', $to) || throw FileRefusal::NotAFileOfYours->because();
            }
            $file($stack, User::signedIn($request), (int) $given['seen'], $request->boolean('take_away'));
        }
        $titles = array_column($stack->refresh()->filed, 'title');
        $to = DealFile::query()->where('key', $stack->filed[0]['file'] ?? '')->first() ?? throw IntakeRefusal::TableSettled->because();

        return to_route('files.show', $to)->with('told', 'Filed: '.implode(', ', $titles).'.');
    }

    /** A page as it came; how it is turned is the table's. */
    public function page(Stack $stack, int $place, int $page, Bytes $bytes): Response
    {
        $this->authorize($stack);
        $source = $stack->sources[$place - 1] ?? abort(404);
        abort_if($page < 1 || $page > $source['pages'], 404);

        return PageStore::small($bytes->path($source['sha256']), $source['sha256'], $source['first'] + $page - 1);
    }

    /** A page large enough to be read. */
    public function large(Stack $stack, int $place, int $page, Bytes $bytes): Response
    {
        $this->authorize($stack);
        $source = $stack->sources[$place - 1] ?? abort(404);
        abort_if($page < 1 || $page > $source['pages'], 404);

        return PageStore::send($bytes->path($source['sha256']), $source['sha256'], $source['first'] + $page - 1);
    }

    private function authorize(Stack $stack): void
    {
        if ($stack->file !== null) {
            Gate::authorize('work-on', $stack->file);

            return;
        }
        $items = InboundItem::query()->whereIn('id', $stack->items)->get();
        // Of several letters one sees all, or nothing of what was laid out of them.
        abort_if($items->isEmpty() || $items->count() !== count($stack->items), 403);
        $items->each(static fn (InboundItem $item) => Gate::authorize('sort-item', $item));
    }

    private function fileOf(string $typed): ?DealFile
    {
        if (trim($typed) === '') {
            return null;
        }

        return CalledFile::find($typed);
    }
}
