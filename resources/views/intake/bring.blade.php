<x-guest :title="__('client.bring.title')" :from="$asking->asker->name" :speaks="'/bring/'.$token.'/language'"
    :opened="'/bring/'.$token.'/opened'" :scripts="['resources/js/bring-papers.js']">
    <div class="sheet">
        <h1>{{ __('client.bring.hello', ['name' => $asking->name]) }}</h1>
        <p>{{ __('client.bring.asks', ['sender' => $asking->asker->name, 'file' => $asking->file->name]) }}</p>
        @if ($asking->message !== '')<blockquote>{{ $asking->message }}</blockquote>@endif
        <p class="dim">{{ __('client.bring.how', ['day' => \App\Terms\ClientDay::long($asking->last_day)]) }}</p>
    </div>
    @foreach ([...$asking->asked->where('title', '<>', '')->all(), null] as $one)
        @php($brought = $one?->brought ?? $asking->asked->firstWhere('title', '')?->brought ?? [])
        @php($title = $one?->title ?? __('client.bring.else'))
        <section @class(['sheet', 'to-bring', 'made' => $brought !== []])
            aria-label="{{ $title }}">
            <h2>{{ $title }}</h2>
            <ul class="brought">@foreach ($brought as $file)<li>
                {{ __('client.bring.arrived', ['name' => $file['name']]) }}</li>@endforeach</ul>
            <form method="post" action="/bring/{{ $token }}/papers" enctype="multipart/form-data" data-bring
                data-words="{{ json_encode(['sending' => __('client.bring.sending'), 'arrived' => __('client.bring.arrived'),
                'lost' => __('client.bring.lost'), 'shot' => __('client.bring.shot'), 'shots' => __('client.bring.shots')]) }}">@csrf
                <input type="hidden" name="asked" value="{{ $one?->key }}">
                <input type="hidden" name="once" value="{{ bin2hex(random_bytes(8)) }}">
                <p class="added" role="status"></p>
                <div class="shots"></div>
                <label class="button">{{ $brought === [] ? __('client.bring.choose') : __('client.bring.again') }}<input class="unseen"
                    type="file" name="papers[]" accept="application/pdf,image/*" data-choose
                    aria-label="{{ __('client.bring.choose') }}: {{ $title }}"></label>
                <label class="button" data-camera>{{ __('client.bring.photo') }}<input class="unseen" type="file" accept="image/*"
                    capture="environment" data-shot aria-label="{{ __('client.bring.photo') }}: {{ $title }}"></label>
                <button class="button now" type="button" data-send hidden>{{ __('client.bring.send_shots') }}</button>
                <noscript><button class="button now">{{ __('client.add.send') }}</button></noscript>
            </form>
        </section>
    @endforeach
    @if (! $asking->isWaiting())
        <div class="sheet"><h2>{{ __('client.bring.done') }}</h2>
            <p>{{ __('client.bring.done_more', ['sender' => $asking->asker->name]) }}</p></div>
    @endif
</x-guest>
