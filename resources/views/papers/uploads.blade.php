@php($working = $uploads->where('state', 'working'))
@php($told = (string) session('refused'))
<ul class="uploads" id="uploads" aria-live="polite" @if ($working->isNotEmpty()) hx-get="/files/{{ $file->key }}/uploads"
    hx-trigger="every 2s" hx-swap="outerHTML" @endif>
    @foreach ($uploads as $upload)
        @continue($upload->state === 'refused' && str_contains($told, $upload->told))
        <li @class(['late' => $upload->state === 'refused', 'ok' => $upload->state === 'done'])>{{ $upload->told }}
            @if ($upload->state === 'refused')
                <form class="inline" method="post" action="/files/{{ $file->key }}/uploads/{{ $upload->key }}"
                    hx-delete="/files/{{ $file->key }}/uploads/{{ $upload->key }}" hx-target="#uploads" hx-swap="outerHTML">
                    @csrf @method('DELETE')
                    <button class="button tight plain" aria-label="Clear the message about {{ $upload->name }}">Clear</button></form>
            @endif</li>
    @endforeach
    @if ($uploads->contains('state', 'done') && $working->isEmpty())<li><a href="">Refresh the board</a></li>@endif
</ul>
