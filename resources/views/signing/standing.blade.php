@php($watched = $round->status->value === 'out' || ($round->status->value === 'complete' && ! $round->sealedSet && ! $round->rehearsal))
<div id="standing" @if ($watched)
    hx-get="/rounds/{{ $round->key }}/standing" hx-trigger="every 6s" hx-swap="outerHTML" @endif>
    @php($watch = new \App\Signing\RoundWatch($round))
    @if ($round->papers->count() > 1 || $round->signers->count() > 1)
        <table class="round-grid">
            <caption class="unseen">Places signed on each paper by each person</caption>
            <thead><tr><th scope="col"><span class="unseen">Paper</span></th>@foreach ($round->signers as $signer)<th scope="col"
                title="{{ $signer->name }}"><x-seat :seat="$signer->seatOf()" /><span class="unseen">{{ $signer->name }}</span></th>
                @endforeach</tr></thead>
            <tbody>@foreach ($round->papers as $index => $sent)<tr>
                <th scope="row"><a href="#p{{ $round->papers->take($index)->sum('pages') }}">{{ $sent->title }}</a></th>
                @foreach ($round->signers as $signer)
                    @php($places = $watch->places($sent, $signer))
                    <td @class(['all' => $places['of'] > 0 && $places['made'] === $places['of']])>@if ($places['of'] === 0)<span
                        class="unseen">nothing</span>@elseif ($places['made'] === $places['of'])<span aria-hidden="true">✓</span><span
                        class="unseen">all {{ $places['of'] }}</span>@else{{ $places['made'] }} of {{ $places['of'] }}@endif</td>
                @endforeach</tr>@endforeach</tbody></table>
    @endif
    <h2>Signers</h2>
    @if ($round->status->value === 'out' && $round->signers->filter(fn ($one) => $one->status->isAsked())->count() > 1)
        @can('work-on', $file)<form method="post" action="/rounds/{{ $round->key }}/remind">@csrf
            <button class="button tight">Remind everyone who has not signed</button></form>@endcan
    @endif
    <div class="bands">
        @foreach ($round->signers as $signer)
            @php($glyph = $signer->status->cell())
            <div class="signer-row">
                <div class="top"><x-seat :seat="$signer->seatOf()" :state="$glyph" /> <b>{{ $signer->name }}</b><span
                    class="state">{{ isset($round->state()->onPaper[$signer->seat]) ? 'signed on paper' :
                    ($file->practice && $signer->status->value === 'invited' ? 'asked' : $signer->status->label($signer->turn)) }}</span>
                </div>
                <span class="dim small">{{ $file->isOwnAffair($signer->seatOf()->side()) ? $signer->email :
                    "at the address their own agent has" }}</span>
                @php($since = $watch->since($signer))
                @if ($since !== '')<span class="dim small since">{{ $since }}</span>@endif
                @php($done = $watch->done($signer))
                @if ($done !== [])<details class="note did" id="did-{{ $signer->key }}"><summary class="small">What {{ $signer->name }} did
                    </summary><ol class="small">@foreach ($done as $one)<li>{{ $one['who'] === '' ? '' : $one['who'].': ' }}{{ $one['what']
                    }} <span class="dim">{{ $one['at'] }}{{ $one['from'] === '' ? '' : ' · '.$one['from'] }}</span></li>@endforeach
                    </ol></details>@endif
                @foreach ($signer->asks() as $ask)
                    <p class="small">{{ $ask->title }}: {{ isset($round->state()->added[$ask->key]) ? 'added' : 'not added yet' }}</p>
                @endforeach
                @php($refused = $round->status->value === 'out' && $signer->status->value === 'invited' &&
                    $file->isOwnAffair($signer->seatOf()->side()) ? \App\Mail\Refused::to($signer) : null)
                @if ($refused)<p class="say late small">The email did not arrive: {{ $refused }} Correct the address below, or send the
                    link another way.</p>@endif
                @if ($round->status->value === 'out' && $signer->status->isAsked())
                    @can('work-on', $file)
                        @php($takes = $round->rehearsal ? $round->user_id === auth()->id() :
                            $file->isOwnAffair($signer->seatOf()->side()) && $signer->linkIsFor(auth()->user()))
                        @if ($takes && ($round->rehearsal || $file->practice))<p><a class="button tight" href="/sign/{{ $signer->token() }}"
                            target="_blank">Sign as {{ $signer->name }}</a></p>@endif
                        @if ($takes)
                            @php($text = trans($round->title === $file->name ? 'client.sign.text_alone' : 'client.sign.text', ['name' =>
                                $signer->name, 'title' => $round->title, 'file' => $file->name, 'link' => $signer->link()],
                                $signer->language->value))
                            <textarea class="unseen" id="text-{{ $signer->key }}" readonly tabindex="-1"
                                aria-hidden="true">{{ $text }}</textarea>
                        @endif
                        <div><form method="post" action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}/remind">@csrf
                            <button class="button tight">Remind</button> @if ($takes)
                            <button type="button" class="button tight plain"
                            data-copy="#text-{{ $signer->key }}">Copy a message with the link</button>@endif</form></div>
                    @endcan
                @endif
                @if ($round->status->value === 'out' && ! $round->rehearsal && $signer->status->value !== 'finished' &&
                    $file->isOwnAffair($signer->seatOf()->side()) && $signer->linkIsFor(auth()->user()))
                    @can('work-on', $file)
                        <details class="note" id="address-{{ $signer->key }}" hx-preserve>
                            <summary class="small">Correct the address</summary>
                            <form method="post" action="/rounds/{{ $round->key }}/signers/{{ $signer->key }}">@csrf @method('put')
                                <input class="input" type="email" name="email" required value="{{ $signer->email }}"
                                    aria-label="Email address of {{ $signer->name }}">
                                <button class="button tight">Save and send again</button></form></details>
                        @include('signing.mend-signer')
                    @endcan
                @endif
            </div>
        @endforeach
    </div>
    @php($private = $round->marks->filter(static fn ($mark) => $mark->terms()->isPrivate))
    @if ($private->isNotEmpty() && Gate::allows('read-private', $round))
        <h2 class="minor"><br>Private entries</h2>
        @foreach ($private as $mark)
            <form method="post" action="/rounds/{{ $round->key }}/private/{{ $mark->key }}">@csrf
                <span class="small">{{ $mark->terms()->hint ?: 'Entry' }} of
                    {{ $round->signers->firstWhere('seat', $mark->seat)?->name }}</span>
                <button class="button tight">Show once</button></form>
        @endforeach
        <p class="dim small">The history will show that you looked.</p>
    @endif
    @php($asked = \App\Signing\Questions::of($round))
    @if ($asked->isNotEmpty())
        <h2 class="minor"><br>Questions</h2>
        <ul class="asked-list">@foreach ($asked as $one)<li>
            <p><b>{{ $round->signers->firstWhere('seat', $one['seat'])?->name }}</b>: {{ $one['question'] }}</p>
            @if ($one['answer'] !== null)<p class="dim">Answered: {{ $one['answer'] }}</p>
            @elseif ($round->status->value === 'out' && $file->isOwnAffair(\Unanimus\Signing\Seat::of($one['seat'])->side()))
                @can('work-on', $file)
                    <form method="post" action="/rounds/{{ $round->key }}/answers" id="answer-{{ $one['asked']->id }}" hx-preserve>@csrf
                        <input type="hidden" name="asked" value="{{ $one['once'] }}">
                        <textarea class="textarea" name="answer" rows="2" maxlength="2000" required
                            aria-label="Answer to {{ $round->signers->firstWhere('seat', $one['seat'])?->name }}"></textarea>
                        <button class="button tight">Answer</button></form>
                @endcan
            @endif</li>@endforeach</ul>
    @endif
    @if ($round->last_day)<p class="dim small"><br>Last day to sign: {{
        $round->lastMoment()->short($file->office->today()->year()) }}</p>@endif
    @if ($round->status->value === 'out')
        @can('work-on', $file)
            @if (! auth()->user()->guest && ! $round->rehearsal && \App\Signing\InPerson::able($round, auth()->user())->isNotEmpty())
                <form method="post" action="/rounds/{{ $round->key }}/here">@csrf
                    <button class="button tight">Sign here in person</button></form>@endif
            @php($more = $round->rehearsal ? collect() : $file->papers->filter(static fn ($paper) => $paper->state->isOpen()))
            @if ($more->isNotEmpty())
                <details class="note" id="forgotten" hx-preserve><summary class="small">Forgot a paper?</summary>
                    <form method="post" action="/rounds/{{ $round->key }}/forgotten">@csrf
                        <label class="line"><span>Goes to the same people on its own</span><select name="paper">
                            @foreach ($more as $paper)<option value="{{ $paper->key }}">{{ $paper->title }}</option>@endforeach
                            </select></label>
                        <button class="button tight">Prepare it</button></form></details>
            @endif
            <details class="note" id="on-paper" hx-preserve><summary class="small">Signed on paper</summary>
                <p><a class="button tight plain" href="/rounds/{{ $round->key }}/pen.pdf" target="_blank">Print to sign on paper</a></p>
                <form method="post" action="/rounds/{{ $round->key }}/pen" enctype="multipart/form-data">@csrf
                    <p class="dim small">The scan stands for those who signed on it. Scan all pages in order; it must show what was
                        signed on paper before, too.</p>
                    @foreach ($round->signers as $signer)
                        @if ($signer->status->value !== 'finished')
                            <label class="checkbox"><input type="checkbox" name="some[]" value="{{ $signer->key }}"> {{ $signer->name }}
                                </label><br>@endif
                    @endforeach
                    <label class="button tight">Choose the scan and add it<input class="unseen" type="file" name="scan" required
                        accept=".pdf,image/*" data-file-form aria-label="Scan, PDF or picture"></label></form></details>
            <details class="note" id="more-time" hx-preserve><summary class="small">Give more time</summary>
                <form method="post" action="/rounds/{{ $round->key }}/last-day">@csrf @method('put')
                    <label class="line"><span>New last day</span><input class="input" name="last_day" required autocomplete="off"
                        placeholder="Friday, +3, 12/18"></label>
                    <button class="button tight">Move the last day</button></form></details>
        @endcan
    @elseif (in_array($round->status->value, ['recalled', 'declined', 'lapsed'], true) && ! $round->rehearsal)
        @can('work-on', $file)
            <form method="post" action="/rounds/{{ $round->key }}/again">@csrf<br>
                <button class="button tight solid">Start again from this</button></form>
        @endcan
    @endif
    <h2 class="minor"><br>Activity</h2>
    <ul class="watch">
        @php($record = new \App\Signing\RoundRecord($round))
        @foreach ($round->events->reverse()->take(60) as $event)<li>
            <span class="dim">{{ \App\Terms\When::list($event->at, $file->office->zone) }}</span><span>{{ $event->seat ?
            $record->holder($event) : ($event->data['by'] ?? $round->sender->name) }}: {{
            \Unanimus\Signing\EventKind::from($event->kind)->told($event->data) }}{{
            isset($event->data['where']) ? ', '.$event->data['where'] : '' }}{{
            isset($event->data['question']) && $event->kind === 'asked' ? ': '.$event->data['question'] : '' }}{{
            isset($event->data['here']) ? ', in person' : '' }}</span></li>
            @endforeach
    </ul>
</div>
