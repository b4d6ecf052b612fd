<x-guest :title="$title" :from="$round->sender->name">
    <h1 class="unseen">{{ $title }}</h1>
    <article class="sheet running-text"><p class="dim">{{ __('client.sign.text_intro') }}</p>
    @include('papers.text-pages')
    <p><a class="button" href="/sign/{{ $token }}">{{ __('client.sign.text_back') }}</a></p></article>
</x-guest>
