@foreach ($entries as $entry)
    @php($data = json_decode($entry->data, true))
    <li><span class="dim">{{ \Illuminate\Support\Carbon::parse($entry->at)->setTimezone($file->office->zone)->format('D j M H:i:s') }}</span><span>{{ $entry->who }}</span><span><b>{{ $entry->what }}</b> {{ implode(' · ', array_map(fn ($value) => is_scalar($value) ? mb_strimwidth((string) $value, 0, 60, '…') : '', array_filter($data, fn ($key) => $key !== 'sha256', ARRAY_FILTER_USE_KEY))) }}</span></li>
@endforeach
@if ($earlier !== null)<li><button class="button tight" type="button" hx-get="/files/{{ $file->key }}/history?before={{ $earlier }}" hx-target="closest li" hx-swap="outerHTML">Earlier</button></li>@endif
