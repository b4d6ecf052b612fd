<x-layout :title="$paper->title.', entries'" place="files">
    <div class="desk-bar">
        <h1>{{ $paper->title }}</h1>
        <span class="dim">all entries · <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span>
        <div class="acts"><a class="button tight" href="/papers/{{ $paper->key }}">Back to the paper</a></div>
    </div>
    <form class="leaf pad log-slide" action="/papers/{{ $paper->key }}/log">
        <label for="at">As it was after entry</label>
        <input type="range" id="at" name="at" min="0" max="{{ $log->count() }}" value="{{ $at }}" hx-get="/papers/{{ $paper->key }}/log"
            hx-trigger="input changed delay:90ms" hx-target="#state" hx-swap="innerHTML" hx-sync="this:replace"
            aria-describedby="state-words">
        <noscript><button class="button tight">Show</button></noscript>
    </form>
    <div id="state">@include('papers.log-state')</div>
</x-layout>
