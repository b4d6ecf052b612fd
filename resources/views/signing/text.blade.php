<x-guest :title="$title.', as text'" :from="$round->sender->name">
    <article class="sheet running-text"><p class="dim">This is what stands on the pages, to be read or listened to. Signatures are set <a href="/sign/{{ $token }}">on the pages</a>.</p>
    @include('papers.text-pages')
    <p><a class="button" href="/sign/{{ $token }}">Back to signing</a></p></article>
</x-guest>
