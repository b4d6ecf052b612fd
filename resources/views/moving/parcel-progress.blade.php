@php($all = $counts['unread'] + $counts['waiting'] + $counts['none'] + $counts['taken'] + $counts['refused'])
<div id="progress" @if ($isWorking) hx-get="/imports/{{ $import->key }}/papers/progress" hx-trigger="every 1500ms" hx-swap="outerHTML"
    @endif>
    <svg class="meter wide" viewBox="0 0 100 5" preserveAspectRatio="none" aria-hidden="true"><rect
        width="{{ round(100 * ($counts['taken'] + $counts['refused']) / max(1, $all)) }}" height="5"/></svg>
    <p role="status"><b>{{ number_format($all) }} {{ $all === 1 ? 'document' : 'documents' }}</b>{{
        $counts['unread'] ? ', '.number_format($counts['unread']).' still being read' : '' }}{{
        $counts['taken'] ? ', '.number_format($counts['taken']).' in their files' : '' }}{{
        $counts['waiting'] > 0 ? ', '.number_format($counts['waiting']).' waiting for their files' :
            '' }}{{
        $counts['none'] ? ', '.number_format($counts['none']).' in folders of no file' : '' }}{{
        $counts['refused'] ? ', '.number_format($counts['refused']).' not taken' : '' }}.
        @if (! $isWorking && $import->state === 'done') <a href="/imports/{{ $import->key }}/papers">See the report</a>@endif</p>
</div>
