<x-guest :title="__('client.sign.title')" :from="$round->sender->name"
    :speaks="'/sign/'.$token.'/language'" :scripts="['resources/js/signer.js']">
    <h1 class="unseen">{{ __('client.sign.title') }}</h1>
    <div data-sign="marks" data-url="/sign/{{ $token }}" data-words="{{ json_encode(__('client.sign.script')) }}">
        @foreach ($view->pages as $index => $page)
            @if ($page['page'] === 1)<h2 class="paper-title">
                {{ $page['paper']->title }}
                <a class="as-text"
                href="/sign/{{ $token }}/papers/{{ $page['paper']->position }}/text">{{ __('client.read_as_text') }}<span
                class="unseen">: {{ $page['paper']->title }}</span></a></h2>@endif
            <section class="page"
                aria-label="{{ __('client.document_page', ['document' => $page['paper']->title, 'page' => $page['page']]) }}">
                <svg viewBox="{{ $page['width'] * 0.065 }} {{ $page['height'] * 0.035 }} {{ $page['width'] * 0.87 }} {{ $page['height'] *
                    0.95 }}">
                    <image {{ $index < 4 ? '' : 'data-' }}href="{{ $page['image'] }}" width="{{ $page['width'] }}"
                        height="{{ $page['height'] }}" preserveAspectRatio="none"/>
                    @foreach ($page['marks'] as $shown)
                        @php($m = $shown['mark']) @php($place = $m->place())
                            @php($act = $m->seat === $signer->seat ? $m->act() : null)
                        @if ($act)
                            @php($terms = $m->terms())
                            @php($word = __('client.sign.'.['signature' => 'sign_here', 'initials' => 'initials_here',
                                'text' => 'type_here', 'tick' => 'check_here', 'strike' => 'strike_here'][$m->kind->value]))
                            <g @class(['mark mine', 'made' => $shown['made'], 'optional' => ! $act->isRequired,
                                'unasked' => ! $made->isAskedFor($act)]) data-mark="{{ $m->key }}" data-kind="{{ $m->kind->value }}"
                                data-group="{{ $act->group }}" data-format="{{ $terms->format->value }}" data-hint="{{ $terms->hint }}"
                                data-value="{{ $terms->isPrivate ? '' : $made->values[$m->key] ?? '' }}"
                                @if ($terms->isPrivate) data-private="1" @endif
                                tabindex="0" role="button" aria-label="{{ $terms->hint ?: $word }}, {{ __('client.page', ['page' =>
                                $m->page]) }}{{ $act->isRequired ? '' : __('client.sign.optional') }}{{ $shown['made'] ?
                                __('client.sign.done') : '' }}">
                                <rect x="{{ $place->x }}" y="{{ $place->y }}" width="{{ $place->width }}" height="{{ $place->height }}"
                                    rx="1.5"/>
                                <text class="word" x="{{ $place->x + $place->width / 2 }}" y="{{ $place->y + $place->height / 2 +
                                    2.5 }}">{{ in_array($m->kind->value, ['tick', 'strike'], true) ? '' :
                                    ($m->kind->value === 'text' && $terms->hint !== '' ?
                                    $terms->hint : $word) }}</text>
                                <g class="drawn" aria-hidden="true">{!! $shown['drawn'] !!}</g>
                            </g>
                        @elseif ($shown['drawn'] !== '')
                            {!! $shown['drawn'] !!}
                        @endif
                    @endforeach
                </svg>
            </section>
        @endforeach
        @include('signing.to-add')
        @include('signing.ask')
        <form id="finish" method="post" action="/sign/{{ $token }}/finish">@csrf</form>
        <div class="go-bar">
            <div class="entry" id="entry" hidden><label for="entry-text"></label><textarea class="textarea" id="entry-text" rows="1"
                maxlength="500"></textarea></div>
            <span class="left-count" id="left" role="status">{{ trans_choice('client.sign.left', $left) }}</span>
            <button class="button" id="larger" type="button" aria-pressed="false" title="{{ __('client.sign.larger') }}"><span
            aria-hidden="true">A+</span><span class="unseen">{{ __('client.sign.larger') }}</span></button>
            <button class="button" id="skip" type="button" hidden>{{ __('client.sign.skip') }}</button>
            <button class="button now" id="go" type="button">{{ __('client.sign.start') }}</button></div>
    </div>
</x-guest>
