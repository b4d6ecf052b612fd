@if ($fault)<p class="late">{{ $fault }}</p>
@else
    <p><b>{{ count($found['fitting']) === 0 ? 'It would apply to none' : 'It would apply to '.(count($found['fitting']) === 1 ? 'this one'
        : 'these '.count($found['fitting'])) }}</b> of {{ $found['looked'] }} open files you see.
        <span class="dim">{{ ucfirst($words) }}.</span></p>
    <ul class="found-files">@foreach (array_slice($found['fitting'], 0, 60) as $one)<li>
        <a href="/files/{{ $one['file']->key }}">{{ $one['file']->name }}</a> <span class="dim">{{ collect($one['known'])->filter()->map(fn
        ($value, $name) => \Unanimus\Requirements\FactCatalog::label($name).': '.\Unanimus\Requirements\FactCatalog::shows($name,
        $value))->implode(' · ') }}</span></li>@endforeach</ul>
@endif
