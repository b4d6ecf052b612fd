<x-layout :title="'Delivery: '.$file->name" place="files">
    <div class="head-row"><h1>Delivery</h1><span class="dim">of the signed papers of <a href="/files/{{ $file->key }}">{{ $file->name
        }}</a></span></div>
    @if ($deliveries->rows === [])
        <div class="leaf pad"><p class="empty">Papers that everyone has signed show up here, with who has received them.</p></div>
    @else
        @if ($works && $deliveries->open() > 0)
            <form method="post" action="/files/{{ $file->key }}/delivery/send" class="say">@csrf
                {{ $deliveries->open() === 1 ? '1 paper has' : $deliveries->open().' papers have' }} not reached everyone.
                <button class="button tight now" data-weighs="send them">Send what is missing</button>
                <span class="dim small">Everyone gets one email with a link to what they have not got.</span></form>
        @endif
        @if ($failed)<p class="say late">They were not sent: {{ $failed->failure }} Fix that paper, then send again.</p>@endif
        @if ($soon->isNotEmpty())<p class="say dim small">Many pages are being combined for {{ $file->parties->whereIn('id',
            $soon)->pluck('name')->implode(', ') }}. They are sent as soon as that is done; you need not wait.</p>@endif
        <div class="leaf pad scrolls" tabindex="0" role="region" aria-label="Who has which paper">
            <table class="ledger delivery">
                <thead><tr><th scope="col">Paper</th>@foreach ($deliveries->parties as $party)<th scope="col"><x-seat
                    :seat="$party->seat()" /> {{ $party->name }}</th>@endforeach</tr></thead>
                <tbody>@foreach ($deliveries->rows as $row)
                    <tr data-row><th scope="row"><a href="/papers/{{ $row['paper']->key }}">{{ $row['paper']->title }}</a></th>
                        @foreach ($deliveries->parties as $party)<td>
                            @if (! array_key_exists($party->id, $row['owed']))<span class="dim" title="does not sign it">–</span>
                            @elseif ($row['owed'][$party->id])<span class="ok">✓ {{ $row['owed'][$party->id]->on_day->short(
                                $file->office->today()->year()) }}</span> <span class="dim small">{{ $row['owed'][$party->id]->how->label()
                                }}</span>
                            @elseif ($works)<label class="checkbox"><input type="checkbox" name="papers[]"
                                value="{{ $row['paper']->key }}" form="note-{{ $party->key }}"> not yet</label>
                            @else<span class="late">not yet</span>@endif</td>@endforeach</tr>@endforeach
                </tbody>
                @if ($works && $deliveries->open() > 0)<tfoot><tr><td class="dim small">Reached them otherwise? Check the papers, then
                    note how.</td>@foreach ($deliveries->parties as $party)<td>@if ($deliveries->missingFor($party) !== [])
                    <form method="post" id="note-{{ $party->key }}" action="/files/{{ $file->key }}/delivery" class="note-how">@csrf
                        <input type="hidden" name="party" value="{{ $party->key }}">
                        <span class="select"><select name="how" aria-label="How they reached {{ $party->name }}">
                            @foreach (\Unanimus\Files\DeliveryHow::byHand() as $how)<option value="{{ $how->value }}">{{ $how->label() }}
                            </option>@endforeach</select></span>
                        <input class="input" name="on" maxlength="40" autocomplete="off" placeholder="today"
                            aria-label="Day they reached {{ $party->name }}">
                        <button class="button tight">Save delivery</button></form>@endif</td>@endforeach</tr></tfoot>@endif
            </table>
        </div>
    @endif
</x-layout>
