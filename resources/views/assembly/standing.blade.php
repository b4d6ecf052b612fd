<div id="standing" @if (in_array($set->status, ['waiting', 'making'], true)) hx-get="/sets/{{ $set->key }}" hx-trigger="every 900ms"
    hx-swap="outerHTML" @endif role="status">
    @if ($set->isReady())
        <h2>Ready: {{ $set->pages === 1 ? '1 page' : $set->pages.' pages' }}</h2>
        @foreach ($set->notes as $note)<p class="dim">{{ $note }}</p>@endforeach
        <p class="with-taken"><a class="button now" href="/sets/{{ $set->key }}/set.pdf" target="_blank">Open the PDF</a>
            <a class="button" href="/sets/{{ $set->key }}/set.pdf" download="{{ $set->title }}.pdf">Download PDF</a></p>
        @if (request()->hasHeader('HX-Request'))<p class="small dim"><a href="/sets/{{ $set->key }}">Give someone a reading copy</a></p>
            @endif
    @elseif ($set->status === 'failed')
        <h2>Could not combine</h2><p class="late">{{ $set->failure }}</p><p>Nothing was saved. Change your selection and try again.</p>
    @else
        <h2>Combining</h2>
        <p>{{ $set->done }} of {{ count($set->papers) }} papers ready. You can leave this page. It keeps going and stays here.</p>
        <svg class="meter wide" viewBox="0 0 100 5" preserveAspectRatio="none" aria-hidden="true">
            <rect width="{{ round(100 * $set->done / max(1, count($set->papers))) }}" height="5"/></svg>
    @endif
</div>
