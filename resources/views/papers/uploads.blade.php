@php($working = $uploads->where('state', 'working'))
<ul class="uploads" id="uploads" aria-live="polite" @if ($working->isNotEmpty()) hx-get="/files/{{ $file->key }}/uploads"
    hx-trigger="every 2s" hx-swap="outerHTML" @elseif ($uploads->isNotEmpty()) data-uploads-done @endif>
    @foreach ($uploads as $upload)<li @class(['late' => $upload->state === 'refused', 'ok' => $upload->state === 'done'])>
        {{ $upload->told }}</li>@endforeach
    @if ($uploads->isNotEmpty() && $working->isEmpty())<li><a href="">Refresh the board</a></li>@endif
</ul>
