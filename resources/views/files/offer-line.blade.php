@php($last = $longest)
@php($x = fn (int $day) => round(6 + 118 * $day / $last, 1))
<svg class="offer-line" viewBox="0 0 214 {{ 22 + 13 * count($view->contingencies) }}" role="img"
    aria-label="{{ implode(', ', [...array_map(fn ($one) => $one['label'].' '.$one['days'].' days', $view->contingencies),
    $view->daysToClosing === null ? 'no closing date' : 'closing in '.$view->daysToClosing.' days']) }}">
    @foreach ($view->contingencies as $n => $one)
        <line class="run" x1="6" y1="{{ 8 + 13 * $n }}" x2="{{ $x($one['days']) }}" y2="{{ 8 + 13 * $n }}"/>
            <text x="{{ $x($one['days']) + 4 }}" y="{{ 12 + 13 * $n }}">{{ $one['label'] }} {{ $one['days'] }}</text>
    @endforeach
    @php($base = 12 + 13 * count($view->contingencies))
    <line class="rail" x1="6" y1="{{ $base }}" x2="124" y2="{{ $base }}"/>
    @if ($view->daysToClosing !== null)<rect class="post" x="{{ $x(max(0, $view->daysToClosing)) - 3 }}" y="{{ $base - 6 }}" width="6"
        height="12" rx="1"/>@endif
</svg>
@if ($view->daysToClosing !== null)<span class="dim small">closes in {{ $view->daysToClosing }} days</span>@endif
