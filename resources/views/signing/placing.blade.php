<section class="mark-desk" aria-label="Places to sign">
    <h2>Places to sign</h2>
    <p class="dim small">Choose who and what, then click where it goes on the page. Shift takes several.</p>
    <div class="seats" role="radiogroup" aria-label="Who signs there">
        @foreach ($desk['seats'] as $index => $seat)
            <button type="button" role="radio" aria-checked="{{ $index === 0 ? 'true' : 'false' }}" data-seat="{{ $seat['seat'] }}">
                <x-seat :seat="\Unanimus\Signing\Seat::of($seat['seat'])" /> <span>{{ $seat['name'] }}</span>
                @if ($index < 9)<kbd>{{ $index + 1 }}</kbd>@endif
            </button>
        @endforeach
    </div>
    <details class="note somebody" @if (! $file->guest && ! $file->kind->isDeal() && count($desk['seats']) < 2) open @endif>
        <summary class="small">Someone else</summary>
        <form method="post" action="/rounds/{{ $round->key }}/people">@csrf
            <label class="line"><span>Name</span><input class="input" name="name" maxlength="120" required autocomplete="off"></label>
            <label class="line"><span>Email address</span><input class="input" type="email" name="email" maxlength="200"
                autocomplete="off"></label>
            <label class="line"><span>Who they are here</span><select name="role">
                @foreach (\App\Signing\Actions\SeatSomeone::words($round) as $role => $words)<option value="{{ $role }}">{{
                    $words }}</option>@endforeach</select></label>
            <button class="button tight">Ask them too</button></form></details>
    <div class="kinds" role="radiogroup" aria-label="What goes there">
        @foreach (\Unanimus\Signing\MarkKind::cases() as $kind)
            <button type="button" role="radio" aria-checked="{{ $kind->value === 'signature' ? 'true' : 'false' }}"
                data-kind="{{ $kind->value }}" data-key="{{ $kind->shortcut() }}">{{
                $kind->value === 'strike' ? 'Strike out' : ucfirst($kind->label()) }}
                @if ($kind->shortcut() !== '')<kbd>{{ $kind->shortcut() }}</kbd>@endif</button>
        @endforeach
    </div>
    <form id="terms" class="terms" hidden>
        <label class="line" data-for="text tick"><span>What it asks for</span><input class="input" name="hint" maxlength="80"
            autocomplete="off" placeholder="name of the lender"></label>
        <label class="line" data-for="text"><span>Answer</span><select name="format">
            @foreach (\Unanimus\Signing\EntryFormat::cases() as $format)<option
                value="{{ $format->value }}">{{ $format->label() }}</option>@endforeach</select></label>
        <label class="line" data-for="text"><span>Enter it for them</span><input class="input" name="filled" maxlength="500"
            autocomplete="off" placeholder="leave empty for the signer"></label>
        <label class="checkbox" data-for="text"><input type="checkbox" name="private"> Private: only you and your broker read it</label>
        <label class="checkbox" data-for="tick"><input type="checkbox" name="ticked"> Checked by you</label>
        <label class="checkbox" data-for="signature initials text tick strike"><input type="checkbox" name="required"> Required</label>
        <label class="line" data-for="signature initials text tick strike"><span>Asked for</span><select name="when"></select></label>
        <label class="line" data-for="signature initials text tick strike"><span>Only one of</span><input class="input" name="group"
            maxlength="20" autocomplete="off" placeholder="a name for the choice"></label>
    </form>
    <div id="several" class="several" hidden>
        <button type="button" class="button tight" data-align="left">Align left</button>
        <button type="button" class="button tight" data-align="foot">Align on the line</button>
        <button type="button" class="button tight" data-align="size">Same size</button>
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
