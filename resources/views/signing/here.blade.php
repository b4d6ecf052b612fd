<x-guest :title="__('client.here.title')" :from="$by">
    <div class="sheet">
        <h1>{{ __('client.here.title') }}</h1>
        <p>{{ __('client.here.for', ['file' => $round->file->name]) }}</p>
        @forelse ($able as $signer)
            <form method="post" action="/here/give/{{ $signer->key }}">@csrf
                <button class="button solid wide-button">{{ __('client.here.hand', ['name' => $signer->name]) }}</button></form>
        @empty<p><b>{{ __('client.here.done') }}</b></p>@endforelse
    </div>
    <div class="sheet">
        <form method="post" action="/here/end">@csrf
            <label class="line"><span>{{ __('client.here.owner', ['name' => $by]) }}</span><input class="input" type="password"
                name="password" autocomplete="current-password" required
                @error('password') aria-invalid="true" @enderror></label>
            <button class="button">{{ __('client.here.take') }}</button></form>
    </div>
</x-guest>
