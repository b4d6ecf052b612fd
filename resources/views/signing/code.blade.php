<x-guest :title="__('client.sign.title')" :from="$round->sender->name" :speaks="'/sign/'.$token.'/language'">
    <div class="sheet">
        <h1>{{ __('client.code.title') }}</h1>
        <p>{{ __('client.code.more', ['name' => $round->sender->name]) }}</p>
        <form method="post" action="/sign/{{ $token }}/code">
            @csrf
            <label class="line"><span>{{ __('client.code.label') }}</span><input class="input" name="code" maxlength="40" required autofocus
                autocomplete="one-time-code" autocapitalize="characters" spellcheck="false"
                @error('code') aria-invalid="true" @enderror></label>
            <button class="button solid wide-button">{{ __('client.code.go') }}</button>
        </form>
    </div>
</x-guest>
