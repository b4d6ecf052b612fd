{{-- On a phone each lane has its name above it and begins a little before today. --}}
@php($narrow = ($lanes->today - 44).' %s 430 %s')
<div class="narrow-lanes">
    <svg class="lanes" viewBox="{{ sprintf($narrow, 0, 26) }}" aria-hidden="true">
        @foreach ($lanes->ticks as $tick)@if ($tick['x'] > $lanes->today + 26)
        <text class="tick-label" x="{{ $tick['x'] }}" y="20">{{ $tick['label'] }}</text>@endif @endforeach
        <text class="today-label" x="{{ $lanes->today }}" y="20">today</text></svg>
    @foreach ($lanes->rows as $row)
        @php($seat = \Unanimus\Signing\Seat::of($row->shape))
        <a href="/files/{{ $row->key }}"><span class="in-row"><x-seat :seat="$seat" /> <b>{{ $row->name }}</b>
            <span class="dim">{{ $row->percent }}%</span></span><span class="unseen">{{ $row->told() }}</span>
            <svg class="lanes" viewBox="{{ sprintf($narrow, $row->y - 13, 26) }}" aria-hidden="true"><use href="#lane-{{ $row->key }}"/>
                <line class="today" x1="{{ $lanes->today }}" y1="{{ $row->y - 13 }}" x2="{{ $lanes->today }}" y2="{{ $row->y + 13 }}"/>
            </svg></a>
    @endforeach
</div>
