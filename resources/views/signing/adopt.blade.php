<x-guest :title="__('client.sign.title')" :from="$round->sender->name"
    :speaks="'/sign/'.$token.'/language'" :scripts="['resources/js/signer.js']">
    <div class="sheet" data-sign="adopt">
        <h1>{{ __('client.sign.how') }}</h1>
        <p>{{ __('client.sign.how_more') }}</p>
        @if ($before)
            <form method="post" action="/sign/{{ $token }}/adopt-again" class="as-before">@csrf
                <p>{{ __('client.sign.before_title') }}</p>
                <svg viewBox="0 0 240 50" role="img" aria-label="{{ $before->name }}">{!! $before->signatureIn(new
                    \Unanimus\Pages\Rect(10, 5, 160, 40)) !!}{!! $before->initialsIn(new \Unanimus\Pages\Rect(180, 10, 50, 30)) !!}</svg>
                <button class="button solid wide-button">{{ __('client.sign.before_use') }}</button></form>
            <p class="dim">{{ __('client.sign.before_or') }}</p>
        @endif
        <form method="post" action="/sign/{{ $token }}/adopt">
            @csrf
            <label class="line"><span>{{ __('client.sign.name') }}</span><input class="input" id="adopt-name" name="name"
                value="{{ old('name', $signer->name) }}" required maxlength="120"></label>
            <label class="line"><span>{{ __('client.sign.initials') }}</span><input class="input" name="initials"
                value="{{ old('initials', $signer->initials) }}" required maxlength="8"></label>
            <fieldset class="hands"><legend class="unseen">{{ __('client.sign.styles') }}</legend>
                @foreach (['flowing', 'upright', 'brisk', 'plain'] as $hand)
                    <label>
                        <input type="radio" name="hand" value="{{ $hand }}"
                            aria-label="{{ __('client.sign.style', ['style' => ucfirst($hand)]) }}"
                            @checked(old('hand', 'flowing') === $hand)>
                        <span class="hand hand-{{ $hand }}">{{ old('name', $signer->name) }}</span>
                    </label>
                @endforeach
            </fieldset>
            <p class="dim">{{ __('client.sign.draw') }}</p>
            <svg class="pad-field" viewBox="0 0 600 180" role="img" aria-label="{{ __('client.sign.draw_field') }}">
                <path class="base" d="M30 140H570"/></svg>
            <input type="hidden" name="strokes" id="strokes">
            <input type="hidden" name="picture" id="picture">
            <p class="pad-buttons"><button class="button" type="button" id="clear">{{ __('client.sign.clear') }}</button>
                <label class="button" hidden>{{ __('client.sign.picture') }}<input class="unseen" type="file" id="photo"
                accept="image/jpeg,image/png,image/webp,image/gif" data-to="/sign/{{ $token }}/picture"
                data-reading="{{ __('client.sign.picture_reading') }}" data-lost="{{ __('client.sign.picture_lost') }}"></label></p>
            <p class="late" id="picture-told" role="status"></p>
            <button class="button solid wide-button">{{ __('client.sign.use') }}</button>
        </form>
    </div>
    @include('signing.ask')
</x-guest>
