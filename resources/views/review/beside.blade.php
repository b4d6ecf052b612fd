<h2 class="minor">{{ $paper->title }}</h2>
@php($drawings = $view->drawings())
@forelse ($view->sizes as $index => [$width, $height])
    <section class="page" aria-label="{{ $paper->title }}, page {{ $index + 1 }}">
        <svg viewBox="0 0 {{ $width }} {{ $height }}"><image href="/papers/{{ $paper->key }}/pages/{{ $index + 1 }}.webp?v={{ $view->stamp
            }}" width="{{ $width }}" height="{{ $height }}"/>{!! ($drawings[$index + 1] ?? null)?->inner() !!}</svg></section>
@empty<p class="dim">It has not arrived yet.</p>@endforelse
