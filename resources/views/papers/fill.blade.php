<x-layout :title="$paper->title" place="files"
    :scripts="['resources/js/paper.js', 'resources/js/zoom.js', 'resources/js/beside.js', ...($writes ? ['resources/js/layer.js'] : [])]">
    <div class="desk-bar" data-file="{{ $file->key }}" data-paper="{{ $paper->key }}" data-standing="/papers/{{ $paper->key }}/standing">
        <h1>{{ $paper->title }}</h1>
        <span class="dim">{{ $paper->form_number }} rev. {{ $paper->form_revision }} ·
            <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        <div class="acts">
            <span id="here" class="here" role="status"></span>
            <span id="stored" class="stored" role="status">{{ $view->stored === '' ? 'saved as you go' : 'saved at '.$view->stored }}</span>
            <a class="button tight" href="/papers/{{ $paper->key }}/log">All entries</a>
            <a class="button tight" href="/papers/{{ $paper->key }}/pdf" target="_blank">Print</a>
            <a class="button tight" href="/papers/{{ $paper->key }}/text">Read as text</a>
            @if ($writes)<button class="button tight" type="button" id="write" aria-pressed="false"
                title="Strike out printed words, add text (w)">Add text or marks</button>@endif
            @include('papers.care')
            <form method="post" action="/files/{{ $file->key }}/rounds">@csrf<input type="hidden" name="papers[]" value="{{ $paper->key }}">
                <button class="button tight">Send for signature</button></form>
        </div>
    </div>
    @if ($paper->requirement?->review_state->value === 'sent_back')
        @foreach ($paper->requirement->openRemarks() as $remark)<p class="say now">
            <b>Remark{{ $remark->page ? ', page '.$remark->page : '' }}:</b> {{ $remark->text }}</p>@include('review.answer')@endforeach
    @endif
    @if ($newer = $paper->newerForm())<p class="say">
        Rev. {{ $newer->revision }} of this form is current. This paper uses rev. {{ $paper->form_revision }}.
        <a href="/papers/{{ $paper->key }}/revision">See what carries over</a></p>@elseif ($view->form->retired)<p class="say">
        This form is retired. This paper stays as it is. Use another form for a new one.</p>@endif
    @if ($answers !== [])
        <div class="say">
            {{ implode(' and ', array_unique(array_column($answers, 'who'))) }} answered what the file does not know yet:
            {{ implode(', ', array_column($answers, 'label')) }}.
            <form class="inline" method="post" action="/papers/{{ $paper->key }}/answers">@csrf
                <button class="button tight">Use {{ count($answers) }} {{ Str::plural('answer', count($answers)) }} in the file</button>
            </form>
        </div>
    @endif
    <div class="desk" @if ($writes) data-paper="{{ $paper->key }}" data-pieces="{{ json_encode($pieces) }}"
        data-today="{{ $file->office->today()->long() }}" @endif>
        <nav class="thumbs" aria-label="Pages">
            @include('papers.zoom')
            @foreach ($view->sizes as $index => $size)
                <a href="#page-{{ $index + 1 }}"><img src="/papers/{{ $paper->key }}/pages/{{ $index + 1 }}.webp?v={{ $view->stamp }}"
                    alt="" loading="lazy" width="76" height="98">{{ $index + 1 }}
                    <span class="count" data-count="{{ $index + 1 }}">{{ $view->missingOn($index + 1) ?: '' }}</span></a>
            @endforeach
        </nav>
        <div><div class="pages">
            @foreach ($view->sizes as $index => [$width, $height])
                <section class="page" id="page-{{ $index + 1 }}" data-page="{{ $index + 1 }}" aria-label="Page {{ $index + 1 }}">
                    <svg viewBox="0 0 {{ $width }} {{ $height }}" data-layer="{{ $index + 1 }}">
                        <image {{ $index < 4 ? '' : 'data-' }}href="/papers/{{ $paper->key }}/pages/{{ $index +
                            1 }}.webp?v={{ $view->stamp }}" width="{{ $width }}" height="{{ $height }}"/>
                        @foreach ($view->marksOn($index + 1) as $mark)
                            <g class="tone-{{ $mark->seat->tone() }}">
                                <rect class="place" x="{{ $mark->place->x }}" y="{{ $mark->place->y }}" width="{{ $mark->place->width }}"
                                height="{{ $mark->place->height }}"/>
                                <text class="place-word" x="{{ $mark->place->x + 2 }}" y="{{ $mark->place->y + 7 }}">{{ $mark->kind->value
                                === 'initials' ? '' : $mark->kind->label().' · ' }}{{ $mark->seat->label() }}</text></g>
                        @endforeach
                        @foreach ($view->on($index + 1) as $filled)
                            @php($b = $filled->blank)
                            <foreignObject x="{{ $b->place->x }}" y="{{ $b->place->y }}" width="{{ $b->place->width }}"
                                height="{{ $b->place->height }}">
                                @include('papers.blank',
                                    ['sent' => ['data-blank', $b->name], 'value' => \App\Papers\PaperView::shown($filled), 'told' =>
                                    $b->label.' · '.$filled->source, 'class' => ($view->isMissing($b->name) ? ' missing' :
                                    '').($filled->departs ? ' departs' : '')])
                            </foreignObject>
                        @endforeach
                        @include('papers.layer', ['number' => $index + 1])
                    </svg>
                </section>
            @endforeach
            </div>
            @includeWhen($writes, 'papers.layer-bar')
            <div class="leaf ask-term" id="met" hidden role="alertdialog" aria-labelledby="met-text">
                <span id="met-text"></span>
                <button class="button tight" type="button" data-met="mine">Keep mine</button>
                <button class="button tight" type="button" data-met="theirs">Use theirs</button>
            </div>
            <div class="leaf ask-term" id="ask-term" hidden role="alertdialog" aria-labelledby="ask-text">
                <span id="ask-text"></span>
                <button class="button tight" type="button" data-answer="term">Change the term in all papers</button>
                <button class="button tight" type="button" data-answer="here">Only on this paper</button>
                <button class="button tight plain" type="button" data-answer="follow">Use the term’s value</button>
            </div>
        </div>
        <aside class="leaf blanks" aria-label="Blanks">
            @if ($besides !== [])
                <div class="beside-bar"><label class="unseen" for="beside-of">Show beside the page</label><select id="beside-of"
                    hx-get="/papers/{{ $paper->key }}/beside" name="of" hx-target="#beside" hx-swap="innerHTML" hx-trigger="change">
                    <option value="">Show beside it …</option>@foreach ($besides as $key => $title)<option value="{{ $key }}">{{ $title }}
                    </option>@endforeach</select> <button class="button tight" type="button" id="use-selection"
                    hidden>Use selection</button></div>
                <div id="beside" class="beside" aria-live="polite"></div>
            @endif
            <p><b id="left" @class(['ok' => $view->missing === [], 'hot' => $view->missing !== []])>{{ $view->missing === [] ?
                'nothing missing' : (count($view->missing) === 1 ? '1 blank missing' : count($view->missing).' blanks missing') }}</b>
                <button class="button tight" type="button" id="next-missing" @if ($view->missing === []) hidden
                @endif>Go to next blank</button></p>
            @if ($onward)<p id="onward" @if ($view->missing !== []) hidden @endif>
                <a class="button tight now" href="/papers/{{ $onward['key'] }}?from={{ $paper->key }}">Next: {{ $onward['title'] }}</a>
                <small class="dim">{{ $onward['missing'] === 1 ? '1 blank' : $onward['missing'].' blanks' }}, or press Enter</small></p>
                @endif
            @if ($from = $file->papers->firstWhere('key', request('from')))<p class="small">
                <a href="/papers/{{ $from->key }}">Back to {{ $from->title }}</a></p>@endif
            @if ($findings !== [])<ul class="findings" aria-label="Check these">@foreach ($findings as $finding)<li>
                <button type="button" class="plain-button" data-go="{{ $finding->blank }}">{{ $finding->text }}</button></li>@endforeach
                </ul>@endif
            <ol>
                @php($missingFirst = fn ($filled) => $view->isMissing($filled->blank->name) ? 0 : 1)
                @foreach (collect($view->filling->blanks)->sortBy($missingFirst) as $filled)
                    @if ($filled->blank->kind->value !== 'tick' || $filled->blank->required || $filled->value !== '')
                    <li data-list="{{ $filled->blank->name }}" data-wants="{{ $view->wants($filled->blank) }}"
                        @class(['missing' => $view->isMissing($filled->blank->name)])>
                        <button type="button" data-go="{{ $filled->blank->name }}"><span
                            class="label">{{ $filled->blank->label }}</span><span class="value">{{ $filled->blank->kind->value === 'tick' ?
                            ($filled->value === '' ? '' : 'checked') : \App\Papers\PaperView::shown($filled) }}</span></button>
                        <small>{{ $view->isMissing($filled->blank->name) ? $view->wants($filled->blank) : $view->by[$filled->blank->name] ??
                            $filled->source }}</small>
                    </li>
                    @endif
                @endforeach
            </ol>
        </aside>
    </div>
</x-layout>
