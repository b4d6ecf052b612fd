@props(['title', 'at', 'about' => '', 'scripts' => []])
<x-layout :title="$title" place="office" :$scripts>
    <div class="office">
        <nav class="office-index" aria-label="Office">
            @php($index = \App\Office\OfficeIndex::entries(app(\Unanimus\Forms\Library::class)))
            @foreach (collect($index)->groupBy('group') as $group => $entries)
            <h2>{{ $group }}</h2>
            <ul>
                @foreach ($entries as $entry)
                    <li><a href="{{ $entry['href'] }}" @if ($entry['key'] === $at) aria-current="page" @endif><b>{{ $entry['name'] }}</b>
                        <small>{{ $entry['stands'] }}</small></a></li>
                @endforeach
            </ul>
            @endforeach
        </nav>
        <div>
            <div class="head-row"><h1>{{ $title }}</h1>
                <span class="dim">{{ $about }}</span><span class="right in-row"><input class="input find-rows" type="search"
                data-find-rows aria-label="Find in this list" placeholder="Find in this list" hidden>{{ $acts ?? '' }}</span></div>
            {{ $slot }}
            @php($changes = \App\Office\LastChanges::of($at, auth()->user()))
            @if ($changes !== [])
            <details class="last-changes small"><summary>Changed last by {{ $changes[0]['who'] }}, {{
                \App\Terms\When::list($changes[0]['at'], auth()->user()->zone()) }}</summary>
                <ul class="plain">@foreach ($changes as $one)<li>{{ $one['says'] }} <span class="dim">{{ $one['who'] }}, {{
                    \App\Terms\When::list($one['at'], auth()->user()->zone()) }}</span></li>@endforeach</ul>
                <a href="/office/history">All changes</a></details>
            @endif
        </div>
    </div>
</x-layout>
