<svg class="lanes" viewBox="0 0 1232 {{ $lanes->height + 8 }}" role="group" aria-label="Open files by their dates">
    @if ($lanes->fullWeek)
        <rect class="full" x="{{ $lanes->fullWeek->x }}" y="26" width="{{ $lanes->fullWeek->width }}"
            height="{{ $lanes->height - 30 }}"/>
    @endif
    @foreach ($lanes->weekends as $weekend)<rect class="weekend" x="{{ $weekend['x'] }}" y="28" width="{{ $weekend['width'] }}"
        height="{{ $lanes->height - 34 }}"/>@endforeach
    @foreach ($lanes->ticks as $tick)<text class="tick-label" x="{{ $tick['x'] }}" y="22">{{ $tick['label'] }}</text>@endforeach
    @foreach ($lanes->rows as $row)
        @php($seat = \Unanimus\Signing\Seat::of($row->shape))
        <a href="/files/{{ $row->key }}">
            <title>{{ $row->name }} · {{ $row->told() }}</title>
            <rect class="hit" x="0" y="{{ $row->y - 12 }}" width="1232" height="24"/>
            <line class="grid" x1="0" y1="{{ $row->y + 12 }}" x2="1232" y2="{{ $row->y + 12 }}"/>
            <g class="tone-{{ $seat->tone() }}">@if ($seat->shape() === 'circle')
                <circle cx="9" cy="{{ $row->y }}" r="5.6" fill="var(--tone)"/>@else
                <rect x="3.6" y="{{ $row->y - 5.2 }}" width="10.6" height="10.6" rx="1.6" fill="var(--tone)"/>@endif</g>
            <text class="name" x="23" y="{{ $row->y + 4.5 }}">{{ mb_strimwidth($row->name, 0, 29, '…') }}</text>
            <g class="lane" id="lane-{{ $row->key }}">
            @if ($row->to !== null)
                <line class="rail" x1="{{ max($row->from ?? $lanes->today, 240) }}" y1="{{ $row->y }}" x2="{{ $row->to }}"
                    y2="{{ $row->y }}"/>
                @if ($row->from !== null && $row->from < $lanes->today)
                    <line class="run" x1="{{ $row->from }}" y1="{{ $row->y }}" x2="{{ min($lanes->today, $row->to) }}"
                    y2="{{ $row->y }}"/>@endif
            @else
                <line class="no-closing" x1="{{ $row->from ?? $lanes->today }}" y1="{{ $row->y }}" x2="1172" y2="{{ $row->y }}"/>
            @endif
            @foreach ($row->flags as $flag)
                <path class="pennant {{ $flag->state }}" d="M{{ $flag->x }} {{ $row->y -
                    3 }}v-6h8l2.4 2.6l-2.4 2.6h-7{{ $flag->state === 'late' ? 'l3.5 3z' : 'z' }}"><title>{{ $flag->title }}</title>
                    </path>
            @endforeach
            @if ($row->close)<g @class(['close', 'late' => $row->close->late])>
                <rect x="{{ $row->close->x - 4 }}" y="{{ $row->y - 8.5 }}" width="8" height="17" rx="1.5"/></g>@endif
            </g>
            @php($tells = $row->told())
            <g class="tell" aria-hidden="true">
                <rect x="240" y="{{ $row->y - 11 }}" width="{{ min(930, \Unanimus\Pages\Typeface::width($tells, 12) + 16) }}" height="22"
                rx="2"/><text x="248" y="{{ $row->y + 4.5 }}">{{ $tells }}</text></g>
            <text class="percent" x="1228" y="{{ $row->y + 4.5 }}">{{ $row->percent }}%</text>
        </a>
    @endforeach
    <line class="today" x1="{{ $lanes->today }}" y1="14" x2="{{ $lanes->today }}" y2="{{ $lanes->height - 6 }}"/>
    @if ($lanes->fullWeek)<text class="full-label" x="{{ min(1160, $lanes->fullWeek->x + $lanes->fullWeek->width / 2) }}"
        y="{{ $lanes->height + 4 }}">{{ $lanes->fullWeek->count === 3 ? 'three' :
        $lanes->fullWeek->count }} closings {{ $lanes->fullWeek->now ? 'this week' : 'in one week' }}</text>@endif
    <text class="today-label" x="{{ $lanes->today }}" y="10">today</text>
</svg>
