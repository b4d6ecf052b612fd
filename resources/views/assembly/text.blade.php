<x-guest title="Documents to read" :from="$copy->giver->name">
    <article class="sheet running-text"><h1>{{ $copy->set->title }}</h1><p class="dim">The text of the documents, to read or listen to. <a href="/read/{{ $token }}">Back to the pages</a></p>
    @include('papers.text-pages')</article>
</x-guest>
