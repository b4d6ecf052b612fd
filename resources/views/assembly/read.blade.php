<x-guest title="Papers to read" :from="$copy->giver->name" :opened="'/read/'.$token.'/opened'">
    <div class="sheet"><h1>{{ $copy->set->title }}</h1><p>{{ count($sizes) === 1 ? 'One page' : count($sizes).' pages' }}, for {{ $copy->name }}, until {{ $copy->lastDay()->long() }}.</p>
        @if ($copy->message !== '')<blockquote>{{ $copy->message }}</blockquote>@endif
        <p><a class="button now wide-button" href="/read/{{ $token }}/set.pdf" download>Save as PDF</a></p>
        <p><a href="/read/{{ $token }}/text">Read as text</a></p></div>
    <div class="fill-pages reading">
        @foreach ($sizes as $index => [$width, $height])
            <section class="page" aria-label="Page {{ $index + 1 }}"><img src="/read/{{ $token }}/pages/{{ $index + 1 }}.webp" alt="Page {{ $index + 1 }}" width="{{ round($width) }}" height="{{ round($height) }}" loading="lazy"></section>
        @endforeach
    </div>
</x-guest>
