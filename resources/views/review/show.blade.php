<x-layout :title="'Review: '.$requirement->title" place="review"
    :scripts="['resources/js/review.js', 'resources/js/review-pages.js', ...($view?->sizes ? ['resources/js/zoom.js'] : [])]">
    <div class="desk-bar">
        <h1>{{ $requirement->title }}</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a> · {{ $requirement->reason }}</span>
        @if ($requirement->needed_by)<span class="tag-chip hot">Needed by {{ \App\Terms\When::list($requirement->needed_by,
            $file->office->zone) }}{{ $requirement->needed_why === '' ? '' : ': '.$requirement->needed_why }}</span>@endif
        @if ($here !== [])<span class="tag-chip">also open at {{ implode(', ', $here) }}</span>@endif
        <div class="acts">
            @if ($requirement->review_state->value === 'submitted' && $reviewers->count() > 1)
                <form class="inline" method="post" action="/requirements/{{ $requirement->key }}/pass">@csrf
                    <span class="select"><select name="to" aria-label="Who reviews it" data-sends>
                        <option value="">Not assigned</option>
                        @foreach ($reviewers as $one)<option value="{{ $one->key }}" @selected($one->id === $requirement->reviewer_id)>
                            {{ $one->name }} has it</option>@endforeach</select></span></form>
            @endif
            @if ($changed)<a class="button tight now" href="/review/{{ $requirement->key }}/changes" data-press="c">What changed
                <kbd>c</kbd></a>@endif
            <x-meter :$whole /> @if ($next)<a class="button tight" href="/review/{{ $next }}"
            data-press="j">Next waiting</a>@endif</div>
    </div>
    <div class="review-desk">
        <nav class="leaf" aria-label="Checklist">
            <ul class="checklist">
                @foreach ($file->requirements as $line)
                    <li><a href="/review/{{ $line->key }}" @if ($line->id === $requirement->id) aria-current="true"
                        @endif>{{ $line->title }}
                        <span @class(['mark-state', 'ok' => $line->review_state->isSettled(), 'hot' => $line->review_state->value ===
                        'submitted'])>{{ ['not_submitted' => '–', 'submitted' => 'waiting', 'sent_back' => 'sent back', 'accepted' => '✓',
                        'does_not_apply' => 'n/a'][$line->review_state->value] }}</span></a></li>
                @endforeach
            </ul>
        </nav>
        <div>
            @if ($view === null || $view->sizes === [])
                <div class="leaf empty">This paper has not arrived yet.</div>
            @else
                <div class="page-ways">@include('papers.zoom')
                    <label class="in-row">Page <input class="input number" id="page-number" type="number" min="1"
                        max="{{ count($view->sizes) }}" value="1"> of {{ count($view->sizes) }}</label>
                    @if ($others->isNotEmpty())<label class="unseen" for="beside-of">Show beside it</label><select id="beside-of" name="of"
                        hx-get="/review/{{ $requirement->key }}/beside" hx-target="#beside-paper" hx-swap="innerHTML" hx-trigger="change">
                        <option value="">Show beside it …</option>@foreach ($others as $one)<option
                        value="{{ $one->key }}">{{ $one->title }}
                        </option>@endforeach</select>@endif</div>
                <div class="two-papers"><div class="pages">@include('papers.pages', [
                    'remarks' => $requirement->remarks->whereNull('resolved_at')->values(), 'findings' => $findings])</div>
                    <div id="beside-paper" class="pages" aria-live="polite"></div></div>
            @endif
        </div>
        <aside class="leaf blanks">
            <h2 class="minor">{{ $requirement->review_state->label() }}</h2>
            @if ($requirement->note)<p>{{ $requirement->note }}</p>@endif
            @include('review.terms')
            @include('review.findings')
            @include('review.remarks')
            @if ($requirement->paper?->done_note)<p><b>Done:</b> {{ $requirement->paper->done_note }}</p>@endif
            @if ($requirement->coming !== [] && $requirement->review_state->value === 'submitted')
                <p class="small">Still to come: @foreach ($requirement->coming as $one){{ $one['title'] }}{{ $one['when'] === '' ? '' :
                    ' ('.$one['when'].')' }}{{ $loop->last ? '.' : ', ' }}@endforeach</p>@endif
            @if ($requirement->further->isNotEmpty())
                <p class="small">It is met together with @foreach ($requirement->further as $one)<a href="/papers/{{ $one->key }}"
                    target="_blank">{{ $one->title }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach</p>@endif
            @if ($requirement->off_asked_at)
                <div class="say now"><p><b>{{ $requirement->offAsker?->name }}</b> asks to leave it out:
                    {{ $requirement->off_asked_why }}</p>
                    <form class="inline" method="post" action="/requirements/{{ $requirement->key }}/waive">@csrf
                        <input type="hidden" name="reason" value="{{ $requirement->off_asked_why }}">
                        <button class="button tight now">It does not apply</button></form>
                    <details class="by-hand"><summary>It does apply</summary><form method="post"
                        action="/requirements/{{ $requirement->key }}/applies">@csrf
                        <label class="line"><span>Why it does</span><input class="input" name="reason" maxlength="500" required
                        autocomplete="off"></label><button class="button tight">Tell them</button></form></details></div>
            @endif
            @if ($requirement->review_state->value === 'submitted' && $paper?->latest && ! $file->practice)
                <div hx-get="/requirements/{{ $requirement->key }}/countersign" hx-trigger="load"></div>@endif
            <div class="decide">
                @if ($requirement->review_state->value === 'submitted')
                    <form method="post" action="/requirements/{{ $requirement->key }}/accept">@csrf
                        <input type="hidden" name="seen" value="{{ $paper?->latest?->sha256 }}">
                        <details class="by-hand"><summary>Accept with a note</summary><label class="line"><span>Note</span><input
                            class="input" name="note" maxlength="500" autocomplete="off"></label></details>
                        <button class="button solid" data-press="a" data-weighs="accept “{{ $requirement->title }}”">Accept
                        <kbd>a</kbd></button></form>
                    <form method="post" action="/requirements/{{ $requirement->key }}/send-back" id="send-back">
                        <input type="hidden" name="seen" value="{{ $paper?->latest?->sha256 }}">
                        @csrf
                        <input type="hidden" name="page"><input type="hidden" name="x"><input type="hidden" name="y">
                        <label class="line"><span>Remark <span id="pinned"></span></span><textarea class="textarea" name="remark"
                            maxlength="2000" data-press="m">{{ old('remark') }}</textarea></label>
                        @if ($sentences !== [])<label class="unseen" for="kept-sentences">Saved remarks</label><span class="select"><select
                            id="kept-sentences"><option value="">Saved remarks …</option>@foreach ($sentences as $one)
                            <option value="{{ $one['words'] }}">{{ mb_strimwidth($one['words'], 0, 70, '…') }}</option>@endforeach
                            </select></span>@endif
                        <button class="button tight plain" type="button" id="pin" data-press="p">Pin to the page <kbd>p</kbd></button>
                        <button class="button tight plain" formaction="/requirements/{{ $requirement->key }}/remarks" data-press="n">Save
                            remark and continue</button>
                        <button class="button" data-press="b" data-weighs="send it back">Send back <kbd>b</kbd></button>
                    </form>
                @endif
                @if ($requirement->review_state->value === 'submitted')
                    <details><summary>Keep sentences</summary>
                        <form method="post" action="/review/sentences" id="keep-sentence">@csrf<input type="hidden" name="text">
                            <p class="small dim">Saves the remark as written above. Write {price}, {closing}, {paper} or {agent} where the
                                deal’s own words belong.</p>
                            <label class="checkbox"><input type="checkbox" name="everyone" value="1"> For everyone who reviews</label>
                            <button class="button tight">Keep it</button></form>
                        @foreach ($sentences as $one)<form method="post" action="/review/sentences/{{ $one['key'] }}" class="in-row">@csrf
                            @method('delete')<span class="small">{{ $one['kept'] }}</span><button class="button tight plain">Remove</button>
                            </form>@endforeach
                    </details>
                @endif
                @if (! $requirement->review_state->isSettled())
                    <details><summary>Not applicable</summary>
                        <form method="post" action="/requirements/{{ $requirement->key }}/waive">@csrf
                            <label class="line"><span>Reason</span><input class="input" name="reason" maxlength="500" required></label>
                            <button class="button">Mark as not applicable</button></form>
                    </details>
                @endif
            </div>
        </aside>
    </div>
</x-layout>
