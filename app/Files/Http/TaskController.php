<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\KeepTasks;
use App\Files\Http\Requests\AddTaskRequest;
use App\Files\NewTask;
use App\Files\TaskFilter;
use App\Files\TaskList;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\Task;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\FileRefusal;
use Unanimus\Parties\DealKind;

/** Tasks: the list over all files, and those of one. */
final class TaskController
{
    public function index(Request $request): View
    {
        $user = User::signedIn($request);
        $who = (string) $request->query('who', 'me');
        $when = $request->query('when');
        $filter = new TaskFilter(
            $who === 'all' || $who === 'none' || ctype_digit($who) ? $who : 'me',
            is_string($when) ? $when : '',
            $request->boolean('done'),
            $request->integer('office') ?: null,
            DealKind::tryFrom((string) $request->query('kind'))->value ?? '',
        );

        return view('files.tasks', [
            'list' => TaskList::of($user, $filter),
            'filter' => $filter,
            'offices' => Office::query()->orderBy('name')->get(),
            'people' => User::colleagues()->where('active', true)->orderBy('name')->get(),
        ]);
    }

    public function store(AddTaskRequest $request, DealFile $file, KeepTasks $tasks): RedirectResponse
    {
        $given = $request->validated();
        $who = ($given['who'] ?? '') === '' ? null : User::colleagues()->where('key', $given['who'])->where('active', true)->first();
        $tasks->add(
            $file,
            new NewTask(
                $given['title'],
                (string) ($given['day'] ?? ''),
                (string) ($given['anchor'] ?? ''),
                (int) ($given['days'] ?? 0),
                (bool) ($given['business'] ?? false),
                $who,
            ),
            User::signedIn($request),
        );

        return redirect("/files/{$file->key}?tasks=1")->with('told', 'Task added.');
    }

    /** Several at once, from the list; those of files one does not work on are refused as a whole. */
    public function mark(Request $request, KeepTasks $tasks): RedirectResponse
    {
        $given = $request->validate(
            [
                'tasks' => 'required|array|max:500',
                'tasks.*' => 'string|size:26',
                'do' => 'required|in:done,open,give,drop',
                'to' => 'nullable|string|max:26',
            ],
            ['tasks.required' => 'Select at least one task first.'],
        );
        $found = Task::query()
            ->with(['file.members', 'file.office'])
            ->whereIn('key', array_unique($given['tasks']))
            // Two people who take the same tasks take them in the same order.
            ->orderBy('deal_file_id')
            ->orderBy('id')
            ->get();
        if ($found->count() !== count(array_unique($given['tasks']))) {
            throw FileRefusal::TaskGone->because();
        }
        foreach ($found as $task) {
            Gate::authorize('work-on', $task->file);
        }
        $by = User::signedIn($request);
        $to =
            $given['do'] === 'give'
                ? User::colleagues()->where('key', (string) ($given['to'] ?? ''))->where('active', true)->first() ??
                    throw FileRefusal::NobodyChosen->because()
                : null;
        foreach ($found as $task) {
            match ($given['do']) {
                'done' => $tasks->mark($task, true, $by),
                'open' => $tasks->mark($task, false, $by),
                'drop' => $tasks->drop($task),
                default => $to === null ?: $tasks->assign($task, $to),
            };
        }
        $count = $found->count() === 1 ? 'One task' : "{$found->count()} tasks";

        return back()->with(
            'told',
            "{$count} ".['done' => 'done.', 'open' => 'reopened.', 'give' => 'assigned.', 'drop' => 'deleted.'][$given['do']],
        );
    }
}
