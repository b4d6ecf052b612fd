<x-office :title="$item->title" at="shelf" :about="$item->topic">
    <section class="leaf pad" aria-label="Use it">
        @if ($item->kind->value === 'link')
            <p><a href="{{ $item->url }}" rel="noopener noreferrer" target="_blank">{{ $item->url }}</a></p>
        @else
            <p><a href="/office/shelf/{{ $item->key }}/{{ $item->version }}.pdf">Open version {{ $item->version }}</a></p>
            @if (! $item->put_away_at && $files->isNotEmpty())
            <form method="post" action="/office/shelf/{{ $item->key }}/take" class="in-row">@csrf
                <label class="line"><span>Add to a file</span><span class="select"><select name="file">
                    @foreach ($files as $file)<option value="{{ $file->key }}">{{ $file->name }}</option>@endforeach</select></span></label>
                <button class="button now">Add to file</button></form>
            <p class="dim">In the file it is sent for signature, attached to a message, or submitted as any document.</p>
            @endif
        @endif
    </section>
    @if ($older !== [])
    <section class="leaf pad" aria-label="Older copies in files"><h2>Older copies in files</h2>
        <ul class="plain">@foreach ($older as $paper)<li><a href="/papers/{{ $paper->key }}">{{ $paper->file->name }}</a> <span
            class="waits">has version {{ $paper->shelf_version }}</span></li>@endforeach</ul>
        <form method="post" action="/office/shelf/{{ $item->key }}/renew-all">@csrf<button class="button now">Renew in {{ count($older)
            === 1 ?
            'that file' : 'all '.count($older).' files' }}</button></form>
        <p class="dim">What is signed, out for signature, or with the broker stays as it is.</p>
    </section>
    @endif
    @if ($item->kind->isPaper())
    <section class="leaf pad" aria-label="Versions"><h2>Versions</h2>
        <table class="ledger"><thead><tr><th scope="col">Version</th><th scope="col">What changed</th><th
            scope="col">By</th></tr></thead><tbody>
        @foreach ($versions as $one)<tr data-row><td><a href="/office/shelf/{{ $item->key }}/{{ $one->version }}.pdf">{{ $one->version
            }}</a> <span class="dim">{{ $one->pages === 1 ? '1 page' : "{$one->pages} pages" }}</span></td><td>{{ $one->note }}</td><td
            class="dim">{{ $one->maker?->name }}, {{ \App\Terms\When::list($one->made_at, $user->zone()) }}</td></tr>@endforeach
        </tbody></table>
        @if ($keeps && $item->user_id === null)
        <form method="post" action="/office/shelf/{{ $item->key }}" enctype="multipart/form-data" class="in-row">@csrf<input type="hidden"
            name="seen" value="{{ $item->version }}">
            <label class="line"><span>Newer version</span><input type="file" name="document"></label>
            <label class="line"><span>What changed</span><input class="input" name="note" maxlength="300" autocomplete="off"></label>
            <button class="button tight">Put newer version there</button></form>
        @endif
    </section>
    @endif
    @if ($keeps)<form method="post" action="/office/shelf/{{ $item->key }}/away">@csrf<input type="hidden" name="away"
        value="{{ $item->put_away_at ? 0 : 1 }}"><button class="button tight plain">{{ $item->put_away_at ? 'Bring back' : 'Archive'
        }}</button></form>@endif
</x-office>
