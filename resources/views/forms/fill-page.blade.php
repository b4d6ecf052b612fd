<x-guest :title="$paper->title" :from="$fill->asker->name" :speaks="'/fill/'.$token.'/language'" :scripts="['resources/js/paper.js']">
    <h1 class="unseen">{{ $paper->title }}</h1>
    <div class="desk-bar fill-bar" data-paper="{{ $paper->key }}" data-entries="/fill/{{ $token }}/papers/{{ $paper->key }}/entries"
        data-entry-words="{{ json_encode(__('client.fill.script')) }}">
        <a class="button tight" href="/fill/{{ $token }}">{{ __('client.back') }}</a>
        <span id="stored" class="stored" role="status">{{ __('client.fill.saved_as_you_go') }}</span>
        <span class="in-row"><b id="left">@php($left = count(array_filter($view->missing, fn ($blank) =>
            in_array($blank->name, $asked, true))))
            {{ __('client.fill.script.'.match ($left) { 0 => 'none', 1 => 'one', default => 'many' }, ['count' => $left]) }}</b>
            <button class="button tight" type="button" id="next-missing">{{ __('client.fill.next') }}</button></span>
    </div>
    <div class="leaf ask-term" id="met" hidden role="alertdialog" aria-labelledby="met-text">
        <span id="met-text"></span>
        <button class="button tight" type="button" data-met="mine">{{ __('client.fill.keep_mine') }}</button>
        <button class="button tight" type="button" data-met="theirs">{{ __('client.fill.use_theirs') }}</button>
    </div>
    <div class="fill-pages">
        @foreach ($view->sizes as $index => [$width, $height])
            <section class="page" id="page-{{ $index + 1 }}" data-page="{{ $index + 1 }}"
                aria-label="{{ __('client.page', ['page' => $index + 1]) }}">
                <svg viewBox="0 0 {{ $width }} {{ $height }}">
                    <image {{ $index < 4 ? '' : 'data-' }}href="/fill/{{ $token }}/papers/{{ $paper->key }}/pages/{{ $index +
                        1 }}.webp?v={{ $view->stamp }}" width="{{ $width }}" height="{{ $height }}"/>
                    @foreach ($view->on($index + 1) as $filled)
                        @php($b = $filled->blank)
                        @if (in_array($b->name, $asked, true))<foreignObject x="{{ $b->place->x }}" y="{{ $b->place->y }}"
                            width="{{ $b->place->width }}" height="{{ $b->place->height }}">@include('papers.blank',
                            ['sent' => ['data-blank', $b->name], 'value' => \App\Papers\PaperView::shown($filled), 'told' =>
                            $b->label.' · '.$filled->source, 'class' => ($view->isMissing($b->name) ? ' missing' : '').($filled->departs ?
                            ' departs' : '')])</foreignObject>
                        @elseif ($filled->value !== '')@if ($b->kind->value === 'tick')
                            <path class="was-ticked" d="M{{ $b->place->x + 2 }} {{ $b->place->y + 2 }}l{{ $b->place->width -
                            4 }} {{ $b->place->height - 4 }}m0 {{ 4 - $b->place->height }}l{{ 4 - $b->place->width }} {{ $b->place->height
                            - 4 }}"/>@else<text class="was-filled" x="{{ $b->place->x + 1.5 }}" y="{{ $b->place->y + $b->place->height -
                            2.6 }}">{{ mb_strimwidth(\App\Papers\PaperView::shown($filled), 0, (int) ($b->place->width / 4.4),
                            '…') }}</text>@endif @endif
                    @endforeach
                    {!! $view->layerOn($index + 1) !!}
                </svg>
            </section>
        @endforeach
    </div>
    <p class="sheet"><a class="button now wide-button" href="/fill/{{ $token }}">{{ __('client.fill.page_done') }}</a></p>
</x-guest>
