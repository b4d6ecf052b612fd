<x-guest :title="__('client.fill.title')" :from="$fill->asker->name" :speaks="'/fill/'.$token.'/language'">
    @php($who = ['name' => $fill->asker->name, 'file' => $fill->file->name])
    @php($signer = $fill->toSign())
    @if ($signer)<div class="sheet"><p>{{ __('client.fill.sign_next') }}</p><a class="button solid wide-button"
        href="/sign/{{ $signer->token() }}">{{ __('client.fill.sign_go') }}</a></div>@endif
    <div class="sheet"><h1>{{ __('client.fill.done') }}</h1><p>{{ __('client.fill.done_more', $who) }}</p><p class="dim small">
        {{ __('client.fill.done_wrong', $who) }}</p></div>
</x-guest>
