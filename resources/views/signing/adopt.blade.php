<x-guest title="Your signature" :from="$round->sender->name" :scripts="['resources/js/signer.js']">
    <div class="sheet" data-sign="adopt">
        <h1>How you sign</h1>
        <p>Choose a hand, or draw your signature below. You see it on the page before anything is final.</p>
        <form method="post" action="/sign/{{ $token }}/adopt">
            @csrf
            <label class="line"><span>Your name</span><input class="input" id="adopt-name" name="name" value="{{ old('name', $signer->name) }}" required maxlength="120"></label>
            <label class="line"><span>Your initials</span><input class="input" name="initials" value="{{ old('initials', $signer->initials) }}" required maxlength="8"></label>
            <fieldset class="hands"><legend class="unseen">A hand to sign in</legend>
                @foreach (['flowing', 'upright', 'brisk', 'plain'] as $index => $hand)
                    <label><input type="radio" name="hand" value="{{ $hand }}" aria-label="{{ ucfirst($hand) }} hand" @checked(old('hand', 'flowing') === $hand)><span class="hand hand-{{ $hand }}">{{ old('name', $signer->name) }}</span></label>
                @endforeach
            </fieldset>
            <p class="dim">or draw it here with a finger or the mouse:</p>
            <svg class="pad-field" viewBox="0 0 600 180" role="img" aria-label="Field to draw your signature in"><path class="base" d="M30 140H570"/></svg>
            <input type="hidden" name="strokes" id="strokes">
            <p><button class="button" type="button" id="clear">Clear the drawing</button></p>
            <button class="button solid">This is my signature</button>
        </form>
    </div>
    @include('signing.ask')
</x-guest>
