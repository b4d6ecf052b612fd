<x-guest :title="__('client.sign.title')" :from="$round->sender->name"
    :speaks="'/sign/'.$token.'/language'" :opened="'/sign/'.$token.'/opened'">
    <div class="sheet">
        <h1>{{ __('client.sign.hello', ['name' => $signer->name]) }}</h1>
        <p>{{ trans_choice('client.sign.asks', $round->papers->count(), ['sender' => $round->sender->name, 'file' => $round->file->name]) }}
            {{ $places > 0 ? trans_choice('client.sign.places', $places) : '' }}
            {{ __('client.sign.takes', ['minutes' => trans_choice('client.sign.minutes', $minutes)]) }}</p>
        <ul>@foreach ($round->papers as $sent)<li>{{ $sent->title }}, {{ trans_choice('client.pages', $sent->pages) }}</li>@endforeach</ul>
        @if ($signer->asks() !== [])
            <p>{{ __('client.add.also', ['papers' => implode(', ', array_column($signer->asks(), 'title'))]) }}</p>@endif
        <p><a href="/sign/{{ $token }}/to-sign.pdf">{{ __('client.sign.download') }}</a></p>
        @if ($round->message)<p><i>“{{ $round->message }}”</i></p>@endif
        <form method="post" action="/sign/{{ $token }}/consent">
            @csrf
            <p><b>{{ __('client.sign.before') }}</b> {{ __('client.sign.terms') }}</p>
            <p><label class="checkbox"><input type="checkbox" name="agree" value="1"> {{ __('client.sign.agree') }}</label></p>
            <button class="button solid wide-button">{{ __('client.continue') }}</button>
            <p class="dim small">{{ __('client.sign.next') }} <a href="/how-signing-works?language={{ app()->getLocale() }}">{{
                __('client.steps.title') }}</a></p>
        </form>
    </div>
    @include('signing.ask')
</x-guest>
