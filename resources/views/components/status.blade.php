@props(['status'])
<span class="status {{ $status->value }}">{{ $status->label() }}</span>
