@foreach ($pages as $number => $paragraphs)
    <section aria-label="Page {{ $number }}"><h3>Page {{ $number }}</h3>
    @forelse ($paragraphs as $paragraph)<p>{{ $paragraph }}</p>@empty<p class="dim">This page is a picture; there is no text in it to read out.</p>@endforelse
    </section>
@endforeach
