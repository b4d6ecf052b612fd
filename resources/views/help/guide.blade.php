<x-layout :title="'Help: '.$name">
    <div class="office">
        <nav class="office-index guide" aria-label="Help">@foreach (\App\Help\Guide::GROUPS as $group => $places)
            <h2>{{ $group }}</h2><ul>@foreach ($places as $key => [$called])<li><a href="/help/{{ $key }}" @if ($key === $place)
                aria-current="page" @endif><b>{{ $called }}</b></a></li>@endforeach</ul>@endforeach</nav>
        <div class="leaf pad help">
            <h1>{{ $name }}</h1>
            @include("help.{$place}")
            <img src="{{ '/guide/'.$picture.'.webp' }}" alt="{{ $name }}, as it looks with the sample files"
                width="1000"
                loading="lazy">
            <p class="dim">Keys of the screen you are on: press <kbd>?</kbd>. For your clients: <a href="/how-signing-works">how signing
                works</a>.</p>
        </div>
    </div>
</x-layout>
