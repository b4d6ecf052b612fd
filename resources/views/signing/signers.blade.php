@foreach ($round->signers as $signer)
    @php($ours = $file->isOwnAffair($signer->seatOf()->side()))
    @php($count = $round->marks->where('seat', $signer->seat)->count())
    <div class="signer-row">
        <div class="top"><x-seat :seat="$signer->seatOf()" /> <b>{{ $signer->name }}</b>
            <span class="turn"><label>turn <input class="input" type="number" min="1" max="9" name="turns[{{ $signer->key }}]"
                value="{{ $signer->turn }}"></label></span></div>
        @if ($signer->party?->user_id !== null)
            <span class="dim small">{{ $signer->email }}</span>
        @elseif ($ours)
            <input class="input" type="email" name="addresses[{{ $signer->key }}]" value="{{ $signer->email }}"
                placeholder="email address" aria-label="Email address of {{ $signer->name }}">
        @else
            <span class="dim small">{{ $signer->email
                ? 'at the address their own agent has'
                : 'no address yet. Their own agent adds it.' }}</span>
        @endif
        <details class="note" @if ($signer->note !== '' || $signer->code !== null) open @endif>
            @php($does = $signer->part->value === 'signs' ? $count.' '.Str::plural('place', $count) : $signer->part->label())
            @php($reads = $signer->language->value === 'en' ? '' : " · reads in {$signer->language->label()}")
            <summary class="small">{{ $does.$reads }} · more<span class="unseen"> about {{ $signer->name }}</span></summary>
            <label class="line"><span>Words for {{ $signer->name }} alone</span><textarea class="textarea" name="notes[{{ $signer->key }}]"
                maxlength="1000" rows="2">{{ $signer->note }}</textarea></label>
            @if ($ours)
                <label class="line"><span>Access code, told by telephone</span><input class="input" name="codes[{{ $signer->key }}]"
                    value="{{ $signer->code }}" maxlength="12" autocomplete="off" placeholder="4 to 12 letters and digits"></label>
            @endif
            <label class="line"><span>Reads in</span><select name="languages[{{ $signer->key }}]">
                @foreach (\Unanimus\Parties\Language::cases() as $language)<option value="{{ $language->value }}"
                    @selected($signer->language === $language)>{{ $language->label() }}</option>@endforeach</select></label>
            <button class="button tight plain" form="drop-{{ $signer->key }}">Remove from this round</button>
        </details>
    </div>
@endforeach
