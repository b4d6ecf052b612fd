@props(['line', 'file'])
@php($base = 38 + $line->rows * 18)
<svg class="deal-line" viewBox="0 0 1232 {{ $base + 48 }}" role="group" aria-label="Deal line: {{ count($line->posts) }} anchors and {{ count($line->flags) }} deadlines">
    <line class="rail" x1="16" y1="{{ $base }}" x2="1216" y2="{{ $base }}"/>
    @if ($line->today !== null && $line->today > $line->from)
        <line class="run" x1="{{ $line->from }}" y1="{{ $base }}" x2="{{ min($line->today, $line->to) }}" y2="{{ $base }}"/>
    @endif
    @foreach ($line->ticks as $tick)
        <line class="tick" x1="{{ $tick['x'] }}" y1="{{ $base + 6 }}" x2="{{ $tick['x'] }}" y2="{{ $base + 10 }}"/>
        <text class="tick-label" x="{{ $tick['x'] }}" y="{{ $base + 21 }}">{{ $tick['label'] }}</text>
    @endforeach
    @foreach ($line->flags as $flag)
        <a class="flag {{ $flag['state'] }}" href="#deadlines">
            <title>{{ $flag['label'] }}, {{ $flag['day'] }}: {{ $flag['because'] }}</title>
            @if ($flag['row'] === 0)
                <line x1="{{ $flag['x'] }}" y1="{{ $base - 3 }}" x2="{{ $flag['x'] }}" y2="{{ $base - 12 }}"/>
                <path d="M{{ $flag['x'] }} {{ $base - 12 }}h8l3 3l-3 3h-8z"/>
            @else
                @php($top = $base - 16 - $flag['row'] * 18)
                <line x1="{{ $flag['x'] }}" y1="{{ $base - 3 }}" x2="{{ $flag['x'] }}" y2="{{ $top }}"/>
                <path d="M{{ $flag['x'] }} {{ $top }}h{{ $flag['width'] - 6 }}l6 7.5l-6 7.5h-{{ $flag['width'] - 6 }}z"/>
                <text x="{{ $flag['x'] + 5 }}" y="{{ $top + 11.7 }}">{{ $flag['label'] }}</text>
            @endif
        </a>
    @endforeach
    @if ($line->today !== null)
        <line class="today" x1="{{ $line->today }}" y1="14" x2="{{ $line->today }}" y2="{{ $base + 8 }}"/>
        <text class="today-label" x="{{ $line->today }}" y="10">today</text>
    @endif
    @foreach ($line->posts as $post)
        <g @class(['post', 'past' => $post['past']])>
            <rect x="{{ $post['x'] - 4 }}" y="{{ $base - 13 }}" width="8" height="26" rx="1.5"/>
            <text text-anchor="{{ $post['anchor'] }}" x="{{ $post['x'] }}" y="{{ $base + 40 }}"><tspan class="name">{{ $post['label'] }}</tspan> <tspan class="day">{{ $post['day'] }}</tspan></text>
        </g>
    @endforeach
</svg>
