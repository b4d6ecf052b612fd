<x-layout title="Forms" place="files" :scripts="['resources/js/finder.js']">
    <div class="head-row">
        <h1>Forms for {{ $file->name }}</h1>
        <span class="right"><a class="button" href="/files/{{ $file->key }}">Done</a></span>
    </div>
    <div class="finder">
        <div class="leaf pad">
            <form action="/files/{{ $file->key }}/forms" class="finder-ask"><input class="input" id="finder" name="q" value="{{ $typed }}"
                maxlength="80" autocomplete="off" autofocus aria-label="Find a form by number or words" aria-controls="found"
                placeholder="Number or words: 207, amend, clos ext" hx-get="/files/{{ $file->key }}/forms"
                hx-trigger="input changed delay:120ms" hx-target="#found" hx-swap="innerHTML"><noscript>
                <button class="button">Find</button></noscript></form>
            <p class="small dim">↓ ↑ to move, Enter adds or removes, → shows the form.</p>
            <div id="found">@include('papers.forms-found')</div>
        </div>
        <aside class="leaf pad finder-look" aria-label="The form" id="look"><p class="empty">Look at a form here before you add it.</p>
            </aside>
    </div>
</x-layout>
