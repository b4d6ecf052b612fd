<x-layout :title="$paper->title.', as text'" place="files">
    <div class="head-row" data-file="{{ $file->key }}"><h1>{{ $paper->title }}</h1>
        <span class="dim">as text · <a href="/papers/{{ $paper->key }}">the pages</a> ·
        <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span></div>
    <article class="leaf pad running-text">@include('papers.text-pages')</article>
</x-layout>
