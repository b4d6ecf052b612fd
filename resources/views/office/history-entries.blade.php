@foreach ($entries as $entry)
    <li><span class="dim">{{ \Unanimus\Dates\Moment::record(\Illuminate\Support\Carbon::parse($entry->at),
        $zone) }}</span><span>{{ $entry->who }}</span><span>{{ \App\History\Sentence::of($entry->what, (array)
        json_decode($entry->data, true)) }}</span></li>
@endforeach
@if ($earlier !== null)<li><button class="button tight" type="button" hx-get="/office/history?before={{ $earlier }}" hx-target="closest li"
    hx-swap="outerHTML">Show earlier entries</button></li>@endif
