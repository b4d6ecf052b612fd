@props(['whole'])
<svg class="meter" viewBox="0 0 100 5" preserveAspectRatio="none" aria-hidden="true"><rect width="{{ $whole->percent() }}" height="5"/>
    </svg> {{ $whole->percent() }}%
