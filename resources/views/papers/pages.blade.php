@php($drawings = $layered ?? false ? [] : $view->drawings())
@foreach ($view->sizes as $index => [$width, $height])
    <section class="page" id="page-{{ $index + 1 }}" data-pin-page="{{ $index + 1 }}" aria-label="Page {{ $index + 1 }}">
        <svg viewBox="0 0 {{ $width }} {{ $height }}" @if ($layered ?? false) data-layer="{{ $index + 1 }}" @endif>
            <image {{ $index < 4 ? '' : 'data-' }}href="/papers/{{ $paper->key }}/pages/{{ $index + 1 }}.webp?v={{ $view->stamp }}"
                width="{{ $width }}" height="{{ $height }}"/>
            @if ($layered ?? false) @include('papers.layer', ['number' => $index + 1]) @else
                {!! ($drawings[$index + 1] ?? null)?->inner() !!} @endif
            @foreach ($findings ?? [] as $finding) @if ($finding->page === $index + 1 && $finding->place)
                <rect class="differs" x="{{ $finding->place->x - 1 }}" y="{{ $finding->place->y - 1 }}" width="{{ $finding->place->width +
                2 }}" height="{{ $finding->place->height + 2 }}"><title>{{ $finding->text }}</title></rect>@endif @endforeach
            @foreach (($remarks ?? collect())->where('page', $index + 1) as $n => $remark)
                <g class="pin"><circle cx="{{ $remark->x }}" cy="{{ $remark->y }}" r="7"/>
                    <text x="{{ $remark->x }}" y="{{ $remark->y + 3 }}">{{ $n + 1 }}</text></g>
            @endforeach
        </svg>
    </section>
@endforeach
