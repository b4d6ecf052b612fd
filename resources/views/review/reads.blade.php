<x-layout :title="'Read: '.$paper->title" place="files" :scripts="['resources/js/review.js']">
    <div class="desk-bar"><h1>{{ $paper->title }}</h1>
        <span class="dim"><a href="/files/{{ $file->key }}">{{ $file->name }}</a> · {{ $read->asker->name }} asks
            {{ $read->reader->name }} to read
            {{ $papers->count() === 1 ? 'it' : 'them' }}{{ $read->message === '' ? '' : ': '.$read->message }}</span>
        <div class="acts">@if ($mine && $read->done_at === null)<form method="post" action="/reads/{{ $read->key }}/done">@csrf
            <button class="button tight now">I have read {{ $papers->count() === 1 ? 'it' : 'them' }}</button></form>
            @elseif ($read->done_at)<span class="tag-chip">read {{ \App\Terms\When::day($read->done_at, $file->office->zone) }}</span>@endif
        </div></div>
    <div class="review-desk">
        <nav class="leaf" aria-label="Papers to read"><ul class="checklist">
            @foreach ($papers as $one)
                @php($count = $read->remarks->where('paper_id', $one->id)->whereNull('resolved_at')->count())
                <li><a href="/reads/{{ $read->key }}?paper={{ $one->key }}" @if ($one->id === $paper->id) aria-current="true" @endif>{{
                    $one->title }} @if ($count > 0)<span class="mark-state hot">{{ $count }}</span>@endif</a></li>@endforeach
        </ul></nav>
        @php($here = $read->remarks->where('paper_id', $paper->id)->values())
        <div>@include('papers.pages', ['remarks' => $here->whereNull('resolved_at')->values(), 'findings' => []])</div>
        <aside class="leaf blanks">
            <h2 class="minor">Remarks</h2>
            <ol class="remark-list">
                @forelse ($here as $remark)
                    <li @class(['resolved' => $remark->resolved_at])><span><b>{{ $remark->page ? 'Page '.$remark->page : 'On the whole'
                        }}.</b> {{ $remark->text }}</span><small>{{ $names[$remark->user_id] ?? '' }},
                        {{ \App\Terms\When::day($remark->at, $file->office->zone) }}{{ $remark->resolved_at ? ' · seen to' : '' }}</small>
                        @if ($works && $remark->resolved_at === null)<form class="inline" method="post"
                            action="/reads/{{ $read->key }}/remarks/{{ $remark->key }}">@csrf<button class="button tight">Seen to</button>
                        </form>@endif</li>
                @empty<li class="dim">None yet. Click a place on the page to add one.</li>@endforelse
            </ol>
            @if ($mine || $works)<div class="decide"><form method="post" action="/reads/{{ $read->key }}/remarks" id="send-back">@csrf
                <input type="hidden" name="paper" value="{{ $paper->key }}">
                <input type="hidden" name="page"><input type="hidden" name="x"><input type="hidden" name="y">
                <label class="line"><span>Remark <span id="pinned"></span></span><textarea class="textarea" name="remark"
                    maxlength="2000" data-press="m"></textarea></label>
                <button class="button tight plain" type="button" id="pin" data-press="p">Pin to the page <kbd>p</kbd></button>
                <button class="button">Add remark</button></form></div>@endif
            <p class="small"><a href="/papers/{{ $paper->key }}">Open the paper itself</a></p>
        </aside>
    </div>
</x-layout>
