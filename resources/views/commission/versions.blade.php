@if ($entries && $entries->versions->count() > 1)
<div class="leaf pad">
    <h2>Versions</h2>
    <ol class="sheet-versions" reversed>
        @foreach ($entries->versions as $version)
        @php($before = $entries->versions[$loop->index + 1] ?? null)
        @php($changed = $before === null ? [] : array_filter($version->figures, fn ($value, $name) => ($before->figures[$name] ?? null) !==
            $value, ARRAY_FILTER_USE_BOTH))
        <li><b>{{ $loop->first ? 'Now' : '' }}</b> {{ \App\Terms\When::list($version->made_at, $file->office->zone) }},
            {{ $version->user->name }}
            @foreach ($changed as $name => $value)<span class="small dim">{{ $name }}: {{ isset($before->figures[$name]) ?
                \Unanimus\Money\Money::of($before->figures[$name])->ledger() : 'nothing' }} →
                {{ \Unanimus\Money\Money::of($value)->ledger() }}</span>@endforeach
            @if ($before && $changed === [])<span class="small dim">The same amounts.</span>@endif
            @unless ($loop->first || $locked) @can('set-commission', $file)
                <form method="post" action="{{ $at }}/versions/{{ $version->key }}">@csrf<button class="button tight quiet">Use this
                    version again</button></form>@endcan @endunless</li>
        @endforeach
    </ol>
</div>
@endif
