@props(['line', 'file', 'moves' => false])
@php($base = 18 + $line->height)
<svg class="deal-line" viewBox="0 0 1232 {{ $base + 33 + $line->depth() * 15 }}" role="group" @if ($moves)
    data-deal-line="/files/{{ $file->key }}/shift" data-unit="{{ $line->unit }}" @endif
    aria-label="Deal line: {{ count($line->posts) }} anchors and {{ count($line->flags) }} deadlines">
    <line class="rail" x1="16" y1="{{ $base }}" x2="1216" y2="{{ $base }}"/>
    @if ($line->today !== null && $line->today > $line->from)
        <line class="run" x1="{{ $line->from }}" y1="{{ $base }}" x2="{{ min($line->today, $line->to) }}" y2="{{ $base }}"/>
    @endif
    @foreach ($line->ticks as $tick)
        <line class="tick" x1="{{ $tick['x'] }}" y1="{{ $base + 6 }}" x2="{{ $tick['x'] }}" y2="{{ $base + 10 }}"/>
        <text class="tick-label" x="{{ $tick['x'] }}" y="{{ $base + 21 }}">{{ $tick['label'] }}</text>
    @endforeach
    @foreach ($line->flags as $flag)
        <a class="flag {{ $flag['state'] }}" href="/files/{{ $file->key }}/dates">
            <title>{{ $flag['name'] }}, {{ $flag['day'] }}: {{ $flag['because'] }}</title>
            @if ($line->isSlanted())
                @php($foot = $line->feet[$flag['key']])
                <path class="lead" d="M{{ $flag['x'] }} {{ $base - 3 }}V{{ $base - 9 }}L{{ $foot }} {{ $base - 22 }}"/>
                <g transform="translate({{ $foot }} {{ $base - 22 }}) rotate(-{{ $line::SLANT }})">
                    <path d="M0 -7h{{ $flag['width'] - 6 }}l6 7l-6 7h-{{ $flag['width'] - 6 }}z"/>
                    <text x="5" y="4.2">{{ $flag['label'] }}</text>
                </g>
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
        <g @class(['post', 'past' => $post['past'], 'moves' => $moves]) @if ($moves) tabindex="0" role="slider" aria-valuemin="-3660"
            aria-valuemax="3660" aria-valuenow="0" aria-valuetext="{{ $post['day'] }}"
            aria-label="{{ $post['label'] }}: arrow keys move it, Enter shows what moves with it" data-anchor="{{ $post['key'] }}"
            data-drop="{{ ($line->depth() - $post['row']) * 15 }}" data-day="{{ $post['iso'] }}" @endif>
            <rect x="{{ $post['x'] - 4 }}" y="{{ $base - 13 }}" width="8" height="26" rx="1.5"/>
            <text x="{{ $post['left'] }}" y="{{ $base + 40 + $post['row'] * 15 }}"><tspan class="name">{{ $post['label'] }}</tspan> <tspan
                class="day">{{ $post['day'] }}</tspan></text>
        </g>
    @endforeach
</svg>
<div class="unseen"><table>
    <caption>Dates of this file</caption>
    <thead><tr><th scope="col">Date</th><th scope="col">Day</th><th scope="col">Standing</th></tr></thead>
    <tbody>
    @foreach ($line->posts as $post)<tr><th scope="row">{{ $post['label'] }}</th><td>{{ $post['day'] }}</td><td>
        {{ $post['past'] ? 'past' : 'ahead' }}</td></tr>@endforeach
    @foreach ($line->flags as $flag)<tr><th scope="row">{{ $flag['name'] }}</th><td>{{ $flag['day'] }}</td><td>
        {{ $flag['state'] }}: {{ $flag['because'] }}</td></tr>@endforeach
    </tbody>
</table></div>
