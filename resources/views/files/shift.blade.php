<h2>{{ $label }} to {{ $day->short($agenda->today->year()) }}</h2>
@foreach ($shift->anchorConflicts as $told)<p class="late">{{ $told }}</p>@endforeach
@if ($shift->moves === [])
    <p class="dim">No other date depends on it.</p>
@else
    <p class="dim">{{ count($shift->moves) === 1 ? '1 date moves' : count($shift->moves).' dates move' }} also:</p>
    <table class="ledger shift">
        <thead><tr><th>Date</th><th>Now</th><th>Then</th><th class="amount">Days</th><th>Note</th></tr></thead>
        <tbody>
        @foreach ($shift->moves as $move)
            <tr title="{{ $move['because'] }}"><td><b>{{ $move['label'] }}</b></td><td class="dim">
                {{ $move['from']?->short($agenda->today->year()) ?? 'not yet' }}</td><td>
                {{ $move['to']?->short($agenda->today->year()) ?? 'gone' }}</td><td class="amount">
                {{ $move['days'] === 0 ? '' : sprintf('%+d', $move['days']) }}</td><td class="late">{{ implode(', ', $move['conflicts']) }}
                </td></tr>
        @endforeach
        </tbody>
    </table>
@endif
<form method="post" action="/files/{{ $file->key }}/shift">
    @csrf
    <input type="hidden" name="anchor" value="{{ $anchor }}"><input type="hidden" name="day" value="{{ $day->iso() }}"><input type="hidden"
        name="back" value="{{ $back }}"><input type="hidden" name="seen" value="{{ ($agenda->anchors[$anchor]['day'] ?? null)?->iso() }}">
    @if ($asks)<label class="line"><span>Reason (once there is a contract, dates move by a signed amendment)</span><input class="input"
        name="reason" required maxlength="500" placeholder="Amendment 1, signed Thursday" autocomplete="off"></label>@endif
    <button class="button now">Move {{ $shift->moves === [] ? 'it' : 'them' }}</button> <button class="button" type="button"
        data-closes>Leave unchanged</button>
</form>
