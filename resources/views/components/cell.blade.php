@props(['state' => null, 'seat', 'who'])
@if ($state === 'blanks')
<svg class="glyph owes-blanks" viewBox="0 0 20 20" role="img" aria-label="{{ $who }} owes blanks"><title>{{ $who }} owes blanks</title>
    <path d="M3 6H17M3 10.5H17M3 15H11" fill="none"/></svg>
@elseif ($state)
<x-seat :seat="$seat" :state="$state"
    :title="$who.' '.['owes' => 'has to sign', 'open' => 'opened it', 'done' => 'done', 'declined' => 'declined'][$state]" />
@endif
