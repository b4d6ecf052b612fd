<x-layout :title="$kit->name" place="files">
    <div class="head-row"><h1>{{ $kit->name }}</h1><span class="dim">on <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <div class="leaf pad">
        @if ($held)<p>This kit is already applied. It keeps following the file’s facts.</p>@endif
        <h2>It would add</h2>
        @if ($sheet->called === [])<p class="dim">No papers. Everything it asks for is here.</p>@else
        <ul class="will">@foreach ($sheet->called as $one)<li>
            <b>{{ $one['item']->title }}</b><small>{{ $one['item']->form ?? 'from outside' }} · {{ implode('; ', $one['reasons']) }}</small>
            </li>@endforeach</ul>@endif
        @if ($kit->tasks)<h2>Tasks</h2><ul class="will">@foreach ($kit->tasks as $task)<li>{{ $task->title }}</li>@endforeach</ul>@endif
        @if ($kit->deadlines)<h2>Dates</h2><p>{{ implode(', ', array_map(fn ($rule) => $rule->label, $kit->deadlines)) }}</p>@endif
        @if ($sheet->idle)<p class="dim">Not needed now: {{ implode(', ', array_map(fn ($item) => $item->title, $sheet->idle)) }}.</p>@endif
        <form method="post" action="/files/{{ $file->key }}/kits/{{ $kit->key }}">@csrf
            <button class="button now">Apply kit</button> <a class="button" href="/files/{{ $file->key }}">Cancel</a></form>
    </div>
</x-layout>
