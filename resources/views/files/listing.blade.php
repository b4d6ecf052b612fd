<x-layout :title="'Listing of '.$file->name" place="files">
    <div class="head-row"><h1>Listing {{ $file->listing_number }}</h1>
        <form class="inline" method="post" action="/files/{{ $file->key }}/listing/sheet">@csrf
        <button class="button tight">File listing as it is now</button></form><span class="dim">as {{ $exchange }}
        has it now, compared with <a href="/files/{{ $file->key }}/opening">{{ $file->name }}</a></span></div>
    <form method="post" action="/files/{{ $file->key }}/listing/facts" class="leaf pad">@csrf
        <h2>Differences</h2>
        @if ($differences === [])<p class="dim">None. The file matches the listing.</p>@else
        <table class="ledger"><thead><tr><th class="take"></th><th>Fact</th><th>In the file</th><th>From</th><th>In the listing</th></tr>
            </thead><tbody>
        @foreach ($differences as $name => $one)
            <tr><td class="take">
                <input type="checkbox" name="facts[]" value="{{ $name }}"
                aria-label="Use {{ \Unanimus\Requirements\FactCatalog::label($name) }}" @checked($one['there'] === '')></td><td>
                {{ \Unanimus\Requirements\FactCatalog::label($name) }}</td><td>
                <b>{{ \Unanimus\Requirements\FactCatalog::shows($name, $one['there']) }}</b></td><td class="dim">
                {{ $known[$name]->source ?? '' }}</td><td>{{ \Unanimus\Requirements\FactCatalog::shows($name, $one['here']) }}</td></tr>
        @endforeach
        </tbody></table>
        <div class="with-taken"><button class="button tight now">Use selected values</button><span class="dim">Nothing else changes.</span>
            </div>@endif
    </form>
    <form method="post" action="/files/{{ $file->key }}/listing/papers" class="leaf pad">@csrf
        <h2>Public papers of the listing</h2>
        @if ($papers === [])<p class="dim">The file already has them all.</p>@else
        @foreach ($papers as $address => $title)<p><label class="checkbox"><input type="checkbox" name="papers[]" value="{{ $address }}"
            checked> {{ $title }}</label></p>@endforeach
        <div class="with-taken"><button class="button tight now">Add selected papers</button></div>@endif
    </form>
</x-layout>
