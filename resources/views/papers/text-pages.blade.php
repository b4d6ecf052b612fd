@foreach ($pages as $number => $paragraphs)
    <section aria-label="Page {{ $number }}"><h2>Page {{ $number }}</h2>
    @forelse ($paragraphs as $paragraph)<p>{{ $paragraph }}</p>@empty<p class="dim">This page is a picture. It has no text to read out.</p>@endforelse
    </section>
@endforeach
