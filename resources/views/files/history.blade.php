@foreach ($entries as $entry)
    <li><span class="dim">{{ \Illuminate\Support\Carbon::parse($entry->at)->setTimezone($file->office->zone)->format('D j M H:i:s') }}</span><span>{{ $entry->who }}</span><span><b>{{ $entry->what }}</b> {{ \App\History\History::words((array) json_decode($entry->data, true)) }}</span></li>
@endforeach
@if ($earlier !== null)<li><button class="button tight" type="button" hx-get="/files/{{ $file->key }}/history?before={{ $earlier }}" hx-target="closest li" hx-swap="outerHTML">Earlier</button></li>@endif
