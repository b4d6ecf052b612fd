<x-layout :title="$own->title.', tryout'" place="office">
    <div class="desk-bar"><h1>{{ $own->title }}</h1>
        <span class="dim">tryout: nothing is saved · <a href="/own-forms/{{ $own->key }}">Back to the form</a></span>
        <div class="acts">
            <form action="/own-forms/{{ $own->key }}/try" class="in-row"><span class="select"><select name="file"
                aria-label="Fill from the file"><option value="">a sample value in every blank</option>@foreach ($files as $one)
                <option value="{{ $one->key }}" @selected($file?->key === $one->key)>{{ $one->name }}</option>@endforeach</select></span>
                <button class="button tight">Fill blanks</button></form>
            <button class="button tight now" form="trial">Print</button>
        </div></div>
    <form method="post" action="/own-forms/{{ $own->key }}/try" id="trial">@csrf
        @foreach ($form->pages as $index => [$width, $height])
            <section class="page alone" aria-label="Page {{ $index + 1 }}">
                <svg viewBox="0 0 {{ $width }} {{ $height }}">
                    <image href="/own-forms/{{ $own->key }}/pages/{{ $index + 1 }}.webp" width="{{ $width }}" height="{{ $height }}"/>
                    @foreach ($form->marks as $mark) @if ($mark->page === $index + 1)
                        <g class="tone-{{ $mark->seat->tone() }}">
                            <rect class="place" x="{{ $mark->place->x }}" y="{{ $mark->place->y }}" width="{{ $mark->place->width }}"
                            height="{{ $mark->place->height }}"/>
                            <text class="place-word" x="{{ $mark->place->x + 2 }}"
                            y="{{ $mark->place->y + 7 }}">{{ $mark->kind->label() }} · {{ $mark->seat->label() }}</text></g>
                    @endif @endforeach
                    @foreach ($form->blanksOn($index + 1) as $b)
                        @php($typed = old('v.'.$b->name, $b->kind->show($filling->value($b->name))))
                        <foreignObject x="{{ $b->place->x }}" y="{{ $b->place->y }}" width="{{ $b->place->width }}"
                            height="{{ $b->place->height }}">
                            @include('papers.blank', ['sent' => ['name', "v[{$b->name}]"], 'value' => $typed])
                        </foreignObject>
                    @endforeach
                </svg>
            </section>
        @endforeach
    </form>
</x-layout>
