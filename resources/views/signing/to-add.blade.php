@php($asks = $signer->asks())
@if ($asks !== [])
    @php($added = $round->state()->added)
    <section class="sheet to-add" aria-labelledby="to-add">
        <h2 id="to-add">{{ __('client.add.title') }}</h2>
        <p class="dim">{{ __('client.add.how') }}</p>
        @foreach ($asks as $ask)
            @php($name = $added[$ask->key] ?? null)
            <form method="post" action="/sign/{{ $token }}/asks/{{ $ask->key }}" enctype="multipart/form-data"
                @class(['add-paper', 'made' => $name !== null, 'optional' => ! $ask->isRequired]) data-add="{{ $ask->key }}">@csrf
                <input type="hidden" name="once" value="{{ bin2hex(random_bytes(8)) }}">
                <b>{{ $ask->title }}</b>@if (! $ask->isRequired) <span class="dim">{{ __('client.add.optional') }}</span>@endif
                <span class="added" role="status">{{ $name === null ? '' : __('client.add.added', ['name' => $name]) }}</span>
                <label class="button">{{ $name === null ? __('client.add.choose') : __('client.add.another') }}<input class="unseen"
                    type="file" name="paper" accept="application/pdf,image/*"
                    aria-label="{{ __('client.add.choose') }}: {{ $ask->title }}"></label>
                <noscript><button class="button">{{ __('client.add.send') }}</button></noscript>
            </form>
        @endforeach
    </section>
@endif
