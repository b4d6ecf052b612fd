<x-guest :title="__('client.read.title')" :from="$copy->giver->name" :speaks="'/read/'.$copy->token().'/language'">
    <article class="sheet running-text"><h1>{{ $copy->set->title }}</h1><p class="dim">
        {{ __('client.read.text_intro') }} <a href="/read/{{ $token }}">{{ __('client.back_to_pages') }}</a></p>
    @include('papers.text-pages')</article>
</x-guest>
