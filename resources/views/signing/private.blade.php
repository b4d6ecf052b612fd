<x-layout title="Private entry" place="files">
    <div class="head-row"><h1>{{ $what }}</h1><span class="dim"><a href="/rounds/{{ $round->key }}">{{ $round->title }}</a> ·
        <a href="/files/{{ $round->file->key }}">{{ $round->file->name }}</a></span></div>
    <div class="leaf pad">
        <p><b>{{ $value ?? 'Nothing entered yet.' }}</b></p>
        <p class="dim small">Entered by {{ $who }}. It is shown here once and kept nowhere else.</p>
        <p><a class="button tight" href="/rounds/{{ $round->key }}">Back to the round</a></p>
    </div>
</x-layout>
