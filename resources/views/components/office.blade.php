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
                <span class="dim">{{ $about }}</span><span class="right in-row">{{ $acts ?? '' }}</span></div>
            {{ $slot }}
        </div>
    </div>
</x-layout>
