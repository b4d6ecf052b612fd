@php($link = fn (array $change) =>
    '/tasks?'.http_build_query(array_filter([...['who' => $filter->who, 'when' => $filter->when, 'done' => $filter->done ? 1 : null,
    'office' => $filter->office, 'kind' => $filter->kind], ...$change])))
<x-layout title="Tasks" place="today">
    <div class="head-row"><h1>Tasks</h1><span class="dim">{{ count($list->rows) }}@if ($list->late), <span class="late">{{ $list->late }}
        late</span>@endif</span></div>
    <nav class="filters" aria-label="Which tasks">
        <span>@foreach (['me' => 'mine', 'all' => 'everyone’s', 'none' => 'unassigned'] as $value => $word)<a
            href="{{ $link(['who' => $value]) }}" @if ($filter->who === $value) aria-current="true"
            @endif>{{ $word }}</a>@endforeach</span>
        @php($days = ['' => 'any day', 'late' => 'late', 'today' => 'due by today', 'week' => 'next 7 days', 'undated' => 'no date yet'])
        <span>@foreach ($days as $value => $word)<a
            href="{{ $link(['when' => $value]) }}" @if ($filter->when === $value) aria-current="true"
            @endif>{{ $word }}</a>@endforeach</span>
        <span>@foreach (['' => 'any kind', 'sale' => 'sales', 'lease' => 'leases', 'referral' => 'referrals'] as $value => $word)<a
            href="{{ $link(['kind' => $value]) }}" @if ($filter->kind === $value) aria-current="true"
            @endif>{{ $word }}</a>@endforeach</span>
        @if ($offices->count() > 1)<span><a href="{{ $link(['office' => null]) }}" @if ($filter->office === null) aria-current="true"
            @endif>all offices</a>@foreach ($offices as $office)<a href="{{ $link(['office' => $office->id]) }}"
            @if ($filter->office === $office->id) aria-current="true" @endif>{{ $office->name }}</a>@endforeach</span>@endif
        <span><a href="{{ $link(['done' => null]) }}" @if (! $filter->done) aria-current="true" @endif>open</a><a
            href="{{ $link(['done' => 1]) }}" @if ($filter->done) aria-current="true" @endif>done</a></span>
    </nav>
    <form method="post" action="/tasks" class="leaf pad">
        @csrf
        @if ($list->rows === [])
            <p class="empty">{{ $filter->done ? 'No tasks done yet.' : 'No tasks here.' }}
                Tasks come from kits, or you add them to a file.</p>
        @else
        <table class="ledger cards">
            <thead><tr><th class="take"><input type="checkbox" data-take-all aria-label="Select all"></th><th>Due</th><th>Task</th><th>File
                </th><th>{{ $filter->done ? 'Done by' : 'Assigned to' }}</th></tr></thead>
            <tbody>
            @foreach ($list->rows as $row)
                <tr data-row>
                    <td class="take">
                        <input type="checkbox" name="tasks[]" value="{{ $row->task->key }}"
                        aria-label="Select {{ $row->task->title }}, {{ $row->file->name }}"></td>
                    <td data-name="Due" @class(['late' => $row->late])>{{
                        $row->due?->short($row->file->office->today()->year()) ?? '–' }}</td>
                    <td class="name"><b>{{ $row->task->title }}</b></td>
                    <td><a href="/files/{{ $row->file->key }}?tasks=1" data-open>{{ $row->file->name }}</a></td>
                    <td class="dim">
                        {{ $filter->done ? ($row->task->doer->name ?? '') : ($row->task->assignee->name ?? 'no one yet') }}</td>
                </tr>
            @endforeach
            </tbody>
        </table>
        <div class="with-taken">
            @if ($filter->done)<button class="button tight" name="do" value="open">Reopen</button>
            @else<button class="button tight now" name="do" value="done" data-press="d">Done</button>
            <span class="select"><select name="to" aria-label="Assign to">@foreach ($people as $person)<option value="{{ $person->key }}">
                {{ $person->name }}</option>@endforeach</select></span><button class="button tight" name="do" value="give">Assign</button>
            <button class="button tight plain" name="do" value="drop">Delete</button>@endif
        </div>
        @endif
    </form>
</x-layout>
