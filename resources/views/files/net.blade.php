<x-layout :title="'Net sheet of '.$file->name" place="files">
    <div class="head-row"><h1>Net sheet</h1><span class="dim">what the sellers of <a href="/files/{{ $file->key }}">{{ $file->name }}</a>
        net</span> <a href="/files/{{ $file->key }}/offers">Offers</a> <button class="button tight right" type="button"
        data-print>Print</button></div>
    <div class="leaf opening">
        <section><h2>Entries</h2><div class="facts">
            @foreach ([...\Unanimus\Terms\NetSheet::TERMS, \Unanimus\Terms\Term::Closing] as $item)<x-fact :$file :$facts :$item
            at="net" />@endforeach</div></section>
        <section id="follows" aria-live="polite">@include('files.net-follows')</section>
    </div>
    <dialog id="shift" class="leaf pad wide" aria-label="What moves"></dialog>
</x-layout>
