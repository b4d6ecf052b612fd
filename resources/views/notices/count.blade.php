@if ($new > 0)
<b class="new-count">{{ $new > 99 ? '99+' : $new }}</b><span class="unseen"> new</span>
@else
<span class="unseen">nothing new</span>
@endif
