<section class="mark-desk" aria-label="Places to sign">
    <h2>Places to sign</h2>
    <p class="dim small">Choose who and what, then click where it goes on the page.</p>
    <div class="seats" role="radiogroup" aria-label="Who signs there">
        @foreach ($desk['seats'] as $index => $seat)
            <button type="button" role="radio" aria-checked="{{ $index === 0 ? 'true' : 'false' }}" data-seat="{{ $seat['seat'] }}">
                <x-seat :seat="\Unanimus\Signing\Seat::of($seat['seat'])" /> <span>{{ $seat['name'] }}</span>
                @if ($index < 9)<kbd>{{ $index + 1 }}</kbd>@endif
            </button>
        @endforeach
    </div>
    <div class="kinds" role="radiogroup" aria-label="What goes there">
        @foreach (['signature' => 's', 'initials' => 'i', 'date' => 'd', 'name' => 'n'] as $kind => $key)
            <button type="button" role="radio" aria-checked="{{ $kind === 'signature' ? 'true' : 'false' }}"
                data-kind="{{ $kind }}">{{ ucfirst($kind) }} <kbd>{{ $key }}</kbd></button>
        @endforeach
    </div>
    <div id="pencil" class="say now" hidden>
        <span></span> <button type="button" class="button tight now" data-keep>Keep all <kbd>Enter</kbd></button>
    </div>
    <p id="reading" class="dim small" role="status" hidden></p>
    <div id="unclear"></div>
    <div class="placing-acts">
        <button type="button" class="button tight" id="undo-mark" disabled>Undo <kbd>Ctrl+Z</kbd></button>
        <button type="button" class="button tight" id="redo-mark" disabled>Redo <kbd>Ctrl+Y</kbd></button>
        <span id="marks-told" class="stored" role="status"></span>
    </div>
</section>
