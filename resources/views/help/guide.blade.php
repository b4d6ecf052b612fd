<x-layout :title="'Help: '.$places[$place][0]">
    <div class="office">
        <nav class="office-index" aria-label="Help"><ul>
            @foreach ($places as $key => [$name])<li><a href="/help/{{ $key }}" @if ($key === $place) aria-current="page" @endif><b>{{ $name
                }}</b></a></li>@endforeach</ul></nav>
        <div class="leaf pad help">
            <h1>{{ $places[$place][0] }}</h1>
            @include("help.{$place}")
            <img src="{{ '/guide/'.$places[$place][1].'.webp' }}" alt="{{ $places[$place][0] }}, as it looks with the sample files"
                width="1000"
                loading="lazy">
            <p class="dim">Keys of the screen you are on: press <kbd>?</kbd>. For your clients: <a href="/how-signing-works">how signing
                works</a>.</p>
        </div>
    </div>
</x-layout>
