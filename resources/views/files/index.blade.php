<x-layout title="Files" place="files">
    <div class="head-row">
        <h1>Files</h1>
        <span class="dim">@if ($wanted !== '')for “{{ $wanted }}”@elseif (request('show') === 'all')all, closed ones too @else open @endif</span>
        <span class="right"><a href="/files">open</a> · <a href="/files?show=all">all</a></span>
    </div>
    <div class="leaf pad">
        @if ($files->isEmpty())
            <p class="empty">@if ($wanted !== '')Nothing is called so. Try part of an address, a client's name or a listing number.@else No open files. <a href="/open">Open one</a>: a listing number, an address or a name is enough.@endif</p>
        @else
            <table class="ledger">
                <thead><tr><th>File</th><th>Status</th><th>Listing</th><th>Office</th><th>Closing</th><th class="amount">Price</th><th class="amount">Complete</th></tr></thead>
                <tbody>
                @foreach ($files as $file)
                    @php($known = $file->knownFacts->pluck('value', 'name'))
                    <tr data-row>
                        <td><a href="/files/{{ $file->key }}" data-open><b class="serif">{{ $file->name }}</b></a></td>
                        <td><x-status :status="$file->status" /></td>
                        <td class="dim">{{ $file->listing_number }}</td>
                        <td class="dim">{{ $file->office->name }}</td>
                        <td>{{ isset($known['closing']) ? \Unanimus\Dates\LocalDate::of($known['closing'])->short($file->office->today()->year()) : '' }}</td>
                        <td class="amount">{{ isset($known['price']) ? \Unanimus\Money\Money::of($known['price']) : '' }}</td>
                        <td class="amount">{{ $file->required === 0 ? '–' : intdiv($file->settled * 100, $file->required).' %' }}</td>
                    </tr>
                @endforeach
                </tbody>
            </table>
            <p class="small"><br>@if ($files->previousPageUrl())<a href="{{ $files->previousPageUrl() }}">Newer</a>@endif @if ($files->nextPageUrl())<a href="{{ $files->nextPageUrl() }}">Older</a>@endif</p>
        @endif
    </div>
</x-layout>
