@props(['seat', 'state' => 'plain', 'title' => null])
<svg {{ $attributes->class(['seat', "tone-{$seat->tone()}", $state]) }} viewBox="0 0 20 20" @if ($title) role="img"
    aria-label="{{ $title }}" @else aria-hidden="true" @endif>
    @if ($title)<title>{{ $title }}</title>@endif
    @switch($seat->shape())
        @case('circle')<circle class="shape" cx="10" cy="10" r="8"/>@break
        @case('square')<rect class="shape" x="2.4" y="2.4" width="15.2" height="15.2" rx="2"/>@break
        @case('diamond')<path class="shape" d="M10 .8L19.2 10L10 19.2L.8 10Z"/>@break
        @case('hexagon')<path class="shape" d="M5.6 1.8H14.4L19 10L14.4 18.2H5.6L1 10Z"/>@break
        @default<path class="shape" d="M10 1.6L19 17.8H1Z"/>
    @endswitch
    @if ($state === 'plain')
        <text x="10" y="{{ $seat->shape() === 'triangle' ? 15.6 : 13.4 }}">{{ $seat->letter() }}</text>
    @elseif ($state === 'done')
        <path class="tick" d="M6.4 10.2L9 12.8L13.8 7.6"/>
    @elseif ($state === 'open')
        <circle class="dot" cx="10" cy="10" r="2.4"/>
    @elseif ($state === 'declined')
        <path class="strike" d="M4 16L16 4"/>
    @endif
</svg>
