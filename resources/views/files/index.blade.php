@php($again = fn (array $change) =>
    '/files?'.http_build_query(array_filter([...['q' => $wanted, 'columns' => $columns === \App\Overview\Finder::USUAL ? null :
    implode(',', $columns), 'sort' => request('sort'), 'down' => request('down')], ...$change], fn ($value) => $value !== null && $value
    !== '')))
<x-layout title="Files" place="files">
    <div class="head-row">
        <h1>Files</h1>
        <span class="dim">@if ($wanted !== '')matching “{{ $wanted }}”@else open @endif</span>
        <span class="right in-row">@can('import-files')<a href="/imports">Import files</a>@endcan
            <a href="/files.csv?{{ http_build_query(['q' => $wanted, 'columns' => implode(',', $columns), 'sort' => request('sort'), 'down'
            => request('down')]) }}">Download CSV</a></span>
    </div>
    <nav class="filters" aria-label="Views">
        <span><a href="/files" @if ($wanted === '') aria-current="true" @endif>open</a><a href="/files?q=agent:me"
            @if ($wanted === 'agent:me') aria-current="true" @endif>mine</a><a href="/files?q=closes:week" @if ($wanted === 'closes:week')
            aria-current="true" @endif>closing this week</a><a href="/files?q=needs:signature" @if ($wanted === 'needs:signature')
            aria-current="true" @endif>out for signature</a><a href="/files?q=status:ended" @if ($wanted === 'status:ended')
            aria-current="true" @endif>ended</a><a href="/files?q=status:archived" @if ($wanted === 'status:archived')
            aria-current="true" @endif>archived</a></span>
        @if ($views->isNotEmpty())<span>@foreach ($views as $view)<a
            href="/files?{{ http_build_query(array_filter(['q' => $view->query, 'columns' => $view->columns])) }}"
            @if ($wanted !== '' && $wanted === $view->query) aria-current="true" @endif
            title="{{ $view->query }}">{{ $view->name }}@if ($view->shared && $view->user_id !==
            auth()->id()) (shared)@endif</a>@endforeach</span>@endif
        <details class="by-hand"><summary>Columns and views</summary>
            <div class="leaf pad popped">
                <form action="/files"><input type="hidden" name="q" value="{{ $wanted }}">
                    @foreach (\App\Overview\Finder::COLUMNS as $column => [$name])
                    <label class="checkbox"><input type="checkbox" name="columns[]" value="{{ $column }}"
                    @checked(in_array($column, $columns))> {{ $name }}</label><br>@endforeach<button
                    class="button tight">Show these</button></form>
                <form method="post" action="/views">@csrf<input type="hidden" name="query" value="{{ $wanted }}"><input type="hidden"
                    name="columns" value="{{ implode(',', $columns) }}"><br>
                    <label class="line"><span>Save this search as</span><input class="input" name="name" maxlength="60" required
                    autocomplete="off"></label><label class="checkbox"><input type="checkbox" name="shared" value="1">
                    for everyone in the brokerage</label><br><button class="button tight">Save view</button></form>
                @foreach ($views->where('user_id', auth()->id()) as $view)<form method="post" action="/views/{{ $view->key }}">@csrf
                    @method('delete')<button class="button tight plain">Delete “{{ $view->name }}”</button></form>@endforeach
            </div>
        </details>
    </nav>
    @foreach ($query->faults as $fault)<p class="late">{{ $fault }}</p>@endforeach
    <div class="leaf pad">
        @if ($files->isEmpty())
            <p class="empty">@if ($wanted !== '')No matches. Try part of an address, a client’s name, or a listing number.
                <code>status:all</code> searches ended files too.@if ($query->words !== [])
                <a href="/files?{{ http_build_query(['q' => 'says:"'.implode(' ', $query->words).'"']) }}">Search the papers
                for “{{ implode(' ', $query->words) }}”</a>@endif @else No open files.
                <a href="/open">Open one</a>: a listing number, an address, or a name is enough.@endif</p>
        @else
            <form method="post" action="/files.csv">@csrf<input type="hidden" name="q" value="{{ $wanted }}"><input type="hidden"
                name="columns" value="{{ implode(',', $columns) }}">
            <div class="scrolls"><table class="ledger cards">
                <thead><tr><th class="take"><input type="checkbox" data-take-all aria-label="Select all files"></th><th>
                    <a href="{{ $again(['sort' => 'name', 'down' => request('sort') === 'name' && ! request('down') ? 1 :
                    null]) }}">File</a></th>
                @foreach ($columns as $column)<th @class(['amount' => in_array($column, ['price', 'complete'])])>
                    @if (\App\Overview\Finder::COLUMNS[$column][1])<a
                    href="{{ $again(['sort' => $column, 'down' => request('sort') === $column && ! request('down') ? 1 : null]) }}"
                    @if (request('sort') === $column) aria-sort="{{ request('down') ? 'descending' : 'ascending' }}"
                    @endif>{{ \App\Overview\Finder::COLUMNS[$column][0] }}{{ request('sort') === $column ? (request('down') ? ' ↓' : ' ↑')
                    : '' }}</a>@else{{ \App\Overview\Finder::COLUMNS[$column][0] }}@endif</th>@endforeach</tr></thead>
                <tbody>
                @foreach ($files as $file)
                    <tr data-row>
                        <td class="take">
                            <input type="checkbox" name="take[]" value="{{ $file->key }}" aria-label="Select {{ $file->name }}"></td>
                        <td class="name"><a href="/files/{{ $file->key }}" data-open><b
                            class="serif">{{ $file->name }}</b></a>@if ($file->practice)
                            <span class="practice">Practice</span>@endif @if (isset($matched[$file->key]))<br><span
                            class="dim small">{{ $matched[$file->key] }}</span>@endif</td>
                        @foreach ($columns as $column)
                            @if ($column === 'status')<td><x-status :status="$file->status" /></td>
                            @else<td @class(['amount' => in_array($column, ['price', 'complete']),
                                'dim' => in_array($column, ['listing', 'office', 'side'])])
                                data-name="{{ \App\Overview\Finder::COLUMNS[$column][0] }}">{{ \App\Overview\FileCell::of($file,
                                $column) }}</td>@endif
                        @endforeach
                    </tr>
                @endforeach
                </tbody>
            </table></div>
            <div class="with-taken"><button class="button tight">Download selected as CSV</button>
                <button class="button tight" formaction="/files.zip">with documents (ZIP)</button> <label class="in-row"><span
                class="small">or add the tag</span> <input class="input" name="label" maxlength="120" list="labels-known"
                autocomplete="off" aria-label="Tag for the selected files"></label> <button class="button tight"
                formaction="/labels">to them</button><datalist
                id="labels-known">@foreach ($files->getCollection()->flatMap->labels->unique()->sort() as $label)
                <option value="{{ $label }}">@endforeach</datalist></div>
            </form>
            @if ($query->words !== [])<p class="small"><a
                href="/files?{{ http_build_query(['q' => 'says:"'.implode(' ', $query->words).'"']) }}">Search the papers, too</a></p>@endif
            <p class="small"><br>@if ($files->previousPageUrl())<a href="{{ $files->previousPageUrl() }}">Back</a>@endif
                @if ($files->nextPageUrl())<a href="{{ $files->nextPageUrl() }}">More</a>@endif</p>
        @endif
    </div>
</x-layout>
