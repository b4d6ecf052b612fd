<x-guest :title="$title" :from="$round->sender->name">
    <article class="sheet running-text"><p class="dim">The text of the document, to read or listen to. To sign, <a href="/sign/{{ $token }}">go back to the pages</a>.</p>
    @include('papers.text-pages')
    <p><a class="button" href="/sign/{{ $token }}">Back to signing</a></p></article>
</x-guest>
