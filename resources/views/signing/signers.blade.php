@foreach ($round->signers as $signer)
    <div class="signer-row">
        <div class="top"><x-seat :seat="$signer->seatOf()" /> <b>{{ $signer->name }}</b>
            <span class="turn"><label>turn <input class="input" type="number" min="1" max="9" name="turns[{{ $signer->key }}]"
                value="{{ $signer->turn }}"></label></span></div>
        @if ($signer->party?->user_id !== null)
            <span class="dim small">{{ $signer->email }}</span>
        @elseif ($file->isOwnAffair($signer->seatOf()->side()))
            <input class="input" type="email" name="addresses[{{ $signer->key }}]" value="{{ $signer->email }}"
                placeholder="email address" aria-label="Email address of {{ $signer->name }}">
        @else
            <span class="dim small">{{ $signer->email
                ? 'at the address their own agent has'
                : 'no address yet. Their own agent adds it.' }}</span>
        @endif
        <details class="note" @if ($signer->note !== '') open @endif><summary class="small">Words for {{ $signer->name }} alone</summary>
            <textarea class="textarea" name="notes[{{ $signer->key }}]" maxlength="1000" rows="2"
                aria-label="Words for {{ $signer->name }} alone">{{ $signer->note }}</textarea></details>
        @if ($file->isOwnAffair($signer->seatOf()->side()))
            <details class="note" @if ($signer->code !== null) open @endif>
                <summary class="small">Ask {{ $signer->name }} for a code</summary>
                <input class="input" name="codes[{{ $signer->key }}]" value="{{ $signer->code }}" maxlength="12" autocomplete="off"
                    placeholder="4 to 12 letters and digits, told by telephone" aria-label="Access code for {{ $signer->name }}"></details>
        @endif
        <label class="small">reads in <select name="languages[{{ $signer->key }}]">
            @foreach (\Unanimus\Parties\Language::cases() as $language)<option value="{{ $language->value }}"
                @selected($signer->language === $language)>{{ $language->label() }}</option>@endforeach</select></label><br>
        @php($count = $round->marks->where('seat', $signer->seat)->count())
        <span class="dim small">{{ $signer->part->value === 'signs' ? $count.' '.Str::plural('place', $count) : $signer->part->label() }}
            </span>
        <button class="button tight plain" form="drop-{{ $signer->key }}">Remove from this round</button>
    </div>
@endforeach
