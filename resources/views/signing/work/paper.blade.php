<x-guest :title="$one->guestPaper->title" :from="$copy->giver->name">
    <div class="sheet"><h1>{{ $one->guestPaper->title }}</h1>
        <p><a class="button" href="/work/{{ $token }}">Back</a>
            <a class="button" href="/work/{{ $token }}/papers/{{ $one->key }}/paper.pdf" download>Download the PDF</a>
            @if ($text === null)<a href="/work/{{ $token }}/papers/{{ $one->key }}?text=1">Read as text</a>
            @else<a href="/work/{{ $token }}/papers/{{ $one->key }}">See the pages</a>@endif</p></div>
    @if ($text === null)
        <div class="fill-pages reading">
            @foreach ($sizes as $index => [$width, $height])
                <section class="page" aria-label="Page {{ $index + 1 }}">
                    <img src="/work/{{ $token }}/papers/{{ $one->key }}/pages/{{ $index + 1 }}.webp" alt="" width="{{ round($width) }}"
                        height="{{ round($height) }}" loading="lazy"></section>
            @endforeach
        </div>
    @else
        <div class="sheet">@include('papers.text-pages', ['pages' => $text])</div>
    @endif
</x-guest>
