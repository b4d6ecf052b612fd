<details class="drawer" id="tasks" @if (request('tasks')) open @endif>
    <summary>Tasks <span class="dim">{{ $tasks->whereNull('task.done_at')->count() ?:
    '' }}</span>@if ($tasks->where('late', true)->isNotEmpty()) <span class="late">{{ $tasks->where('late', true)->count() }}
    late</span>@endif</summary>
    <ul class="tasks">
        @forelse ($tasks as $row)
            <li>
                @if ($works)<form method="post" action="/tasks">@csrf<input type="hidden" name="tasks[]" value="{{ $row->task->key }}">
                    <button class="button tight" name="do" value="{{ $row->task->done_at ? 'open' : 'done' }}"
                    aria-label="{{ $row->task->title }} {{ $row->task->done_at ? 'is done' : 'is open' }}">{{ $row->task->done_at ?
                    '✓' : '○' }}</button></form>@endif
                <span @class(['ok' => $row->task->done_at])>{{ $row->task->title }}</span>
                <span class="dim">{{ $row->task->done_at && ! $row->task->done_by && $row->task->moved_in ? "done {$row->task->moved_in}" :
                    ($row->task->done_at ? 'done by '.($people[$row->task->done_by]->name ??
                    'someone').', '.\App\Terms\When::day($row->task->done_at, $file->office->zone) :
                    ($people[$row->task->user_id]->name ?? 'no one yet')) }}</span>
                <span @class(['late' => $row->late, 'right'])>{{ $row->due?->short($agenda->today->year()) ?? 'no date yet' }}</span>
            </li>
        @empty
            <li class="dim">No tasks yet.</li>
        @endforelse
    </ul>
    @if ($works)
    <form method="post" action="/files/{{ $file->key }}/tasks" class="task-form">@csrf
        <label class="unseen" for="task-title">Task</label><input class="input" id="task-title" name="title" required maxlength="200"
            placeholder="Task" autocomplete="off">
        <label class="unseen" for="task-day">Day</label><input class="input" id="task-day" name="day" maxlength="40"
            placeholder="day, or →" autocomplete="off">
        <label class="unseen" for="task-days">Days</label><input class="input" id="task-days" name="days" type="number"
            placeholder="± days" min="-3660" max="3660">
        <span class="select"><select name="anchor" aria-label="from"><option value="">count from …</option><option value="opened">opening
            </option>@foreach ($agenda->anchors as $name => $anchor)<option value="{{ $name }}">{{ $anchor['label'] }}</option>
            @endforeach @foreach ($agenda->deadlines as $deadline)<option value="{{ $deadline->name }}">{{ $deadline->label }}</option>
            @endforeach</select></span>
        <span class="select"><select name="who" aria-label="assigned to">@foreach ($members as $person)
            <option value="{{ $person->key }}" @selected($person->id === auth()->id())>{{ $person->name }}</option>
            @endforeach</select></span>
        <button class="button tight">Add task</button>
    </form>
    @endif
</details>
