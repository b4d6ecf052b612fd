<x-layout :title="$import->name" place="files">
    <div class="head-row"><h1>{{ $import->name }}</h1><span class="dim">{{ array_sum($counts) }} rows</span>
        @if ($papers + (int) $lists > 0)<a href="/imports/{{ $import->key }}/papers">{{ $papers === 1 ? '1 document' :
            number_format($papers).
            ' documents' }} came along</a>@endif
        <a href="/imports">Import files</a></div>
    @if ($unread > 0)<p class="say" role="status">{{ number_format($unread) }} {{ $unread === 1 ? 'document is' : 'documents are' }} still
        being
        read. Match the columns meanwhile.</p>@endif
    @if (in_array($import->state, ['running', 'done']))
        <div class="leaf pad">@include('moving.import-progress')</div>
    @else
    <form method="post" action="/imports/{{ $import->key }}/try" class="leaf pad">@csrf @method('put')
        <h2>Match the columns <small class="dim">suggested, and remembered for next time</small></h2>
        <div class="scrolls"><table class="ledger lines"><thead><tr><th>Column</th><th>contains</th>@foreach ($sample as $line)<th>
            row {{ $line->number }}</th>@endforeach</tr></thead><tbody>
            @foreach ($import->columns as $n => $heading)
                <tr><td><b>{{ $heading }}</b></td><td>
                    <span class="select"><select name="matched[{{ $n }}]" aria-label="what {{ $heading }} holds"><option value="">ignored
                    </option>@foreach ($targets as $fact => $label)
                    <option value="{{ $fact }}" @selected(($import->matched[$n] ?? '') === $fact)>{{ $label }}</option>
                    @endforeach</select></span></td>@foreach ($sample as $line)<td class="dim">
                    {{ mb_strimwidth($line->cells[$n] ?? '', 0, 40, '…') }}</td>@endforeach</tr>
            @endforeach
        </tbody></table></div>
        <div class="with-taken"><label>For <span class="select"><select name="office">@foreach ($offices as $office)
            <option value="{{ $office->key }}" @selected($office->id === $import->office_id)>{{ $office->name }}</option>
            @endforeach</select></span></label>
            <button class="button tight {{ $import->state === 'matching' ? 'now' : '' }}">{{ $import->state === 'matching' ? 'Test import'
            : 'Test again' }}</button><span class="dim">nothing is saved</span></div>
    </form>
    @endif
    @if ($import->state !== 'matching')
    <div class="leaf pad">
        <nav class="filters" aria-label="Which rows">
            <span>@foreach (['' => 'all rows', 'fit' => 'to be opened', 'unfit' => 'cannot be opened', 'twin' => 'already here', 'opened' =>
            'opened'] as $outcome => $word)@if ($outcome === '' || ($counts[$outcome] ?? 0))<a href="?only={{ $outcome }}"
            @if ($only === $outcome) aria-current="true" @endif>{{ $word }} {{ $outcome === '' ? '' : $counts[$outcome] }}</a>@endif
            @endforeach</span>
            @if (($counts['unfit'] ?? 0) + ($counts['twin'] ?? 0) > 0)<a
                href="/imports/{{ $import->key }}/left.csv">Download rows not opened, with reasons (CSV)</a>@endif</nav>
        @if ($import->state === 'tried' && ($counts['fit'] ?? 0) && $unread === 0)<form method="post" action="/imports/{{ $import->key
            }}/start">@csrf
            <button class="button now">Open {{ $counts['fit'] }} {{ $counts['fit'] === 1 ? 'file' : 'files' }}</button></form>@endif
        <table class="ledger"><thead><tr><th class="amount">Row</th><th>Outcome</th><th>File, or reason</th><th>
            <span class="unseen">Actions</span></th></tr></thead><tbody>
            @foreach ($lines as $line)
                <tr><td class="amount">{{ $line->number }}</td>
                    <td @class(['late' => $line->outcome === 'unfit', 'ok' => $line->outcome === 'opened'])>
                    {{ ['waiting' => 'not tested', 'fit' => 'to be opened', 'unfit' => 'cannot be opened', 'twin' => 'already here',
                    'opened'
                    => 'opened'][$line->outcome] }}</td><td>
                    @if ($line->file_key)<a href="/files/{{ $line->file_key }}">{{ $line->told }}</a>@else{{ $line->told }}@endif</td>
                    <td class="right">@if ($line->outcome === 'twin')
                        <form method="post" action="/imports/{{ $import->key }}/rows/{{ $line->number }}">@csrf
                        <button class="button tight plain">Open anyway</button></form>@endif</td></tr>
            @endforeach
        </tbody></table>
        <p class="small"><br>@if ($lines->previousPageUrl())<a href="{{ $lines->previousPageUrl() }}">Back</a>@endif
            @if ($lines->nextPageUrl())<a href="{{ $lines->nextPageUrl() }}">More</a>@endif</p>
    </div>
    @endif
</x-layout>
