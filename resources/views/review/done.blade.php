<x-layout title="Reviewed" place="review">
    <div class="head-row"><h1>Reviewed</h1>
        <span class="dim">who decided what, the latest first · <a href="/review">review desk</a></span></div>
    @if ($done->isEmpty())<div class="leaf pad"><p class="empty">Papers that were accepted or sent back show up here.</p></div>
    @else
    <p class="say">@foreach ($each as $id => $one)<b>{{ $names[$id] ?? 'Someone' }}</b>: {{ $one['count'] }}
        {{ Str::plural('paper', $one['count']) }}, mostly within {{
        \Unanimus\Review\ReviewTime::words($one['minutes']) ?: 'a time not known' }}{{ $loop->last ? '.' : '; ' }}@endforeach</p>
    <div class="leaf pad scrolls" tabindex="0" role="region" aria-label="Reviewed papers"><table class="ledger">
        <thead><tr><th>Paper</th><th>File</th><th>Decision</th><th>By</th><th>Submitted</th><th>Decided</th><th>Waited</th></tr></thead>
        <tbody>@foreach ($done as $one)
            @php($zone = $one->file->office->zone)
            <tr data-row><td><a href="/review/{{ $one->key }}">{{ $one->title }}</a></td><td><a
                href="/files/{{ $one->file->key }}">{{ $one->file->name }}</a></td><td>{{ $one->review_state->label() }}</td>
                <td>{{ $names[$one->decided_by] ?? '' }}</td><td>{{ $one->submitted_at ? \App\Terms\When::list($one->submitted_at, $zone) :
                '' }}</td><td>{{ \App\Terms\When::list($one->decided_at, $zone) }}</td><td>{{ \Unanimus\Review\ReviewTime::words(
                \Unanimus\Review\ReviewTime::between($one->submitted_at, $one->decided_at)) }}</td></tr>@endforeach
        </tbody></table></div>
    @endif
</x-layout>
