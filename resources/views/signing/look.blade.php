<x-guest :title="__('client.look.title')" :from="$round->sender->name"
    :speaks="'/sign/'.$token.'/language'" :scripts="['resources/js/signer.js']" :opened="'/sign/'.$token.'/opened'">
    <div class="sheet">
        <h1>{{ __('client.sign.hello', ['name' => $signer->name]) }}</h1>
        <p>{{ __("client.look.{$signer->part->value}", ['name' => $round->sender->name, 'file' => $round->file->name]) }}</p>
        @if ($round->message)<p><i>“{{ $round->message }}”</i></p>@endif
    </div>
    <p class="sheet"><a href="/sign/{{ $token }}/to-sign.pdf">{{ __('client.sign.download') }}</a></p>
    @foreach ($view->pages as $index => $page)
        @if ($page['page'] === 1)<h2 class="paper-title">{{ $page['paper']->title }}
            <a class="as-text" href="/sign/{{ $token }}/papers/{{ $page['paper']->position }}/text">{{ __('client.read_as_text') }}<span
            class="unseen">: {{ $page['paper']->title }}</span></a></h2>@endif
        <section class="page"
            aria-label="{{ __('client.document_page', ['document' => $page['paper']->title, 'page' => $page['page']]) }}">
            <img src="{{ $page['image'] }}" alt="" loading="{{ $index < 3 ? 'eager' : 'lazy' }}" width="{{ (int) $page['width'] }}"
                height="{{ (int) $page['height'] }}"></section>
    @endforeach
    <div class="sheet">
        <form method="post" action="/sign/{{ $token }}/finish">@csrf
            <button class="button solid wide-button">{{ __("client.look.{$signer->part->value}_done") }}</button></form>
    </div>
    @include('signing.ask')
</x-guest>
