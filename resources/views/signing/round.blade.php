@php($drafting = $round->status->value === 'drafting')
@php($guest = auth()->user()->guest)
<x-layout :title="$round->title" place="files" :scripts="['resources/js/round.js', ...($drafting ? ['resources/js/compose.js'] : [])]">
    <div class="desk-bar">
        <h1>{{ $round->title }}</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        @php($complete = $round->sealedSet ? ($file->practice ? 'Practice, signed by everyone' : 'Signed by everyone') :
            ($round->rehearsal ? 'Rehearsed' : 'Being sealed'))
        <span class="status {{ $round->status->value }}">{{ ['drafting' => 'Not sent yet', 'out' => 'Out for signature', 'complete' =>
            $complete, 'declined' => 'Declined', 'lapsed' => 'Last day passed', 'recalled' => 'Recalled'][$round->status->value] }}</span>
        <div class="acts">
            @if ($round->sealedSet)<a class="button tight solid" href="/rounds/{{ $round->key }}/set.pdf"
                target="_blank">Sealed set, {{ $round->sealedSet->pages }} pages</a>@endif
            @if ($own)<a class="button tight now" href="/sign/{{ $own->token() }}">Sign your part</a>@endif
            @if ($round->status->value === 'out')
                @can('work-on', $file)<form method="post" action="/rounds/{{ $round->key }}/recall">@csrf<input type="hidden" name="reason"
                    value=""><button class="button tight">Recall</button></form>@endcan
            @endif
            @if ($drafting)<form method="post" action="/rounds/{{ $round->key }}">@csrf @method('delete')
                <button class="button tight plain">Discard draft</button></form>@endif
        </div>
    </div>
    @if ($file->practice)<p class="say practice-note"><b>Practice.</b> No email leaves. Open each signer’s link yourself; what is
        signed is marked as practice and not sealed.</p>@endif
    @if ($round->rehearsal)<p class="say now"><b>Rehearsal.</b> All emails of it go to {{ $round->sender->name }}. Nothing in the file
        changes, nothing is sealed, and it is gone on {{ \App\Terms\When::list($round->created_at->copy()->addDays(
        \App\Signing\Actions\Rehearse::DAYS),
        $file->office->zone) }}.</p>@endif
    @include('signing.waits')
    @if ($drafting && $round->send_at)
        <div class="say now">This goes out by itself on {{ \App\Terms\When::list($round->send_at, $file->office->zone) }}.
            <button class="button tight" form="compose" name="do" value="stop">Do not send it then</button></div>
    @elseif ($drafting && $round->held_because !== '')
        <div class="say late">This did not go out by itself. {{ $round->held_because }}</div>
    @elseif ($drafting && $round->goesByItself())
        <div class="say now">This goes out by itself once <a href="/rounds/{{ $round->after->key }}">{{ $round->after->title }}</a> is
            {{ $round->after_when }}. <button class="button tight" form="compose" name="do" value="stop">Do not send it then</button></div>
    @elseif ($drafting && $round->after && $round->after->status !== \Unanimus\Signing\RoundStatus::Complete)
        <div class="say late">This waited for <a href="/rounds/{{ $round->after->key }}">{{ $round->after->title }}</a>, which was {{
            $round->after->status === \Unanimus\Signing\RoundStatus::Lapsed ? 'not signed in time' : $round->after->status->value }}.
            It does not go out by itself.</div>
    @endif
    @if ($round->reason)<p class="say no"><b>{{ ['declined' => 'Declined', 'recalled' => 'Recalled'][$round->status->value] ?? '' }}:</b>
        {{ $round->reason }}</p>@endif
    <div class="desk" @if ($drafting) id="compose-desk" data-round="{{ $round->key }}" @endif>
        @if ($drafting)<script type="application/json" id="desk-data">{!! json_encode($desk, JSON_HEX_TAG | JSON_HEX_AMP |
            JSON_THROW_ON_ERROR) !!}</script>@endif


        <nav class="thumbs" aria-label="Papers"@if ($drafting) data-papers="/rounds/{{ $round->key }}/papers"@endif>
            @foreach ($view->pages as $index => $page)
                @php($sent = $page['paper'])
                @if ($drafting && $page['page'] === 1)
                    @if ($index > 0)</div>@endif
                    <div class="in-order" data-position="{{ $sent->position }}" tabindex="0" draggable="true"
                        @if (! $sent->paper->isDraft() && ! isset($sent->stencil['name'])) data-unknown @endif

                        title="Drag it, or move it with Alt and the arrow keys">
                    <div class="which"><b>{{ $sent->title }}</b>
                        <span class="dim" data-count="{{ $sent->position }}"></span>
                        @if ($round->papers->count() > 1)<button class="plain-button" form="out-{{ $sent->position }}"
                            title="Take it out of this round"><span aria-hidden="true">×</span><span class="unseen">Take {{ $sent->title }}
                            out of this round</span></button>@endif</div>
                    @if (! $sent->paper->isDraft() && ! $guest)
                        <details class="keep-stencil"><summary class="small">{{ isset($sent->stencil['name']) ?
                            "By “{$sent->stencil['name']}”" : 'Keep as stencil' }}</summary>
                            <form method="post" action="/rounds/{{ $round->key }}/papers/{{ $sent->position }}/stencil">@csrf
                                <input class="input" name="name" maxlength="80" required aria-label="Name of the stencil"
                                    value="{{ $sent->stencil['name'] ?? $sent->title }}">
                                <select name="whose" aria-label="Whose stencil"><option value="mine">for me</option>
                                    <option value="everyone">for everyone</option></select>
                                <button class="button tight">Keep places</button></form></details>
                    @endif
                @endif
                <a href="#p{{ $index }}" @class(['unlooked' => $drafting && ! in_array($page['page'], $sent->seen, true)])><img
                    src="{{ $page['image'] }}" alt="" loading="lazy" width="76" height="98">{{ $drafting || $page['page'] > 1 ?
                    $page['page'] : mb_strimwidth($sent->title, 0, 16, '…') }}</a>
            @endforeach
            @if ($drafting)</div>@include('signing.add-papers')@endif
        </nav>
        <div>
            @foreach ($view->pages as $index => $page)
                <section class="page" id="p{{ $index }}" data-paper="{{ $page['paper']->position }}" data-number="{{ $page['page'] }}"
                    aria-label="{{ $page['paper']->title }}, page {{ $page['page'] }}">
                    <svg viewBox="0 0 {{ $page['width'] }} {{ $page['height'] }}">
                        <image {{ $index < 4 ? '' : 'data-' }}href="{{ $page['image'] }}" width="{{ $page['width'] }}"
                            height="{{ $page['height'] }}" preserveAspectRatio="none"/>
                        {!! $page['inner'] !!}
                        @if ($page['later'])<g data-drawn="{{ $page['paper']->position }}/{{ $page['page'] }}"></g>@endif

                        @if ($drafting)
                            <g class="set"></g>
                        @else
                            @foreach ($page['marks'] as $shown)
                                @php($m = $shown['mark']) @php($seat = $m->seatOf()) @php($place = $m->place())
                                <g class="tone-{{ $seat->tone() }}">
                                    @if ($shown['drawn'] === '')
                                        <rect class="place" x="{{ $place->x }}" y="{{ $place->y }}" width="{{ $place->width }}"
                                        height="{{ $place->height }}"/>
                                        <text class="place-word" x="{{ $place->x + 2 }}" y="{{ $place->y + 7 }}">{{ $m->kind->value ===
                                        'initials' ? '' : $m->kind->label().' · ' }}{{ $seat->label() }}</text>@endif
                                    {!! $shown['drawn'] !!}
                                </g>
                            @endforeach
                        @endif
                    </svg>
                </section>
            @endforeach
        </div>
        <aside class="leaf blanks">
            @if ($drafting)
                @include('signing.placing')
                <form method="post" action="/rounds/{{ $round->key }}" id="compose">
                    @csrf @method('put')
                    <h2>Signers</h2>
                    <p class="dim small">Those in one box are asked together, the boxes one after the other.</p>
                    <div class="bands" id="signers">
                        @include('signing.signers')
                    </div>
                    <br>
                    <label class="line"><span>Subject of the email</span><input class="input" name="subject" maxlength="150"
                        autocomplete="off" placeholder="Please sign: {{ $round->title }}"
                        value="{{ old('subject', $round->subject) }}"></label>
                    <label class="line"><span>Message in the email</span><textarea class="textarea" name="message"
                        rows="3" maxlength="2000">{{ old('message', $round->message) }}</textarea></label>
                    <input type="hidden" name="attach" value="0">
                    <label class="checkbox small"><input type="checkbox" name="attach" value="1" @checked($round->attach)> Attach the
                        pages to the email, to read first</label>
                    <label class="line"><span>Last day to sign</span><input class="input" name="last_day"
                        value="{{ $round->last_day ? $round->last_day->short($file->office->today()->year()) : '' }}"></label>
                    <label class="line"><span>Until what time that day (empty: all day)</span><input class="input" name="last_time"
                        maxlength="20" autocomplete="off" placeholder="5 pm"
                        value="{{ $round->lastMoment()?->at?->short() }}"></label>
                    <label class="line"><span>Copies in the end to</span><textarea class="textarea" name="copies" rows="2" maxlength="4000"
                        placeholder="name &lt;address&gt;, one to a line">{{ old('copies',
                        \Unanimus\Signing\Recipients::lines($round->copies)) }}</textarea></label>
                    <p class="dim small">Signers are reminded {{
                        (new \Unanimus\Signing\ReminderPlan($file->office->reminder_days))->readable() }}.</p>
                    <div id="faults" @if ($view->isLong()) data-later aria-busy="true" @endif>
                        @if ($view->isLong())<p class="dim small">Checking what is still missing …</p>
                        @else @include('signing.faults') @endif</div>
                    <div class="send-acts">
                    <p id="ask-send" role="status" hidden></p>
                    <button class="button">Save draft</button>
                    <button class="button now" name="send" value="1" data-ctrl-enter title="Ctrl+Enter">Send</button>
                    <button class="button tight plain" form="rehearse"
                        title="The same, with all emails to yourself">Rehearse</button>
                    <details class="later"><summary class="button tight plain">Send later</summary>
                        <label class="line"><span>Goes out at ({{ \Unanimus\Dates\Moment::zone(now(), $file->office->zone) }})</span><input
                            class="input" type="datetime-local" name="send_at"
                            value="{{ $round->send_at?->copy()->setTimezone($file->office->zone)->format('Y-m-d\TH:i') }}"></label>
                        <button class="button tight" name="do" value="later">Set the time</button></details>
                    </div>
                </form>
                <form method="post" action="/rounds/{{ $round->key }}/rehearsals" id="rehearse">@csrf</form>
                @foreach ($round->rehearsals as $one)<p class="small"><a href="/rounds/{{ $one->key }}">Rehearsal of {{
                    \App\Terms\When::list($one->created_at, $file->office->zone) }}</a></p>@endforeach
                @if ($unchecked !== [] && ! $guest)
                    <form id="checked-facts" method="post" action="/files/{{ $file->key }}/checked-facts">@csrf
                        @foreach ($unchecked as $name)<input type="hidden" name="facts[]" value="{{ $name }}">@endforeach</form>
                @endif
                @php($parts = $drafting && ! $guest && ! $round->after ? \App\Signing\Actions\PartRound::parts($round) : [])
                @if ($parts !== [])
                    @php($named = array_map(fn ($name, $keys) => $name.' ('.count($keys).')', array_keys($parts), $parts))
                    <details class="note">
                        <summary class="small">Send it as {{ count($parts) === 2 ? 'two' : 'three' }} small rounds</summary>
                        <p class="dim small">{{ implode(' · ', $named) }}. Clients sign a few pages at a time.</p>
                        <form method="post" action="/rounds/{{ $round->key }}/parts">@csrf
                            <label class="line"><span>The next one goes out</span><select name="when">
                                <option value="signed">when the one before is signed</option>
                                <option value="sent">at the same time</option></select></label>
                            <button class="button tight">Split into {{
                                count($parts) === 2 ? 'two' : 'three' }} rounds</button></form></details>
                @endif
                @include('signing.asks')
                @php($looking = $file->parties->filter(fn ($party) => ! $round->signers->contains('seat', (string) $party->seat()) &&
                    $file->isOwnAffair($party->seat()->side())))
                @if ($looking->isNotEmpty())
                    <details class="note"><summary class="small">Someone reads or approves first</summary>
                        <form method="post" action="/rounds/{{ $round->key }}/lookers">@csrf
                            <label class="line"><span>Who</span><select name="seat">
                                @foreach ($looking as $party)<option value="{{ $party->seat() }}">{{ $party->name }}</option>@endforeach
                                </select></label>
                            <label class="line"><span>What they do</span><select name="part"><option value="reads">only reads it</option>
                                <option value="approves">approves before it goes on</option></select></label>
                            <button class="button tight">Ask them first</button></form></details>
                @endif
                @foreach ($round->papers as $sent)
                    <form id="out-{{ $sent->position }}" method="post"
                        action="/rounds/{{ $round->key }}/papers/{{ $sent->position }}">@csrf @method('delete')</form>@endforeach
                @foreach ($round->signers as $signer)
                    @if ($signer->party_id === null)<form id="into-{{ $signer->key }}" method="post"
                        action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}/into-file">@csrf</form>@endif
                    <form id="drop-{{ $signer->key }}" method="post" action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}">@csrf
                    @method('delete')</form>@endforeach
            @else
                @include('signing.standing')
            @endif
        </aside>
    </div>
</x-layout>
