<x-layout :title="'Documents of '.$import->name" place="files">
    <div class="head-row"><h1>Documents of {{ $import->name }}</h1><a href="/imports/{{ $import->key }}">Files</a></div>
    <div class="leaf pad">@include('moving.parcel-progress')
        @if ($able > 0)<form method="post" action="/imports/{{ $import->key }}/papers">@csrf<button
            class="button tight">Continue with {{ $able
            }} {{ $able === 1 ? 'document' : 'documents' }}</button></form>@endif
        @if ($import->state === 'done' && $counts['refused'] > 0 && $able === 0)<form method="post"
            action="/imports/{{ $import->key }}/papers">@csrf<input type="hidden" name="again" value="1"><button
            class="button tight">Try what was not taken again</button></form>@endif</div>
    @if ($lists !== [])
    <section class="leaf pad" aria-label="Lists"><h2>Lists that came along</h2>
        <table class="ledger"><tbody>
        @foreach (['people' => ['People', 'Invite'], 'contacts' => ['Contacts', 'Add to address book:'], 'tasks' => ['Tasks', ''],
            'documents' =>
            ['About documents', '']] as $kind => [$title, $verb])
        @if (isset($lists[$kind]))
        @php($left = ($lists[$kind]['waiting'] ?? 0) + ($lists[$kind]['refused'] ?? 0))
        <tr data-row><td><b>{{ $title }}</b></td><td>{{ array_sum($lists[$kind]) }}{{ ($lists[$kind]['done'] ?? 0) ?
            ", {$lists[$kind]['done']} done" : '' }}{{ ($lists[$kind]['asked'] ?? 0) ? ", {$lists[$kind]['asked']} under way" : '' }}{{
            ($lists[$kind]['refused'] ?? 0) ? ", {$lists[$kind]['refused']} not taken (see below)" : '' }}</td><td class="dim">{{
            ['people' => 'Invite them first, so that their files find them.', 'contacts' => '', 'tasks' => 'They come with their files.',
            'documents' => 'What each is, and what was accepted.'][$kind] }}</td><td class="right">
            @if ($verb !== '' && $left > 0)<form method="post" action="/imports/{{ $import->key }}/people">@csrf<input type="hidden"
                name="kind"
            value="{{ $kind }}"><button class="button tight {{ $kind === 'people' ? 'now' : '' }}">{{ $verb }} {{ $left }}</button></form>
            @endif</td></tr>
        @endif
        @endforeach
        </tbody></table>
    </section>
    @endif
    <section class="leaf pad" aria-label="Folders"><h2>Folders</h2>
        <p class="dim">A folder belongs to the row it names: by the column for folders, a listing number, or the address. Enter another row
            where it is wrong, or 0 for none.</p>
        <datalist id="rows">@foreach ($rows as $row)<option value="{{ $row->number }}">{{ $row->told }}</option>@endforeach</datalist>
        <div class="scrolls"><table class="ledger"><thead><tr><th>Folder</th><th class="amount">Documents</th><th>File</th><th>Row</th></tr>
            </thead><tbody>
            @foreach ($folders as $folder)
            <tr data-row><td>{{ $folder->folder === '' ? '(no folder)' : $folder->folder }}</td><td class="amount">{{ $folder->n }}</td><td
                @class(['late' => $folder->row_number === null])>{{ match (true) {
                    $folder->row_number === null => $folder->why ?: 'no row',
                    $folder->row_outcome === 'unfit' => "This row cannot be opened: {$folder->name}",
                    $folder->row_outcome === 'twin' => "This row is not opened: {$folder->name}",
                    default => $folder->name ?: 'not tested yet',
                } }}</td><td>
                <form method="post" action="/imports/{{ $import->key }}/folders" class="in-row">@csrf @method('put')<input type="hidden"
                name="folder" value="{{ $folder->folder }}"><input class="input short" name="row" list="rows" inputmode="numeric"
                    maxlength="6"
                value="{{ $folder->row_number }}" aria-label="Row of {{ $folder->folder === '' ? 'documents in no folder' : $folder->folder
                }}"><button class="button tight plain" aria-label="Set row of {{ $folder->folder === '' ? 'documents in no folder' :
                $folder->folder }}">Set</button></form></td></tr>
            @endforeach
        </tbody></table></div>
    </section>
    @if ($notes->isNotEmpty())
    <section class="leaf pad" aria-label="Of the lists"><h2>Results of the lists</h2>
        <div class="scrolls"><table class="ledger"><thead><tr><th>List</th><th
            class="amount">Row</th><th>Entry</th><th>Outcome</th></tr></thead>
            <tbody>@foreach ($notes as $line)<tr><td>{{ $line->kind }}</td><td class="amount">{{ $line->number }}</td><td>{{
            mb_strimwidth(implode(' · ', array_filter($line->cells)), 0, 90, '…') }}</td><td
            @class(['late' => $line->outcome === 'refused'])>{{ $line->told }}</td></tr>@endforeach</tbody></table></div>
    </section>
    @endif
    <section class="leaf pad" aria-label="Documents"><h2>Documents</h2>
        <nav class="filters" aria-label="Which documents"><span>@foreach (['' => 'all', 'waiting' => 'waiting', 'none' => 'no file',
            'taken' =>
            'in their files', 'refused' => 'not taken'] as $outcome => $word)@if ($outcome === '' || ($counts[$outcome] ?? 0))<a
            href="?only={{ $outcome }}" @if ($only === $outcome) aria-current="true" @endif>{{ $word }} {{ $outcome === '' ? '' :
            $counts[$outcome] }}</a>@endif @endforeach</span>
            <a href="/imports/{{ $import->key }}/papers.csv">Download all (CSV)</a>
            <a href="/imports/{{ $import->key }}/papers.csv?only=left">Download what was not taken, with reasons (CSV)</a></nav>
        <div class="scrolls"><table class="ledger"><thead><tr><th>Document</th><th>Outcome</th><th>Where, or why
            not</th></tr></thead><tbody>
            @foreach ($papers as $paper)
            <tr data-row><td>{{ $paper->path }}</td><td
                @class(['late' => $paper->outcome === 'refused', 'ok' => $paper->outcome ===
                'taken'])>{{
                \App\Moving\Http\ParcelController::word($paper->outcome, $paper->row_number) }}</td><td>@if ($paper->paper &&
                    $paper->file)<a
                href="/papers/{{ $paper->paper->key }}">{{ $paper->paper->title }}</a> in <a href="/files/{{ $paper->file->key }}">{{
                $paper->file->name }}</a>@endif {{ $paper->told }}</td></tr>
            @endforeach
        </tbody></table></div>
        <p class="small"><br>@if ($papers->previousPageUrl())<a href="{{ $papers->previousPageUrl() }}">Back</a>@endif
            @if ($papers->nextPageUrl())<a href="{{ $papers->nextPageUrl() }}">More</a>@endif</p>
    </section>
</x-layout>
