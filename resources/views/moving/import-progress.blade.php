@php($all = array_sum($counts))
@php($opened = $counts['opened'] ?? 0)
<div id="progress" @if ($import->state === 'running') hx-get="/imports/{{ $import->key }}/progress" hx-trigger="every 1500ms"
    hx-swap="outerHTML" @endif>
    <svg class="meter wide" viewBox="0 0 100 5" preserveAspectRatio="none" aria-hidden="true">
        <rect width="{{ $all === 0 ? 0 : round(100 * $opened / max(1, $opened + ($counts['fit'] ?? 0))) }}" height="5"/></svg>
    <p role="status"><b>{{ $opened }} opened</b>{{ ($counts['fit'] ?? 0) ? ', '.$counts['fit'].' to go' : '' }}{{ ($counts['twin'] ?? 0) ?
        ', '.$counts['twin'].' already here' : '' }}{{ ($counts['unfit'] ?? 0) ? ', '.$counts['unfit'].' not opened' :
        '' }}, of {{ $all }} rows.@if ($import->state === 'done') Done. <a href="/imports/{{ $import->key }}">See the report</a>@endif</p>
</div>
