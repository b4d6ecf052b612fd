<x-layout title="Today" place="today">
    <h1 class="unseen">Today</h1>
    @can('set-up')@include('running.setup-banner')@endcan
    <div class="leaf three">
        @include('files.today-column', ['id' => 'mine', 'title' => 'Waiting on me', 'rows' => $today->mine, 'note' => count($today->mine)
            ?: '', 'empty' => 'Nothing is waiting on you.'])
        @include('files.today-column', ['id' => 'others', 'title' => 'Waiting on others', 'rows' => $today->others, 'note' =>
            count($today->others) ?: '', 'empty' => 'No one owes you anything.'])
        @include('files.today-column', ['id' => 'coming', 'title' => 'Coming up', 'rows' => $today->coming, 'note' => 'next 7 days',
            'empty' => 'Nothing is due in the next 7 days.'])
    </div>
    @php($asked = array_filter(['by' => $span, 'who' => $person?->key, 'group' => $grouped ? 'file' : null]))
    <p class="today-foot small">
        @if ($grouped)<a href="/?{{ http_build_query(array_diff_key($asked, ['group' => 1])) }}">Show by urgency</a>@else<a
            href="/?{{ http_build_query([...$asked, 'group' => 'file']) }}">Group by file</a>@endif
        · <a href="/tasks">All tasks</a></p>
    @can('open-files')@include('files.loose-begin')@endcan
    @if ($today->beyond > 0)<p class="say">Today covers your 400 newest open files. <a href="/files">{{ $today->beyond }} older ones</a>
        are in the list of files.</p>@endif
    <div class="lanes-head">
        <h2>Lanes</h2>
            <span class="dim">{{ $today->shown === 1 ? '1 open file' : $today->shown.' open files' }}{{ $person ? ' of '.$person->name : ''
            }}</span>
        <form action="/" class="in-row right"><input type="hidden" name="by" value="{{ $span }}"><span class="select"><select name="who"
            aria-label="Whose lanes" data-sends><option value="">everyone’s</option>@foreach ($people as $one)
            <option value="{{ $one->key }}" @selected($person?->id === $one->id)>{{ $one->name }}</option>
            @endforeach</select></span><noscript><button class="button tight">Show</button></noscript></form>
        <span class="zoom">@foreach (['week', 'month', 'quarter'] as $by)<a href="/?{{ http_build_query([...$asked, 'by' => $by]) }}"
            @if ($by === $span) aria-current="true" @endif>{{ $by }}</a>@endforeach
            <a href="/?{{ http_build_query([...$asked, 'print' => 1]) }}">print</a></span>
    </div>
    @if ($today->open === 0)
        <div class="leaf empty">Each open file gets a lane here with its dates. @can('open-files')<a href="/open">Open your first
            file</a>.@endcan</div>
    @else
        <div class="lanes-wrap" tabindex="0" role="region" aria-label="Lanes of open files" data-scroll-to=".today">
            @include('files.lanes', ['lanes' => $today->lanes])</div>
        @include('files.narrow-lanes', ['lanes' => $today->lanes])
        @if ($today->shown > count($today->lanes->rows))<p class="say lanes-rest">These {{ count($today->lanes->rows) }} close soonest. <a
            href="/?{{ http_build_query([...$asked, 'lanes' => 'all']) }}">Show all {{ $today->shown }}</a></p>@endif
    @endif
</x-layout>
