@foreach ($shelf as $one)
    <li><a href="/files/{{ $file->key }}/kits/{{ $one->kit->key }}" @if ($loop->first) autofocus @endif>{{ $one->kit->name }}</a><span
        class="dim">{{ count($one->kit->items) }} papers</span><span class="dim">{{ $file->kits->contains('kit', $one->kit->key) ?
        'already applied' : $one->of }}</span></li>
@endforeach
